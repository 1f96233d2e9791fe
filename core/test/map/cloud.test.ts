import { expect } from 'chai';
import fc from 'fast-check';
import { packCloud, type CloudWord, type PlacedWord } from '../../src/map/cloud.ts';
import { renderBars, renderCloud, sharedRanks } from '../../src/map/word-picture.ts';

const SIZE = { width: 400, height: 300 };
const boxOf = ({ x, y, width, size }: PlacedWord) => ({
  left: x - width / 2,
  right: x + width / 2,
  top: y - size / 2,
  bottom: y + size / 2,
});
const overlap = (a: PlacedWord, b: PlacedWord): boolean => {
  const [p, q] = [boxOf(a), boxOf(b)];
  return p.left < q.right && q.left < p.right && p.top < q.bottom && q.top < p.bottom;
};
const words = fc.array(
  fc.record({ text: fc.string({ minLength: 1, maxLength: 12 }), weight: fc.integer({ min: 1, max: 500 }) }),
  { minLength: 1, maxLength: 40 },
);

describe('a packed cloud', () => {
  it('has no word over another or outside, in either order', () => {
    fc.assert(
      fc.property(words, fc.constantFrom('middle' as const, 'rows' as const), (list, order) => {
        const placed = packCloud(list, { ...SIZE, order });
        placed.forEach((a, i) => {
          const { left, right, top, bottom } = boxOf(a);
          expect(left).to.be.at.least(-0.01);
          expect(right).to.be.at.most(SIZE.width + 0.01);
          expect(top).to.be.at.least(-0.01);
          expect(bottom).to.be.at.most(SIZE.height + 0.01);
          for (const b of placed.slice(i + 1)) expect(overlap(a, b), `${a.text} ${b.text}`).to.equal(false);
        });
      }),
      { numRuns: 60 },
    );
  });

  it('has the heaviest in the middle, sizes by the root of the weight, and room for all that fit', () => {
    const list: CloudWord[] = Array.from({ length: 30 }, (_, i) => ({
      text: `word${i}`,
      weight: 400 / (i + 1),
    }));
    const placed = packCloud(list, SIZE);
    expect(placed).to.have.length(30);
    expect(placed[0]).to.include({ text: 'word0', x: 200, y: 150 });
    const sizeOf = (text: string) => placed.find((each) => each.text === text)?.size ?? 0;
    expect(sizeOf('word3') / sizeOf('word0')).to.be.closeTo(0.5, 1e-9);
    expect(packCloud(list, SIZE)).to.deep.equal(placed);
    const rows = packCloud(list, { ...SIZE, order: 'rows', largest: 30 });
    expect(rows.map(({ text }) => text).slice(0, 3)).to.deep.equal(['word0', 'word1', 'word2']);
    expect(packCloud([], SIZE)).to.deep.equal([]);
  });
});

describe('pictures of words', () => {
  it('are drawn with every word, safe to open, ties sharing a rank', () => {
    expect(sharedRanks([9, 7, 7, 5])).to.deep.equal([1, 2, 2, 4]);
    const words = [
      { text: 'rain & <b>', weight: 7 },
      { text: 'bus', weight: 9 },
      { text: 'fare', weight: 7 },
    ];
    const bars = renderBars(words, 'T "x"');
    expect(bars.svg)
      .to.include('rain &amp; &lt;b&gt;')
      .and.include('<title>T &quot;x&quot;</title>')
      .and.include('>=</text>');
    expect(bars.svg.indexOf('>bus<')).to.be.below(bars.svg.indexOf('>fare<'));
    expect(renderCloud(words, 'T').svg.match(/data-word/g)).to.have.length(3);
    expect(renderCloud([], 'T').svg).to.match(/^<svg.*<\/svg>$/);
  });
});
