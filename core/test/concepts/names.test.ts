import { LANGUAGE_OF } from '../../src/languages/languages.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { readCapitals } from '../../src/concepts/capitals.ts';
import { findNames, type Names } from '../../src/concepts/names.ts';
import { stopWordsInForce } from '../../src/concepts/stop-words.ts';
import { readTerms, stoppedTypes } from '../../src/concepts/terms.ts';
import { unknownParts } from '../../src/text/words/parts-of-speech.ts';
import { asking, englishLexicon, englishWords, exampleStudy, tokensOf } from '../examples.ts';

function namesIn(text: string, said: ReadonlyMap<string, boolean> = new Map()): Names {
  const tokens = tokensOf(text);
  const terms = readTerms(tokens, unknownParts(tokens), englishWords(), 'form', LANGUAGE_OF.en);
  const stopWords = stopWordsInForce({ language: 'en', own: [] });
  const stopped = stoppedTypes(terms, () => stopWords);
  return findNames(tokens, [text], readCapitals(tokens, [text]), {
    language: LANGUAGE_OF.en,
    stopped,
    lexicon: englishLexicon(),
    said,
  });
}

/** The names with how often each was met, shorter forms counted in. */
function counted(names: Names): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const name of names.name) counts[names.labels[name]] = (counts[names.labels[name]] ?? 0) + 1;
  return counts;
}

describe('names', () => {
  it('are capitalised runs inside sentences, not capitals at their start', () => {
    expect(
      counted(namesIn('Buses stop at Mill Hill. Nobody waits there. The shop in Northgate shuts.')),
    ).to.deep.equal({
      'Mill Hill': 1,
      Northgate: 1,
    });
  });

  it('at the start of a sentence count once they were met inside one', () => {
    const names = namesIn(
      'Nadia drives. We asked Nadia. Mill Hill is far. She lives at Mill Hill. Drivers rest.',
    );
    expect(counted(names)).to.deep.equal({ Nadia: 2, 'Mill Hill': 2 });
  });

  it('count their shorter forms where these can mean only them', () => {
    const names = namesIn(
      'I met Nadia Holm. We saw Nadia Holm. Then Nadia left. They like Holm and Nadia’s bike. A letter to Larkhaven Council, another from Larkhaven Council. We told the Council. In Larkhaven it rains.',
    );
    expect(counted(names)).to.deep.equal({ 'Nadia Holm': 5, 'Larkhaven Council': 3, Larkhaven: 1 });
    expect(names.shorter[0]).to.deep.equal([
      { form: 'Nadia', mentions: 2 },
      { form: 'Holm', mentions: 1 },
    ]);
  });

  it('are called by the form they are most often met in', () => {
    const names = namesIn(
      'I met Nadia Holm. We saw Nadia Holm. Then Holm left. They like Holm. It rained on Holm. We know Holm.',
    );
    expect(counted(names)).to.deep.equal({ Holm: 6 });
    expect(names.shorter[0]).to.deep.equal([{ form: 'Nadia Holm', mentions: 2 }]);
  });

  it('are not taken over by a longer form that is hardly met, or that is of them', () => {
    const once = namesIn('We like Holm. They know Holm. It is Holm. I met Nadia Holm.');
    expect(counted(once)).to.deep.equal({ Holm: 3, 'Nadia Holm': 1 });
    const seldom = namesIn(`${'We like Holm. '.repeat(30)}I met Nadia Holm. We saw Nadia Holm.`);
    expect(counted(seldom)).to.deep.equal({ Holm: 30, 'Nadia Holm': 2 });
    const of = namesIn(
      'We like Larkhaven. They know Larkhaven. I met Friends of Larkhaven. We saw Friends of Larkhaven.',
    );
    expect(counted(of)).to.deep.equal({ Larkhaven: 2, 'Friends of Larkhaven': 2 });
  });

  it('leave a shorter form alone that could mean two', () => {
    const names = namesIn('I met Nadia Holm. I met Tom Holm. We know Holm.');
    expect(counted(names)).to.deep.equal({ 'Nadia Holm': 1, 'Tom Holm': 1, Holm: 1 });
  });

  it('are no titles, days, headings or words that are mostly small', () => {
    const names = namesIn(
      'We saw Mrs Holm on Monday in June. She asked Mr Holm.\n\nWAITING FOR THE LATE BUS\n\nThe bus came, the Bus left, a bus is a bus.',
    );
    expect(counted(names)).to.deep.equal({ Holm: 2 });
  });

  it('go on over of and the, and end at a possessive', () => {
    const names = namesIn(
      'The Friends of the Harbour met. We joined Friends of the Harbour. It is Nadia’s House now.',
    );
    expect(Object.keys(counted(names))).to.include.members(['Friends of the Harbour']);
    expect(Object.keys(counted(names))).not.to.include('Nadia House');
  });

  it('are what the researcher says they are', () => {
    const text = 'We like Rose. The rose grew. A rose is red. They saw Index there.';
    expect(counted(namesIn(text))).to.deep.equal({ Index: 1 });
    expect(
      counted(
        namesIn(
          text,
          new Map([
            ['index', false],
            ['rose', true],
          ]),
        ),
      ),
    ).to.deep.equal({ Rose: 1 });
  });

  it('never overlap, whatever the text', () => {
    const word = fc.constantFrom(
      'Nadia',
      'Holm',
      'bus',
      'of',
      'the',
      'Mill',
      'Hill',
      '.',
      ',',
      '“',
      'Mrs',
      'I',
      '42',
    );
    fc.assert(
      fc.property(fc.array(word, { maxLength: 60 }), (words) => {
        const text = words.join(' ');
        const names = namesIn(text);
        const tokens = tokensOf(text);
        for (let i = 0; i < names.name.length; i++) {
          expect(names.first[i]).to.be.below(names.end[i]);
          expect(names.end[i]).to.be.at.most(tokens.type.length);
          if (i > 0) expect(names.first[i]).to.be.at.least(names.end[i - 1]);
        }
        expect(new Set(names.labels.map((label) => label.toLowerCase())).size).to.equal(names.labels.length);
      }),
    );
  });
});

