import { expect } from 'chai';
import fc from 'fast-check';
import { Interner } from '../../src/text/interner.ts';
import { findBoundaries, findTurnLabels } from '../../src/text/boundaries.ts';
import { wordsOf } from '../../src/text/scan.ts';
import {
  lemmaOf,
  NOUN,
  VERB,
  ADJECTIVE,
  clearPart,
  likeliestPart,
  sensesOfForm,
  shareAs,
  type Senses,
} from '../../src/languages/en/lexicon.ts';
import { lemmaInStudy } from '../../src/languages/en/lemmas.ts';
import { finish } from '../../src/base/stepwise.ts';
import { findSpeakers } from '../../src/text/speakers.ts';
import { readTokens } from '../../src/text/tokens.ts';
import { englishLexicon, englishParts, ONLY_CASE, textsOf, tokensOf } from '../examples.ts';

const sentences = (text: string): string[] => {
  const { start, end } = findBoundaries(text);
  return Array.from(start, (from, i) => text.slice(from, end[i]));
};

describe('tokens', () => {
  it('keep inner apostrophes and hyphens, initialisms, and any script', () => {
    expect(wordsOf("It's the driver’s night-bus – a U.K. first!")).to.deep.equal([
      "It's",
      'the',
      'driver’s',
      'night-bus',
      'a',
      'U.K.',
      'first',
    ]);
    expect(wordsOf('naïve Straße Ελλάδα שלום')).to.deep.equal(['naïve', 'Straße', 'Ελλάδα', 'שלום']);
    expect(wordsOf("'quoted' -dash- end-")).to.deep.equal(['quoted', 'dash', 'end']);
  });

  it('are whole for addresses, handles, hashtags and emoji', () => {
    expect(wordsOf('at https://a.example/b?c=1. ask @bus #late me@x.example 🚌')).to.deep.equal([
      'at',
      'https://a.example/b?c=1',
      'ask',
      '@bus',
      '#late',
      'me@x.example',
      '🚌',
    ]);
    const joined = ['👩🏽‍🚒', '🏴󠁧󠁢󠁳󠁣󠁴󠁿', '🇳🇴', '❤️', '☎'];
    expect(wordsOf(`so ${joined.join(' ')} ${joined.join('')} there`)).to.deep.equal([
      'so',
      ...joined,
      ...joined,
      'there',
    ]);
  });

  it('of a list are numbers and letters, no initialisms', () => {
    expect(wordsOf('3.a. The fare')).to.deep.equal(['3', 'a', 'The', 'fare']);
  });

  it('of scripts without spaces are split into words', () => {
    expect(wordsOf('夜のバス').length).to.be.above(1);
    expect(wordsOf('夜のバス').join('')).to.equal('夜のバス');
  });

  it('point at the very words of the original', () => {
    const text = 'Interviewer: Cold?\n\nDriver: Very COLD. “Colder than 1987,” she said.\n\nInterviewer: Ah.';
    const tokens = tokensOf(text);
    const said = Array.from(tokens.type, (_, t) => text.slice(tokens.start[t], tokens.end[t]));
    expect(said).to.deep.equal(['Cold', 'Very', 'COLD', 'Colder', 'than', '1987', 'she', 'said', 'Ah']);
    expect(Array.from(tokens.sentenceParagraph)).to.deep.equal([1, 2, 2, 3]);
    expect(Array.from(tokens.sentenceTurn)).to.deep.equal([1, 2, 2, 3]);
  });
});

describe('interning', () => {
  it('numbers pieces as a Map would, over any growth', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ maxLength: 3 }), { maxLength: 60 }), (pieces) => {
        const interner = new Interner();
        const known = new Map<string, number>();
        for (const piece of pieces) {
          if (!known.has(piece)) known.set(piece, known.size);
          expect(interner.intern(`<${piece}>`, 1, 1 + piece.length)).to.equal(known.get(piece));
        }
        expect(interner.forms).to.deep.equal([...known.keys()]);
      }),
    );
    const many = new Interner();
    for (let i = 0; i < 40_000; i++) expect(many.intern(String(i), 0, String(i).length)).to.equal(i);
    expect(many.intern('39999', 0, 5)).to.equal(39_999);
  });
});

