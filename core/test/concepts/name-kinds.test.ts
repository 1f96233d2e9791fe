import { LANGUAGE_OF } from '../../src/languages/languages.ts';
import { expect } from 'chai';
import { readdir, readFile } from 'node:fs/promises';
import { readCapitals } from '../../src/concepts/capitals.ts';
import { NAME_KINDS, type NameKind } from '../../src/concepts/name-clues.ts';
import { kindsOfNames, type KindOfName } from '../../src/concepts/name-kinds.ts';
import { findNames } from '../../src/concepts/names.ts';
import { stopWordsInForce } from '../../src/concepts/stop-words.ts';
import { readTerms, stoppedTypes } from '../../src/concepts/terms.ts';
import { unknownParts } from '../../src/text/words/parts-of-speech.ts';
import { nameClueText } from '../../src/words/name-clues.ts';
import { asking, englishLexicon, englishWords, exampleStudy, tokensOf } from '../examples.ts';
import { NAMES_IN_SENTENCES } from './names-in-sentences.ts';

function kindsIn(...texts: readonly string[]): Map<string, KindOfName> {
  return kindsSaid({}, ...texts);
}

function kindsSaid(
  said: Readonly<Record<string, NameKind>>,
  ...texts: readonly string[]
): Map<string, KindOfName> {
  const tokens = tokensOf(...texts);
  const terms = readTerms(tokens, unknownParts(tokens), englishWords(), 'form', LANGUAGE_OF.en);
  const stopWords = stopWordsInForce({ language: 'en', own: [] });
  const stopped = stoppedTypes(terms, () => stopWords);
  const lexicon = englishLexicon();
  const names = findNames(tokens, texts, readCapitals(tokens, texts), {
    language: LANGUAGE_OF.en,
    stopped,
    lexicon,
    said: new Map(),
  });
  return new Map(
    kindsOfNames(tokens, names, { lexicon, said }).map((each, name) => [names.labels[name], each]),
  );
}

const kindOf = (text: string, name: string): NameKind | undefined => kindsIn(text).get(name)?.kind;