describe('names with a word put right', () => {
  const text =
    'We met at Mill Hill. The Hill is steep. A café on the Hill. They left Mill Hill for Mill House. Nadia came.';

  it('stay where another of their words is a name', () => {
    // The Hill is short for Mill Hill, until it is said to be a hill like any other.
    expect(counted(namesIn(text))).to.include({ 'Mill Hill': 4, 'Mill House': 1 });
    const corrected = counted(namesIn(text, new Map([['hill', false]])));
    expect(corrected).to.include({ 'Mill Hill': 2, 'Mill House': 1 });
    expect(corrected).to.not.have.property('Hill');
  });

  it('go where all of their words are none', () => {
    const said = new Map([
      ['hill', false],
      ['mill', false],
    ]);
    expect(counted(namesIn(text, said))).to.deep.equal({ 'Mill House': 1 });
  });
});

describe('kinds of words', () => {
  const text =
    'Nadia waits at Mill Hill. The driver sees Nadia. The driver waits at Mill Hill. It took 42 and 42 again on Monday, a Monday.\n\n';

  it('are chosen one by one', () => {
    const study = exampleStudy([{ name: 'a', text }]);
    study.decide({ kind: 'setCleaning', steps: [{ id: 'case', on: true, kind: 'case' }], what: 'only case' });
    const keys = (): string[] => [...study.compute('candidates').keys];
    expect(keys()).to.have.members(['Nadia', 'Mill Hill', 'driver']);
    study.decide({ kind: 'setConcepts', change: { names: false } });
    expect(keys()).to.have.members(['driver']);
    study.decide({ kind: 'setConcepts', change: { names: true, nouns: false, phrases: false } });
    expect(keys()).to.have.members(['Nadia', 'Mill Hill']);
    study.decide({ kind: 'setConcepts', change: { names: false, numbers: true } });
    expect(keys()).to.have.members(['42', 'monday']);
    expect(study.compute('candidates').part).to.deep.equal(['number', 'number']);
  });

  it('are put right word by word', () => {
    const study = exampleStudy([{ name: 'a', text }]);
    study.decide({ kind: 'setWordKind', words: ['driver'], as: 'verb' });
    expect(study.compute('candidates').keys).not.to.include('driver');
    study.decide({ kind: 'setWordKind', words: ['nadia'], as: 'other' });
    expect(study.compute('candidates').keys).not.to.include('Nadia');
    // Hill is a noun now, and Mill Hill a name still.
    study.decide({ kind: 'setWordKind', words: ['hill'], as: 'noun' });
    expect(study.compute('candidates').keys).to.include('Mill Hill');
    const kindOf = (word: string): string | undefined =>
      asking(study)('wordKinds', null).rows.find((row) => row.word === word)?.kind;
    expect([kindOf('hill'), kindOf('mill'), kindOf('driver')]).to.deep.equal(['noun', 'name', 'verb']);
    study.decide({ kind: 'setWordKind', words: ['driver', 'nadia'], as: null });
    expect(study.compute('candidates').keys).to.include.members(['driver', 'Nadia']);
  });

  it('of the published stop list are let back in one by one', () => {
    const study = exampleStudy([{ name: 'a', text: 'The place is a place. A place for people.' }]);
    expect(study.compute('candidates').keys).not.to.include('place');
    study.decide({ kind: 'allowWords', words: ['place'] });
    expect(study.compute('candidates').keys).to.include('place');
    study.decide({ kind: 'addStopWords', words: ['Place'] });
    expect(study.compute('candidates').keys).not.to.include('place');
  });
});
