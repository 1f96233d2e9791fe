import { expect } from 'chai';
import { parseMeanings } from '../../src/languages/en/meanings.ts';
import { asking, englishMeanings, exampleStudy } from '../examples.ts';

const SMALL = parseMeanings(
  [
    'n cab3,taxi,taxicab|a car for hire; "he took a cab; it was late"; "no taxi came"',
    'n cab|a horse’s carriage',
    'v wait|stay in one place',
    'n constructor,builder|one who builds',
    '',
  ].join('\n'),
);

describe('meanings', () => {
  it('are read with definition, examples and synonyms, each word’s commonest first', () => {
    expect(SMALL.of('cab')).to.deep.equal([
      { part: 'noun', definition: 'a horse’s carriage', examples: [], synonyms: [] },
      {
        part: 'noun',
        definition: 'a car for hire',
        examples: ['he took a cab; it was late', 'no taxi came'],
        synonyms: ['taxi', 'taxicab'],
      },
    ]);
    expect(SMALL.of('wait')[0].part).to.equal('verb');
    expect(SMALL.of('constructor')[0].synonyms).to.deep.equal(['builder']);
    for (const none of ['toString', '__proto__', '', 'zzz']) expect(SMALL.of(none)).to.deep.equal([]);
  });

  it('make synonyms of words that share one of their first', () => {
    expect([...SMALL.synonymsOf('taxi', 1)]).to.deep.equal(['taxicab']);
    expect([...SMALL.synonymsOf('taxi', 3)]).to.deep.equal(['cab', 'taxicab']);
    expect([...SMALL.synonymsOf('cab', 1)]).to.deep.equal([]);
  });

  it('of the English lexicon hold for words of every kind', () => {
    const { of, synonymsOf } = englishMeanings();
    expect(of('bank')[0].definition).to.match(/sloping land/);
    expect(of('night shift').length + of('wait').length).to.be.greaterThan(3);
    expect([...synonymsOf('child', 1)]).to.include('kid');
    expect([...synonymsOf('eternal', 1)]).to.include('everlasting');
  });

  it('stand beside a concept with the synonyms that occur in the texts', () => {
    const study = exampleStudy([
      { name: 'a', text: 'The shop was shut and the store too. Another shop, another store.' },
    ]);
    const { meanings, isKnown } = asking(study)('meaning', { key: 'shop' });
    expect(isKnown).to.equal(true);
    const synonyms = meanings.flatMap((meaning) => meaning.synonyms);
    expect(synonyms.find(({ word }) => word === 'store')?.mentions).to.equal(2);
    const german = exampleStudy([
      { name: 'a', text: 'Der Laden war zu und das Geschäft auch nicht offen. Der Laden ist gut.' },
    ]);
    german.decide({ kind: 'setConcepts', change: { language: 'de' } });
    expect(asking(german)('meaning', { key: 'shop' })).to.deep.equal({ isKnown: false, meanings: [] });
  });
});
