import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';
import { inOneStep } from '../../src/base/stepwise.ts';
import { languagesOf } from '../../src/languages/detect.ts';
import { knownBy } from '../../src/languages/known-by.ts';
import { languageAttribute, languageCalled, toldLanguages } from '../../src/study/told-languages.ts';
import { cuedKnowledge } from '../../src/text/words/word-knowledge.ts';
import { onlyIn, wordLanguages } from '../../src/text/words/word-languages.ts';
import { asking, englishWords, exampleStudy, tokensOf } from '../examples.ts';

const dictionary = (name: string): string =>
  readFileSync(new URL(`../../lexicon/${name}.txt`, import.meta.url), 'utf8');
const words = knownBy({
  ...cuedKnowledge((name, make) => inOneStep(() => make(name && dictionary(name)))),
  en: () => inOneStep(englishWords),
});

const ENGLISH =
  'I was at the bus stop and it was raining, but we had to wait for the night bus. The driver of it is so kind to my mother that we are glad.';
const GERMAN =
  'Ich war an der Haltestelle und es war nass, aber wir mussten auf den Nachtbus warten. Der Fahrer ist so freundlich zu meiner Mutter, dass wir froh sind.';
const FRENCH =
  'Je suis à la gare et il pleut, mais nous attendons le bus de nuit. Le chauffeur est avec ma mère et je ne sais pas où il va.';

const readOf = (texts: readonly string[], told: Parameters<typeof languagesOf>[1] = []) => {
  const tokens = tokensOf(...texts);
  return { tokens, found: wordLanguages(tokens, languagesOf(texts, told)) };
};
const languageOfForm = ({ tokens, found }: ReturnType<typeof readOf>, form: string): string =>
  found.all[found.ofType[tokens.forms.indexOf(form)]];

describe('texts of several languages', () => {
  it('are read each in its own, the one of most words first', () => {
    const read = readOf([ENGLISH, GERMAN, GERMAN]);
    expect(read.found.read).to.deep.equal(['de', 'en']);
    expect(languageOfForm(read, 'haltestelle')).to.equal('de');
    expect(languageOfForm(read, 'raining')).to.equal('en');
    // In both, and oftener in German.
    expect(languageOfForm(read, 'so')).to.equal('de');
    expect(read.found.words[0] + read.found.words[1]).to.equal(read.tokens.type.length);
  });

  it('passages of another language in a source are told by their common words', () => {
    const read = readOf([[FRENCH, FRENCH, FRENCH, ENGLISH, FRENCH, ENGLISH, FRENCH].join('\n\n')]);
    expect(read.found.read).to.deep.equal(['fr', 'en']);
    expect(languageOfForm(read, 'gare')).to.equal('fr');
    expect(languageOfForm(read, 'glad')).to.equal('en');
  });

  it('so are sentences of another language in a paragraph', () => {
    const read = readOf([Array.from({ length: 8 }, () => `${FRENCH} ${FRENCH} ${ENGLISH}`).join(' ')]);
    expect(read.found.read).to.deep.equal(['fr', 'en']);
    expect(languageOfForm(read, 'gare')).to.equal('fr');
    expect(languageOfForm(read, 'glad')).to.equal('en');
  });

  it('a quotation makes no language, and one text of one language is as it was', () => {
    const long = Array.from({ length: 20 }, () => ENGLISH).join('\n\n');
    const read = readOf([`${long}\n\nIch war an der Haltestelle und es war nass, aber wir mussten.`]);
    expect(read.found).to.deep.include({ read: ['en'], all: ['en'], alike: [] });
    expect(read.found.ofType.every((place) => place === 0)).to.equal(true);
    expect(onlyIn(read.tokens, read.found, 0)).to.equal(read.tokens);
  });

  it('a few passages have their small words stopped and no dictionary loaded', () => {
    const long = Array.from({ length: 60 }, () => FRENCH).join('\n\n');
    const read = readOf([`${long}\n\n${ENGLISH}\n\n${ENGLISH}`]);
    expect(read.found.read).to.deep.equal(['fr']);
    expect(read.found.all).to.deep.equal(['fr', 'en']);
    expect(languageOfForm(read, 'the')).to.equal('en');
  });

  it('short answers are in whichever of the languages has their small words', () => {
    const read = readOf([ENGLISH, ENGLISH, GERMAN, 'Zu laut und zu kalt', 'Too cold']);
    expect(languageOfForm(read, 'laut')).to.equal('de');
    expect(languageOfForm(read, 'too')).to.equal('en');
  });

  it('what is told goes before what is found', () => {
    const read = readOf([ENGLISH, ENGLISH, GERMAN], [undefined, undefined, 'nl']);
    expect(read.found.read).to.deep.equal(['en', 'nl']);
    expect(languageOfForm(read, 'haltestelle')).to.equal('nl');
    for (const [word, code] of [
      ['German', 'de'],
      [' deutsch ', 'de'],
      ['FR', 'fr'],
      ['français', 'fr'],
      ['constructor', undefined],
      ['', undefined],
    ] as const)
      expect(languageCalled(word), word).to.equal(code);
    const source = (attributes: Record<string, string>) => ({ attributes }) as never;
    const sources = [source({ role: 'driver' }), source({ Sprache: 'Deutsch' }), source({ Sprache: '?' })];
    expect(languageAttribute(sources)).to.equal('Sprache');
    expect(toldLanguages(sources)).to.deep.equal([undefined, 'de', undefined]);
    expect(toldLanguages([source({ role: 'driver' })])).to.deep.equal([]);
  });

  it('half of the interviews in German, half in English: themes of each, no function word of either', function () {
    this.timeout(120_000);
    const texts = (folder: string, from: number, count: number) => {
      const base = new URL(`../../../demo/${folder}/`, import.meta.url);
      const names = readdirSync(base).filter((name) => name.endsWith('.txt'));
      return names
        .slice(from, from + count)
        .map((name) => ({ name, text: readFileSync(new URL(name, base), 'utf8') }));
    };
    const study = exampleStudy([...texts('nachtbus', 0, 12), ...texts('night-buses', 0, 12)], { words });
    const ask = asking(study, { words });
    const read = ask('languagesRead', null);
    expect([...read.read].sort()).to.deep.equal(['de', 'en']);
    const { rows } = ask('concepts', null);
    const chosen = rows.filter(({ status }) => status === 'chosen').map(({ key }) => key);
    expect(chosen).to.include.members(['Unterstand', 'Schicht', 'driver', 'camera']);
    const small = 'die der und nicht ist the and of was with also man noch but für they'.split(' ');
    expect(chosen.filter((key) => small.includes(key.toLowerCase()))).to.deep.equal([]);
    // Concepts of one language keep each other company: no theme of two or more of each.
    const german = (label: string): boolean => /^\p{Lu}\p{Ll}/u.test(label) && !/\s\p{Lu}/u.test(label);
    const { themes } = ask('themes', null);
    expect(themes.filter(({ concepts }) => concepts.every(({ label }) => german(label)))).not.to.have.length(
      0,
    );
    expect(themes.filter(({ concepts }) => !concepts.some(({ label }) => german(label)))).not.to.have.length(
      0,
    );
    for (const { concepts } of themes) {
      const of = concepts.filter(({ label }) => german(label)).length;
      expect(Math.min(of, concepts.length - of), concepts.map(({ label }) => label).join(', ')).to.be.at.most(
        1,
      );
    }
  });
});