describe('kinds of names', () => {
  const LETTERS: ReadonlyMap<string, NameKind> = new Map([
    ['p', 'person'],
    ['l', 'place'],
    ['o', 'organisation'],
    ['x', 'other'],
  ]);

  it('are right for nine in ten of a hundred made-up names in sentences', () => {
    const marked = new Map(
      [...NAMES_IN_SENTENCES.matchAll(/\{(?:Mrs? |Dr )?([^|]+)\|([plox])\}/g)].map(([, name, letter]) => [
        name,
        LETTERS.get(letter),
      ]),
    );
    expect(marked.size).to.be.at.least(100);
    const found = kindsIn(NAMES_IN_SENTENCES.replace(/\{([^|]+)\|[plox]\}/g, '$1').trim());
    // A name that is met once, at the start of a sentence, can't be told from a word.
    const met = [...marked].filter(([name]) => found.has(name));
    expect(met.length).to.be.at.least(0.85 * marked.size);
    const wrong = met.filter(([name, kind]) => found.get(name)?.kind !== kind).map(([name]) => name);
    expect(wrong.length, wrong.join(', ')).to.be.at.most(0.1 * met.length);
  });

  it('are told by a name’s own words', () => {
    expect(kindOf('We met on Tallow Street.', 'Tallow Street')).to.equal('place');
    expect(kindOf('We wrote to Larkhaven Council.', 'Larkhaven Council')).to.equal('organisation');
    expect(kindOf('We wrote to the Friends of Mill Hill.', 'Friends of Mill Hill')).to.equal('organisation');
    expect(kindOf('It rained on Margaret Oakes.', 'Margaret Oakes')).to.equal('person');
    expect(kindOf('It rained on Margaret Street.', 'Margaret Street')).to.equal('place');
    expect(kindOf('We went home at Christmas.', 'Christmas')).to.equal('other');
  });

  it('are told by what stands round their mentions, and by how many of them', () => {
    expect(kindOf('We asked Mrs Quillon. I like Quillon.', 'Quillon')).to.equal('person');
    expect(kindOf('I live in Quillon. I like Quillon.', 'Quillon')).to.equal('place');
    expect(kindOf('She works for Quillon. I like Quillon.', 'Quillon')).to.equal('organisation');
    expect(kindOf('I like Quillon.', 'Quillon')).to.equal('other');
    // What ends a sentence stands before nothing.
    expect(kindOf('She came in. Quillon is big. I like Quillon.', 'Quillon')).to.equal('other');
    expect(kindOf('We asked Mr. Quillon. I like Quillon.', 'Quillon')).to.equal('person');
    const mostly = `${'We asked Mrs Quillon. '.repeat(9)}I found it in Quillon.`;
    expect(kindOf(mostly, 'Quillon')).to.equal('person');
  });

  it('say why, the weightiest first, with at how many mentions', () => {
    const kind = kindsIn('I live in Tallow Street. She lives in Tallow Street.').get('Tallow Street');
    expect(kind?.clues.slice(0, 2)).to.deep.equal([
      { clue: 'placeWord', times: 0 },
      { clue: 'in', times: 2 },
    ]);
    expect(kind && nameClueText(kind)).to.equal(
      'one of its words is of a place, as Street is; “in” stands before it (2 times)',
    );
    const untold = kindsIn('I like Quillon.').get('Quillon');
    expect(untold && nameClueText(untold)).to.equal('nothing tells what it is of');
  });

  it('are people where they are who speaks', () => {
    const kinds = kindsIn('QUILLON: It was late.\n\nINT: What did Quillon say?\n\nQUILLON: Nothing at all.');
    expect(kinds.get('Quillon')?.kind).to.equal('person');
  });

  it('are what the researcher says, and what was found is known still', () => {
    const kind = kindsSaid({ Quillon: 'organisation' }, 'I live in Quillon.').get('Quillon');
    expect([kind?.kind, kind?.found]).to.deep.equal(['organisation', 'place']);
    // A name such as an object has by itself is nobody’s decision.
    expect(kindOf('I asked Mrs Constructor and Mrs Constructor.', 'Constructor')).to.equal('person');
  });

  it('are told of the sample’s own names', async () => {
    const folder = new URL('../../../demo/night-buses/', import.meta.url);
    const names = (await readdir(folder)).filter((name) => name.endsWith('.txt')).sort();
    const texts = await Promise.all(names.map((name) => readFile(new URL(name, folder), 'utf8')));
    const kinds = kindsIn(...texts);
    // Judged by hand: God, a cat called Index, a venue called the Undercroft and a poem called My Mother The Dragon go wrong.
    const byHand: Readonly<Record<NameKind, readonly string[]>> = {
      place:
        'Fen End,Mill Hill,Parade Hill,Station Parade,Northgate,Old Mills,Larkhaven,Paris,Mill Street'.split(
          ',',
        ),
      person: ['Gerald', 'Len', 'Geraldine', 'D', 'Cinderella', 'Pip'],
      organisation: ['Harbour Hotel', 'Undercroft'],
      other: 'N1,N2,Christmas,T-shirt,Italian,Teapot,Hallowe’en,God,Index,Mother The Dragon'.split(','),
    };
    const judged = NAME_KINDS.flatMap((kind) => byHand[kind].map((name) => ({ name, kind })));
    expect([...kinds.keys()].map((name) => name.replace("'", '’'))).to.have.members(
      judged.map(({ name }) => name),
    );
    const right = judged.filter(
      ({ name, kind }) => (kinds.get(name) ?? kinds.get(name.replace('’', "'")))?.kind === kind,
    );
    expect(right.length).to.be.at.least(23);
  });

  it('leave out, as a kind, names as concepts', () => {
    const texts = ['Ada sleeps in Mill Hill.', 'We met Ada in Mill Hill.', 'In Mill Hill we rang Ada.'].map(
      (text, i) => ({ name: `${i}.txt`, text }),
    );
    const concepts = (nameKinds: readonly NameKind[]): string[] => {
      const study = exampleStudy(texts);
      study.decide({ kind: 'setConcepts', change: { language: 'en', nameKinds } });
      return asking(study)('concepts', null).rows.map(({ key }) => key);
    };
    expect(concepts(NAME_KINDS)).to.include.members(['Ada', 'Mill Hill']);
    expect(concepts(['place']))
      .to.include('Mill Hill')
      .and.not.include('Ada');
    expect(concepts(['person']))
      .to.include('Ada')
      .and.not.include.members(['Mill Hill', 'hill']);
  });
});
