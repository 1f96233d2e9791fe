import { inShownOrder, shownRanks } from '../../src/study/subset.ts';
import { LANGUAGE_OF } from '../../src/languages/languages.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { readTerms } from '../../src/concepts/terms.ts';
import { branchesOf, openBranches, type Branches, type OpenFork } from '../../src/reading/branches.ts';
import { orderOfLines } from '../../src/reading/concordance.ts';
import { hitsIn, passagesOfHits, sourcesOfHits, type Hits } from '../../src/reading/hits.ts';
import { findHits, readQuery, SearchError } from '../../src/reading/search.ts';
import { unknownParts } from '../../src/text/words/parts-of-speech.ts';
import { sentenceOfTokens, type Tokens } from '../../src/text/tokens.ts';
import { asking, englishLexicon, englishWords, englishParts, exampleStudy, tokensOf } from '../examples.ts';

/** The words of each hit, and the tokens, of a search in some texts. */
function search(typed: string, ...texts: string[]): string[] {
  const tokens = tokensOf(...texts);
  const parts = englishParts(tokens);
  const terms = readTerms(tokens, parts, englishWords(), 'lemma', LANGUAGE_OF.en);
  const hits = findHits(readQuery(typed), tokens, terms, sentenceOfTokens(tokens), englishLexicon());
  return wordsOfHits(tokens, hits);
}
function wordsOfHits(tokens: Tokens, hits: Hits): string[] {
  return Array.from(hits.first, (first, i) =>
    Array.from(tokens.type.subarray(first, hits.end[i]), (type) => tokens.forms[type]).join(' '),
  );
}

describe('a search', () => {
  const TEXT = 'She runs home. He ran. Running is fun, and the run was long. The runner rested.';
  it('finds all forms of a word, and only those typed in quotation marks', () => {
    expect(search('run', TEXT)).to.include.members(['runs', 'ran', 'run']).and.not.include('runner');
    expect(search('ran', TEXT)).to.include.members(['runs', 'ran', 'run']);
    expect(search('"run"', TEXT)).to.deep.equal(['run']);
    expect(search('RUN*', TEXT)).to.deep.equal(['runs', 'running', 'run', 'runner']);
    expect(search('*ing', TEXT)).to.deep.equal(['running']);
    expect(search('zebra', TEXT)).to.deep.equal([]);
    expect(search('', TEXT)).to.deep.equal([]);
  });

  it('finds phrases within a sentence, in any script', () => {
    expect(search('night bus', 'The night bus. Nights, buses. Night. Bus. Two night buses.')).to.deep.equal([
      'night bus',
      'nights buses',
      'night buses',
    ]);
    expect(search('"night bus"', 'The night bus. Two night buses.')).to.deep.equal(['night bus']);
    expect(search('夜のバス', '夜のバスは遅い。')).to.have.length(1);
    expect(search('café', 'Cafe, café, Café.')).to.deep.equal(['café', 'café']);
  });

  it('finds words near each other', () => {
    const text =
      'Rain fell on the old shelter. The bus came. Rain again, far from any place with a roof, no shelter.';
    // The second rain is as near the first shelter as it is to the other words between.
    expect(search('rain near5 shelter', text)).to.deep.equal(['rain', 'shelter', 'rain']);
    expect(search('rain near20 shelter', text)).to.deep.equal(['rain', 'shelter', 'rain', 'shelter']);
    expect(search('shelter near5 rain', text)).to.deep.equal(['rain', 'shelter', 'rain']);
    expect(search('rain near2 shelter', text)).to.deep.equal([]);
    expect(search('rain near shelter', 'Rain.', 'Shelter.'), 'never across sources').to.deep.equal([]);
  });

  it('is the same as looking at every word', () => {
    const word = fc.constantFrom('a', 'b', 'c', 'd');
    fc.assert(
      fc.property(
        fc.array(fc.array(word, { maxLength: 12 }), { minLength: 1, maxLength: 3 }),
        word,
        word,
        fc.integer({ min: 1, max: 4 }),
        (sources, x, y, near) => {
          const tokens = tokensOf(...sources.map((words) => words.join(' ')));
          const terms = readTerms(tokens, unknownParts(tokens), englishWords(), 'form', LANGUAGE_OF.en);
          const hits = findHits(
            readQuery(`"${x}" near${near} "${y}"`),
            tokens,
            terms,
            sentenceOfTokens(tokens),
          );
          const expected: number[] = [];
          let offset = 0;
          for (const words of sources) {
            const kept = new Set<number>();
            words.forEach((one, i) =>
              words.forEach((other, j) => {
                if (i !== j && one === x && other === y && Math.abs(i - j) <= near + 1) kept.add(i).add(j);
              }),
            );
            expected.push(...[...kept].sort((p, q) => p - q).map((place) => place + offset));
            offset += words.length;
          }
          expect([...hits.first]).to.deep.equal(expected);
        },
      ),
    );
  });

  it('says what is wrong with what was typed', () => {
    expect(() => readQuery('*')).to.throw(SearchError, /letters of a word/);
    expect(() =>
      readQuery('a near b near c near d near e near f near g near h near i near j near k near l near m'),
    ).to.throw(/12 words/);
  });
});

