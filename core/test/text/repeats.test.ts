import { expect } from 'chai';
import { finish } from '../../src/base/stepwise.ts';
import { findRepeats, repeatPieces, type Repeat } from '../../src/text/look-alikes/repeats.ts';
import { asking, exampleStudy } from '../examples.ts';

const found = (texts: readonly string[]): readonly Repeat[] => finish(findRepeats(texts)).repeats;
const BODIES = [
  'The bus came late and nobody knew why it did.',
  'My mother looks after the children at the weekend.',
  'We waited at the harbour while the rain came down.',
  'A day ticket costs more than an hour of work.',
  'The street light by the school has been mended.',
  'Nobody sleeps while three buses stand there idling.',
];
const FOOTER = 'You receive this because you asked for it.\nNight bus office, Depot Road 3.';

describe('what repeats', () => {
  it('is found as a block, with where it stands, how often and how many words go', () => {
    const texts = BODIES.map((body, i) => `Night bus news no ${i}\n\n${body}\n\n${FOOTER}\n`);
    const [footer, head, ...others] = found(texts);
    expect(others).to.deep.equal([]);
    expect(footer).to.deep.include({ text: FOOTER, place: 'foot', sources: 6, times: 6, words: 6 * 14 });
    expect(head).to.deep.include({ text: 'Night bus news no 0', place: 'top', sources: 6, words: 30 });
    const [start, end] = repeatPieces(texts[2], new Set(footer.keys))[0];
    expect(texts[2].slice(start, end)).to.equal('You receive this because you asked for it.\n');
  });

  it('is found where a name differs, and inside a long line', () => {
    const consent = 'I have read what this study is about and I agree that my words are kept for ten years.';
    const texts = BODIES.map(
      (body, i) =>
        `${body} ${i % 2 ? consent : consent.replace('ten', ['three', 'five', 'six'][i >> 1])} ${body.toUpperCase()}`,
    );
    const [repeat] = found(texts);
    expect(repeat).to.deep.include({ text: consent, sources: 6, times: 6 });
  });

  it('is neither what few say, nor short answers, nor what is not read', () => {
    expect(found(BODIES)).to.deep.equal([]);
    expect(found([...BODIES, `${BODIES[0]}\n\nMore.`])).to.deep.equal([]);
    expect(
      found(Array.from({ length: 50 }, (_, i) => (i % 2 ? 'Nothing at all to say.' : 'No idea.'))),
    ).to.deep.equal([]);
    expect(found([])).to.deep.equal([]);
    const texts = BODIES.map((body) => `${body}\n\n${FOOTER}\n`);
    const unread = (source: number): [number, number][] => [[BODIES[source].length, texts[source].length]];
    expect(finish(findRepeats(texts, unread)).repeats).to.deep.equal([]);
  });

  it('is counted exactly: as many copies as were put in', () => {
    for (const copies of [3, 7, 12]) {
      const texts = Array.from({ length: 40 }, (_, i) => {
        const body = `Number ${'abcdefghij'[i % 10]}${'klmn'[i % 4]}${i} ${BODIES[i % 6].split(' ').reverse().join(' ')}`;
        return i < copies ? `${body}\n${FOOTER}\n` : `${body}\n`;
      });
      const footer = found(texts).find(({ text }) => text === FOOTER);
      expect([footer?.sources, footer?.times, footer?.words]).to.deep.equal([copies, copies, copies * 14]);
    }
  });

  it('is taken out of every source by one decision, and is gone', () => {
    const study = exampleStudy(
      BODIES.map((body, i) => ({ name: `${i}.txt`, text: `${body}\n\n${FOOTER}\n` })),
    );
    const { repeats, words } = asking(study)('repeats', null);
    expect(repeats.map(({ text }) => text)).to.deep.equal([FOOTER]);
    expect(repeats[0].before).to.be.oneOf(BODIES);
    expect(words).to.be.greaterThan(6 * 14);
    const sourceIds = study.state.sources.map(({ id }) => id);
    const { cuts } = asking(study)('trim', { rule: { kind: 'repeats', keys: repeats[0].keys }, sourceIds });
    study.decide({ kind: 'setCuts', cuts });
    expect(asking(study)('repeats', null).repeats).to.deep.equal([]);
    expect(asking(study)('sources', null).words).to.have.length(6);
  });
});
