import { expect } from 'chai';
import { figureBlocks, partedTable } from '../../src/report/figure-blocks.ts';
import type { Figure } from '../../src/study/notebook.ts';

const table = (columns: number) => ({
  head: ['theme', ...Array.from({ length: columns }, (_, i) => `g${i}`)],
  rows: [['A', ...Array.from({ length: columns }, (_, i) => i)]],
});
const SVG = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><path d="M0 0"/></svg>';
const figure = (more: Partial<Figure>): Figure => ({ title: 'Strength', note: 'By role.', ...more });

describe('tables of a report', () => {
  it('stay whole up to twelve columns, and are parted as evenly as they come, each part with the first column', () => {
    expect(partedTable(table(11))).to.have.length(1);
    const parts = partedTable(table(15));
    expect(parts.map(({ head }) => head.length)).to.deep.equal([9, 8]);
    expect(parts.map(({ head, rows }) => [head[0], rows[0][0]])).to.deep.equal([
      ['theme', 'A'],
      ['theme', 'A'],
    ]);
    // Nothing is lost, and nothing stands twice.
    expect(parts.flatMap(({ rows }) => rows[0].slice(1))).to.deep.equal(table(15).rows[0].slice(1));
    expect(partedTable(table(300)).flatMap(({ head }) => head.slice(1))).to.deep.equal(
      table(300).head.slice(1),
    );
  });

  it('are numbered apart from figures', () => {
    const numbers = { figures: 0, tables: 0 };
    const captions = [
      figure({ table: table(2) }),
      figure({ picture: { svg: SVG, alt: 'marks' }, table: table(2) }),
      figure({ table: table(15) }),
      figure({ picture: { svg: SVG, alt: 'a map' } }),
    ]
      .flatMap((each) => figureBlocks(each, numbers))
      .map((block) => ('caption' in block ? block.caption : ''));
    expect(captions).to.deep.equal([
      'Table 1. Strength. By role.',
      'Figure 1. Strength. By role.',
      'Table 2. The numbers of figure 1',
      'Table 3, part 1 of 2. Strength. By role.',
      'Table 3, part 2 of 2. Strength. By role.',
      'Figure 2. Strength. By role.',
    ]);
  });
});