describe('places', () => {
  const texts = ['One bus came. Two buses left.\n\nNo bus here. End.', 'A bus. Rain. Rain. A bus.'];
  const tokens = tokensOf(...texts);
  const bus = tokens.forms.indexOf('bus');
  const at = Array.from(tokens.type.keys()).filter((t) => tokens.type[t] === bus);
  const hits: Hits = { first: Int32Array.from(at), end: Int32Array.from(at, (t) => t + 1) };

  it('are read with the sentences beside them, once each', () => {
    expect([...sourcesOfHits(tokens, hits)]).to.deep.equal([0, 0, 1, 1]);
    const { passages, total } = passagesOfHits(tokens, hits, 10);
    expect(total).to.equal(4);
    expect(passages.map(({ source, start, end }) => texts[source].slice(start, end))).to.deep.equal([
      'One bus came. Two buses left.',
      'No bus here. End.',
      'A bus. Rain.',
      'Rain. A bus.',
    ]);
    expect(passages.reduce((sum, { windows }) => sum + windows, 0)).to.equal(4);
    expect(hitsIn(tokens, hits, (source) => source === 1).first).to.have.length(2);
  });
});

describe('a concordance', () => {
  const tokens = tokensOf('The bus was late. A bus came late. The bus was full.', 'bus');
  const at = Array.from(tokens.type.keys()).filter((t) => tokens.forms[tokens.type[t]] === 'bus');
  const hits: Hits = { first: Int32Array.from(at), end: Int32Array.from(at, (t) => t + 1) };
  it('is sorted by the words to the right or left, the nearest first', () => {
    expect([...orderOfLines(tokens, hits, 'text')]).to.deep.equal([0, 1, 2, 3]);
    // right: "was late a …", "came …", "was full", and nothing at the end of a source, which comes first
    expect([...orderOfLines(tokens, hits, 'right')]).to.deep.equal([3, 1, 2, 0]);
    // left: "the" at the beginning, "a late", "the late", nothing
    expect([...orderOfLines(tokens, hits, 'left')]).to.deep.equal([3, 1, 0, 2]);
  });
});

