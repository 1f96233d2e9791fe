import { expect } from 'chai';
import { renderComparison } from '../../src/compare/render.ts';
import type { Comparison } from '../../src/compare/strength.ts';

const drawn = (count: number): string => {
  const strength = { share: 0.2, low: 0.1, high: 0.4, speaking: 2, sources: 3 };
  const comparison = {
    groups: Array.from({ length: count }, (_, g) => ({
      group: `group ${g} of a long name`,
      windows: 10,
      sources: 3,
      strengths: [strength, strength],
    })),
    overall: [0.2, 0.2],
    q: [0.01, 0.5],
  } as unknown as Comparison;
  return renderComparison(
    [
      { letter: 'A', label: 'rain & wind' },
      { letter: 'B', label: 'wage' },
    ],
    comparison,
    [1, 0],
    { title: 'Strength', foot: 'A line is the interval. '.repeat(12) },
  );
};
const sizeOf = (svg: string): number[] =>
  ['width', 'height'].map((name) => Number(new RegExp(`<svg [^>]* ${name}="([\\d.]+)"`).exec(svg)?.[1]));
const marksOf = (svg: string): { x: number; y: number }[] =>
  Array.from(svg.matchAll(/<circle cx="([\d.]+)" cy="([\d.]+)"/g), ([, x, y]) => ({ x: +x, y: +y }));

describe('a comparison as a drawing', () => {
  it('is no wider than a page, however many groups: the others stand under them, with the rows named again', () => {
    for (const groups of [1, 2, 5, 6, 15]) {
      const svg = drawn(groups);
      const [width, height] = sizeOf(svg);
      expect(width, `${groups} groups`).to.be.at.most(700);
      const marks = marksOf(svg);
      expect(marks).to.have.length(2 * groups);
      // No two marks at one place, none beyond the edges.
      expect(new Set(marks.map(({ x, y }) => `${x} ${y}`)).size).to.equal(marks.length);
      for (const { x, y } of marks) {
        expect(x).to.be.within(0, width);
        expect(y).to.be.within(0, height);
      }
      const parts = Math.ceil(groups / 5);
      expect(svg.match(/rain &amp; wind \*/g)).to.have.length(parts);
      for (let g = 0; g < groups; g++) expect(svg).to.include(`>group ${g} of`);
    }
  });

  it('says what stands under it in as many lines as it takes', () => {
    const [, height] = sizeOf(drawn(2));
    const lines = Array.from(drawn(2).matchAll(/y="([\d.]+)"[^>]*>[^<]*interval/g), ([, y]) => Number(y));
    expect(lines.length).to.be.above(2);
    expect(Math.max(...lines)).to.be.below(height);
  });
});
