import { expect } from 'chai';
import { repeatedSentences } from '../../src/text/look-alikes/repeated-sentences.ts';
import { asking, exampleStudy } from '../examples.ts';

const ASKED = 'How did the ticket and the harbour make you feel today?';
const own = (i: number, k: number): string =>
  `The ${['rain', 'wind', 'fare', 'lamp'][(i + k) % 4]} was there for ${'abcdefghijkl'[i]}ork${'abcdefgh'[k]}um again.`;
const texts = (asked: number, count = 12) =>
  Array.from({ length: count }, (_, i) => ({
    name: `${i}`,
    text: Array.from({ length: 8 }, (__, k) => (i < asked ? `${ASKED} ${own(i, k)}` : own(i, k))).join(
      '\n\n',
    ),
  }));

describe('sentences that many sources repeat', () => {
  it('are found where three sources hold them, word for word, and not where two do', () => {
    const found = repeatedSentences(exampleStudy(texts(3)).compute('tokens'));
    expect(found.count).to.equal(1);
    expect(found.commonest?.sources).to.equal(3);
    expect(found.isRepeated.reduce((sum, each) => sum + each, 0)).to.equal(24);
    expect(repeatedSentences(exampleStudy(texts(2)).compute('tokens')).count).to.equal(0);
  });

  it('are none where they are all a source says, or short, or there is no text', () => {
    const answers = Array.from({ length: 9 }, (_, i) => ({ name: `${i}`, text: i < 5 ? ASKED : own(i, 1) }));
    expect(repeatedSentences(exampleStudy(answers).compute('tokens')).count).to.equal(0);
    const short = Array.from({ length: 9 }, (_, i) => ({
      name: `${i}`,
      text: `I do not know. ${own(i, 2)}`,
    }));
    expect(repeatedSentences(exampleStudy(short).compute('tokens')).count).to.equal(0);
    expect(repeatedSentences(exampleStudy([]).compute('tokens')).commonest).to.equal(undefined);
  });

  it('make no links until that is decided, and then they do', () => {
    const study = exampleStudy(texts(12));
    study.decide({ kind: 'keepConcepts', keys: ['ticket', 'harbour'] });
    const together = (): number => {
      const { keys } = study.compute('concepts');
      const counts = study.compute('counts').together;
      return counts[keys.indexOf('ticket') * keys.length + keys.indexOf('harbour')];
    };
    expect(together()).to.equal(0);
    expect(asking(study)('repeatedSentences', null)).to.include({
      count: 1,
      places: 96,
      sources: 12,
      example: ASKED,
    });
    study.decide({ kind: 'setWindows', change: { repeated: true } });
    expect(together()).to.be.above(90);
    study.decide({ kind: 'setWindows', change: { repeated: false } });
    expect(together()).to.equal(0);
  });
});