describe('branches', () => {
  const tokens = tokensOf('The bus was late. The bus was full. The bus came. The bus. No bus was late.');
  const at = Array.from(tokens.type.keys()).filter((t) => tokens.forms[tokens.type[t]] === 'bus');
  const hits: Hits = { first: Int32Array.from(at), end: Int32Array.from(at, (t) => t + 1) };
  const sentences = sentenceOfTokens(tokens);
  it('join common beginnings, within sentences, after and before', () => {
    const after = branchesOf(tokens, hits, sentences, { direction: 'after', path: [] });
    expect(after).to.deep.equal({
      count: 5,
      ending: 1,
      branches: [
        { words: ['was'], count: 3, next: 2 },
        { words: ['came'], count: 1, next: 0 },
      ],
    });
    expect(
      branchesOf(tokens, hits, sentences, { direction: 'after', path: ['was'] }).branches.map(
        ({ words, count }) => [words[0], count],
      ),
    ).to.deep.equal([
      ['late', 2],
      ['full', 1],
    ]);
    expect(
      branchesOf(tokens, hits, sentences, { direction: 'before', path: [] }).branches.map(
        ({ words, count }) => [words[0], count],
      ),
    ).to.deep.equal([
      ['the', 4],
      ['no', 1],
    ]);
    expect(branchesOf(tokens, hits, sentences, { direction: 'after', path: ['never'] })).to.deep.equal({
      count: 0,
      ending: 0,
      branches: [],
    });
  });
  it('of words that always come together are one', () => {
    const same = tokensOf('Bus to the old mill. Bus to the old mill.');
    const both: Hits = { first: Int32Array.of(0, 5), end: Int32Array.of(1, 6) };
    expect(
      branchesOf(same, both, sentenceOfTokens(same), { direction: 'after', path: [] }).branches,
    ).to.deep.equal([{ words: ['to', 'the', 'old', 'mill'], count: 2, next: 0 }]);
  });
  it('of function words are joined to what follows them', () => {
    const some = tokensOf('Bus to the mill. Bus to the harbour today. Bus to town. Bus to the.');
    const first = Int32Array.from(
      Array.from(some.type.keys()).filter((t) => some.forms[some.type[t]] === 'bus'),
    );
    const buses: Hits = { first, end: first.map((t) => t + 1) };
    const options = { direction: 'after', path: [], functionWords: new Set(['to', 'the']) } as const;
    expect(branchesOf(some, buses, sentenceOfTokens(some), options)).to.deep.equal({
      count: 4,
      ending: 0,
      branches: [
        { words: ['to', 'the'], count: 1, next: 0 },
        { words: ['to', 'the', 'harbour', 'today'], count: 1, next: 0 },
        { words: ['to', 'the', 'mill'], count: 1, next: 0 },
        { words: ['to', 'town'], count: 1, next: 0 },
      ],
    });
    // A path may end within what is joined.
    const along = branchesOf(some, buses, sentenceOfTokens(some), { ...options, path: ['to', 'the'] });
    expect([along.count, along.ending]).to.deep.equal([3, 1]);
  });
  it('are open from the start as far as there is room, and hold what a fork of theirs holds', () => {
    const words = fc.array(fc.constantFrom('was', 'late', 'full', 'again', 'and'), { maxLength: 4 });
    fc.assert(
      fc.property(fc.array(words, { minLength: 1, maxLength: 30 }), fc.nat(40), (sentencesSaid, lines) => {
        const said = tokensOf(sentencesSaid.map((each) => `Bus ${each.join(' ')}.`).join(' '));
        const first = Int32Array.from(
          Array.from(said.type.keys()).filter((t) => said.forms[said.type[t]] === 'bus'),
        );
        const here: Hits = { first, end: first.map((t) => t + 1) };
        const sentenceAt = sentenceOfTokens(said);
        const branchesAt = (path: readonly string[]): Branches =>
          branchesOf(said, here, sentenceAt, { direction: 'after', path, functionWords: new Set(['and']) });
        let shown = 0;
        const check = (fork: OpenFork, path: readonly string[]): void => {
          expect(fork.branches.map(({ inner: _, ...branch }) => branch)).to.deep.equal(
            branchesAt(path).branches,
          );
          const inThis = fork.branches.reduce((sum, { count }) => sum + count, fork.ending);
          expect(inThis).to.equal(fork.count);
          shown += (fork.ending > 0 ? 1 : 0) + (fork.branches.length > fork.shown ? 1 : 0);
          fork.branches.forEach(({ inner, words: next, count }, i) => {
            if (inner) {
              expect(inner.count).to.equal(count);
              check(inner, [...path, ...next]);
            } else if (i < fork.shown) shown++;
          });
        };
        const whole = openBranches([], lines, branchesAt);
        check(whole, []);
        if (whole.branches.some(({ inner }) => inner)) expect(shown).to.be.at.most(lines);
      }),
    );
  });
});