describe('sentences', () => {
  it('end at marks, not at abbreviations, initials, decimals or list numbers', () => {
    expect(sentences('Dr. Smith paid 2.50 to J. Doe. She left. Was it late? No! Well… yes.')).to.deep.equal([
      'Dr. Smith paid 2.50 to J. Doe.',
      'She left.',
      'Was it late?',
      'No!',
      'Well… yes.',
    ]);
    expect(sentences('1. First thing. 2nd.')).to.deep.equal(['1. First thing.', '2nd.']);
    expect(sentences('He said “Go.” Then he went.')).to.deep.equal(['He said “Go.”', 'Then he went.']);
    expect(sentences('It was me and I. Then rain.')).to.deep.equal(['It was me and I.', 'Then rain.']);
  });

  it('end with their paragraph, and a wrapped line goes on', () => {
    expect(sentences('A line\nthat goes on\n\nAnother')).to.deep.equal(['A line\nthat goes on', 'Another']);
  });

  it('take long lines for paragraphs where there are no blank ones', () => {
    const line = 'word '.repeat(40).trim();
    const { paragraph } = findBoundaries(`${line}\n${line}\n${line}`);
    expect(Array.from(paragraph)).to.deep.equal([1, 2, 3]);
  });
});

describe('a long text without end marks', () => {
  it('is parted in a moment, however many blocks it has', () => {
    const { start } = findBoundaries('a line of a list\n\n'.repeat(60_000));
    expect(start.length).to.equal(60_000);
  });
});

describe('turns', () => {
  it('begin with a repeated label, whose words nobody said', () => {
    const text = 'Interviewer: One?\nDriver: Two.\nInterviewer: Three?';
    expect(findTurnLabels(text).map((label) => label.label)).to.deep.equal([
      'Interviewer',
      'Driver',
      'Interviewer',
    ]);
    expect(sentences(text)).to.deep.equal(['One?', 'Two.', 'Three?']);
    expect(Array.from(findBoundaries(text).turn)).to.deep.equal([1, 2, 3]);
  });

  it('can be left out by who speaks, and everyone is counted', () => {
    const text = 'Interviewer: Cold here?\nDriver: Very cold.\nInterviewer: Really so cold?';
    const tokens = finish(readTokens(textsOf(text), ONLY_CASE, new Set(['Interviewer'])));
    expect(Array.from(tokens.type, (type) => tokens.forms[type])).to.deep.equal(['very', 'cold']);
    expect(Array.from(tokens.sentenceTurn)).to.deep.equal([2]);
    expect(finish(findSpeakers([text, 'No one speaks.']))).to.deep.equal([
      { label: 'Interviewer', turns: 2, words: 5, sources: 1 },
      { label: 'Driver', turns: 1, words: 2, sources: 1 },
    ]);
  });

  it('are not seen in a note with a colon', () => {
    expect(findTurnLabels('Note: bring a coat.\nThe list: one, two.')).to.deep.equal([]);
  });

  it('are found in other notations where these stand often and evenly enough', () => {
    const written = (line: (name: string, said: string, second: number) => string): string =>
      ['Anna', 'P1', 'Anna', 'P1', 'Anna', 'P1']
        .map((name, i) => line(name, `We waited ${i} hours. Then it came.`, 10 + i))
        .join('\n');
    for (const [what, line] of [
      ['a name with its time, speech on the next line', (n, s, t) => `${n}  00:${t}\n${s}\n`],
      ['a name with its time in brackets', (n, s, t) => `${n} (01:02:${t})\n${s}`],
      ['a time with the name', (n, s, t) => `00:${t} ${n}\n${s}`],
      ['bold with a colon', (n, s) => `**${n}:** ${s}`],
      ['bold on its own line', (n, s) => `**${n}**\n${s}\n`],
      ['angle brackets', (n, s) => `<${n}> ${s}`],
      ['times in hash marks', (n, s, t) => `#00:01:${t}-1# ${n}: ${s}`],
      ['a dash', (n, s) => `${n} - ${s}`],
    ] as readonly [string, Parameters<typeof written>[0]][]) {
      const text = written(line);
      expect(
        findTurnLabels(text).map(({ label }) => label),
        what,
      ).to.deep.equal(['Anna', 'P1', 'Anna', 'P1', 'Anna', 'P1']);
      const { start, end, turn } = findBoundaries(text);
      expect(
        Array.from(start, (from, s) => `${turn[s]} ${text.slice(from, end[s]).trim()}`).slice(0, 3),
        what,
      ).to.deep.equal(['1 We waited 0 hours.', '1 Then it came.', '2 We waited 1 hours.']);
    }
    for (const text of [
      'Oslo - a town\nBergen - a town\nMoss - a town\nOslo - again',
      'It was **Very** late. **Very** late.',
      '**Buses**\nOne.\n**Trams**\nTwo.\n**Trains**\nThree.',
      'Monday 08:00\nTuesday 09:00\nFriday 10:00',
      'The train - Anna said - was late.\nIt was cold.\nAnna - as ever - waited.\nWe left.',
    ])
      expect(findTurnLabels(text), text).to.deep.equal([]);
  });
});

