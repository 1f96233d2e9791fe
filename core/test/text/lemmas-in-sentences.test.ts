import { expect } from 'chai';
import { asking, exampleStudy } from '../examples.ts';
import { WORDS_IN_SENTENCES } from './words-in-sentences.ts';

/** The marked words of a text, with what each should become, and the text without its marks. */
function marked(text: string, mark: RegExp): { said: string; becomes: string }[] {
  return [...text.matchAll(mark)].map(([, said, becomes]) => ({ said, becomes }));
}

describe('words and phrases in sentences', () => {
  const words = marked(WORDS_IN_SENTENCES, /\{([^|]+)\|([^}]+)\}/g);
  const phrases = marked(WORDS_IN_SENTENCES, /\[([^|]+)\|([^\]]+)\]/g);
  const text = WORDS_IN_SENTENCES.replace(/[{[]([^|]+)\|[^\]}]+[\]}]/g, '$1').trim();
  const study = exampleStudy([{ name: 'a.txt', text }]);
  study.decide({ kind: 'setConcepts', change: { language: 'en' } });

  it('become their dictionary forms', () => {
    expect(words.length + phrases.length).to.be.at.least(150);
    const tokens = study.compute('tokens');
    const terms = study.compute('terms');
    const typeOf = new Map(tokens.forms.map((form, type) => [form.replaceAll('’', "'"), type]));
    // An apostrophe at a word's end is not part of it.
    const termOf = (said: string): string | undefined =>
      terms.labels[terms.ofType[typeOf.get(said.toLowerCase().replace(/'$/, '')) ?? -1]];
    const wrong = words.filter(({ said, becomes }) => termOf(said) !== becomes).map(({ said }) => said);
    // Tired, written and healed are taken for adjectives.
    expect(wrong.length, wrong.join(', ')).to.be.at.most(3);
  });

  it('are found as phrases, and called as they are written', () => {
    const labels = new Set(asking(study)('concepts', null).rows.map(({ label }) => label));
    const missed = phrases.filter(({ becomes }) => !labels.has(becomes)).map(({ said }) => said);
    // Year and people are no concepts by themselves, per is no part of one, and developing countries follow no determiner.
    expect(missed).to.deep.equal([
      'preceding year',
      'Developing countries',
      'Per capita income',
      'retired people',
    ]);
  });

  it('hold no verb before its object', () => {
    const text =
      'He kept driving buses. They like driving buses. I was driving buses. We paid rent. She paid rent. They paid rent.';
    const other = exampleStudy([{ name: 'b.txt', text }]);
    other.decide({ kind: 'setConcepts', change: { language: 'en' } });
    const labels = asking(other)('concepts', null).rows.map(({ label }) => label);
    expect(labels).to.include.members(['bus', 'rent']);
    expect(labels.filter((label) => label.includes(' '))).to.deep.equal([]);
  });
});