describe('views of the original words', () => {
  const study = exampleStudy([
    {
      name: 'a',
      text: 'The bus was late. Rain fell on the shelter. The bus left.',
      attributes: { role: 'nurse' },
    },
    { name: 'b', text: 'A shelter, a bench, and rain. The driver was kind.', attributes: { role: 'driver' } },
  ]);
  study.decide({
    kind: 'setConcepts',
    change: { minimumMentions: 2, minimumSources: 1, maximumSourceShare: 1 },
  });
  const ask = asking(study);
  it('count the same places everywhere', () => {
    const selection = { kind: 'search', query: 'rain' } as const;
    const passages = ask('passages', { selection, limit: 10 });
    expect(passages).to.include({ unit: 'place', windows: 2, sources: 2, title: '“rain”' });
    const lines = ask('concordance', { selection, order: 'text', context: 12, limit: 10, group: null });
    expect(lines.total).to.equal(2);
    expect(lines.lines[0]).to.include({ left: 's was late. ', hit: 'Rain', right: ' fell on the' });
    expect(
      ask('concordance', {
        selection,
        order: 'text',
        context: 12,
        limit: 10,
        group: { attribute: 'role', value: 'driver' },
      }).total,
    ).to.equal(1);
    const { rows, sourceStarts } = ask('dispersion', {
      selections: [selection, { kind: 'search', query: 'bus' }],
    });
    const order = inShownOrder(shownRanks(study.state));
    expect(rows.map(({ total, perSource }) => [total, order.map((s) => perSource[s])])).to.deep.equal([
      [2, [1, 1]],
      [2, [2, 0]],
    ]);
    expect(sourceStarts[0]).to.equal(0);
    expect(rows[0].places[1].at).to.be.above(sourceStarts[1]);
    expect(
      ask('branches', {
        selection: { kind: 'search', query: 'bus' },
        direction: 'after',
        path: [],
        lines: 0,
      }).branches.map(({ words }) => words[0]),
    ).to.deep.equal(['left', 'was']);
    expect(ask('source', { sourceId: study.state.sources[1].id, selection, at: -1 }).marks).to.have.length(1);
    expect(ask('passages', { selection: { kind: 'search', query: '*' }, limit: 1 }).fault).to.match(
      /letters/,
    );
  });
  it('of a candidate that is no concept show its mentions all the same', () => {
    study.decide({ kind: 'dropConcepts', keys: ['bus'] });
    const passages = ask('passages', { selection: { kind: 'concept', key: 'bus' }, limit: 10 });
    expect(passages).to.include({ unit: 'place', windows: 2 });
  });
});

describe('what follows a selection', () => {
  const study = exampleStudy([
    { name: 'a', text: 'The bus was late. The bus was full. The buses were late.' },
  ]);
  study.decide({
    kind: 'setConcepts',
    change: { minimumMentions: 1, minimumSources: 1, maximumSourceShare: 1 },
  });
  it('has passages as many as its branch says, each with the words marked', () => {
    const ask = asking(study);
    const of = { kind: 'search', query: 'bus' } as const;
    const { branches } = ask('branches', { selection: of, direction: 'after', path: [], lines: 0 });
    for (const { words, count } of branches) {
      const selection = { kind: 'following', of, direction: 'after', words } as const;
      const { windows, rows } = ask('passages', { selection, limit: 10 });
      expect(windows, words.join(' ')).to.equal(count);
      const [{ text, start, marks }] = rows;
      expect(text.slice(marks[0].start - start, marks[0].end - start).toLowerCase()).to.match(
        new RegExp(`^bus(?:es)? ${words.join(' ')}$`),
      );
    }
  });
});