describe('lemmas and parts of speech', () => {
  const lexicon = englishLexicon();

  it('are words, by part of speech', () => {
    expect(lemmaOf(lexicon, 'buses', NOUN)).to.equal('bus');
    expect(lemmaOf(lexicon, 'children', NOUN)).to.equal('child');
    expect(lemmaOf(lexicon, 'waiting', VERB)).to.equal('wait');
    expect(lemmaOf(lexicon, 'drove', VERB)).to.equal('drive');
    expect(lemmaOf(lexicon, 'colder', ADJECTIVE)).to.equal('cold');
    expect(lemmaOf(lexicon, 'glass', NOUN)).to.equal('glass');
    expect(lemmaOf(lexicon, 'xyzzy', NOUN)).to.equal(undefined);
  });

  it('of unknown words lose an ending only where the study has the word without it', () => {
    expect(lemmaInStudy(lexicon, 'zorgles', NOUN, (form) => form === 'zorgle')).to.equal('zorgle');
    expect(lemmaInStudy(lexicon, 'zorgles', NOUN, () => false)).to.equal('zorgles');
    expect(lemmaInStudy(lexicon, 'driver’s', NOUN, () => false)).to.equal('driver');
  });

  it('come from the lexicon where it is clear and are left open where it is not', () => {
    expect(clearPart(sensesOfForm(lexicon, 'driver'))).to.equal(NOUN);
    expect(clearPart(sensesOfForm(lexicon, 'fare'))).to.equal(-1);
  });

  it('are counted by what a form was met as', () => {
    // Senses: noun, verb, adjective, other; −1 where the word is none.
    const none: Senses = [-1, -1, -1, -1];
    expect(clearPart(none)).to.equal(-1);
    expect(likeliestPart(none)).to.equal(NOUN);
    expect(shareAs(none, NOUN)).to.equal(0);
    expect(clearPart([-1, 0, -1, -1])).to.equal(VERB);
    expect(clearPart([0, -1, 0, -1])).to.equal(-1);
    expect(clearPart([121, 2, -1, -1])).to.equal(NOUN);
    expect(clearPart([120, 2, -1, -1])).to.equal(-1);
    expect(clearPart([11, 0, -1, -1])).to.equal(-1);
    expect(likeliestPart([3, 5, 2, -1])).to.equal(VERB);
    expect(shareAs([3, 5, 2, -1], ADJECTIVE)).to.equal(0.2);
    expect(shareAs([-1, 5, -1, -1], NOUN)).to.equal(0);
  });

  it('agree with the sentence where the lexicon is open', () => {
    const text = 'The fare is high. A fare costs two pounds. We wait here. They wait there. I wait now.';
    const tokens = tokensOf(text);
    const parts = englishParts(tokens);
    const partOf = (form: string): number => parts.part[tokens.forms.indexOf(form)];
    expect(partOf('fare')).to.equal(NOUN);
    expect(partOf('wait')).to.equal(VERB);
    expect(parts.nounAtTimes[tokens.forms.indexOf('fare')]).to.equal(1);
  });
});
