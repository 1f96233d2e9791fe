import { expect } from 'chai';
import { INKS, tint as tintOnPaper } from '@green-thicket/core/map/palette';
import { inkOf as inkOnPaper } from '@green-thicket/core/map/palette';
import { DRAWN, inkOf, onPaper, tint } from '../src/pieces/drawn-colours.ts';
import { COLOURS, coloursOn, giveTheme, type Ground } from '../src/theme.ts';

/** Relative luminance of a colour (WCAG 2.1). */
function luminance(colour: string): number {
  const long =
    colour.length === 4 ? `#${[...colour.slice(1)].map((digit) => digit + digit).join('')}` : colour;
  const [r, g, b] = [1, 3, 5]
    .map((at) => parseInt(long.slice(at, at + 2), 16) / 255)
    .map((value) => (value <= 0.03928 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4));
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
function contrast(a: string, b: string): number {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (light + 0.05) / (dark + 0.05);
}

describe('the colours', () => {
  it('measure as published: black on white 21, grey #767676 on white 4.54', () => {
    expect(contrast('#000000', '#ffffff')).to.be.closeTo(21, 1e-9);
    expect(contrast('#767676', '#ffffff')).to.be.closeTo(4.54, 0.005);
  });

  for (const ground of ['light', 'dark'] as const satisfies readonly Ground[]) {
    it(`can be read where they are words, ${ground} (AA: 4.5 to 1)`, () => {
      const { colours, inks } = coloursOn(ground);
      const words = [
        colours.ink,
        colours.quiet,
        colours.moss,
        colours.rustInk,
        colours.success,
        colours.warning,
        colours.error,
      ];
      for (const word of words) {
        for (const under of ['paper', 'sheet', 'band', 'aside', 'picked', 'pickedPale', 'chosen'] as const)
          expect(contrast(word, colours[under]), `${word} on ${under}`).to.be.at.least(4.5);
      }
      for (const [i, ink] of inks.entries()) {
        for (const under of [colours.paper, colours.picked, tintOnPaper(ink, 0.1, colours.paper)])
          expect(contrast(ink, under), `ink ${i} on ${under}`).to.be.at.least(4.5);
        expect(contrast(colours.onInk, ink), `words on ink ${i}`).to.be.at.least(4.5);
      }
      expect(contrast(colours.faint, colours.paper), 'faint').to.be.at.least(4.5);
      expect(contrast(colours.white, colours.mossGround), 'the title bar').to.be.at.least(4.5);
      expect(contrast(colours.onInk, colours.rust), 'on rust').to.be.at.least(4.5);
    });
  }

  it('are as many by night as by day, each theme with an ink of its own', () => {
    const [day, night] = [coloursOn('light'), coloursOn('dark')];
    expect(Object.keys(night.colours)).to.have.members(Object.keys(day.colours));
    expect(new Set(night.inks).size).to.equal(INKS.length);
    expect(luminance(night.colours.paper)).to.be.below(0.02);
  });

  it('are handed over as the page lies: the same names, other values', () => {
    const given = (ground: Ground): Map<string, string> => {
      const names = new Map<string, string>();
      giveTheme(
        {
          setProperty: (name: string, value: string) => names.set(name, value),
        } as unknown as CSSStyleDeclaration,
        ground,
      );
      return names;
    };
    const [day, night] = [given('light'), given('dark')];
    expect([...night.keys()]).to.deep.equal([...day.keys()]);
    expect(day.get('--ink')).to.equal(COLOURS.ink);
    expect(night.get('--ink')).not.to.equal(COLOURS.ink);
    expect(night.get('color-scheme')).to.equal('dark');
  });

  it('of a drawing taken off the page are those on paper, whatever the page lies on', () => {
    const drawn = `<path fill="${tint(inkOf('B'), 0.3)}" stroke="${DRAWN.quiet}" style="color: ${inkOf('M')}"/>`;
    expect(onPaper(drawn)).to.equal(
      `<path fill="${tintOnPaper(inkOnPaper('B'), 0.3)}" stroke="${COLOURS.quiet}" style="color: ${inkOnPaper('A')}"/>`,
    );
    expect(onPaper('<text>var(--not-ours)</text>')).to.equal('<text>var(--not-ours)</text>');
  });
});
