import { expect } from 'chai';
import fc from 'fast-check';
import type { Concepts } from '../../src/concepts/selection.ts';
import { countTogether } from '../../src/network/counts.ts';
import { layWindows, type WindowUnit } from '../../src/network/windows.ts';
import { firstAtLeast } from '../../src/base/order.ts';
import { findPassages, findWindows, marksInSource } from '../../src/reading/passages.ts';
import { tokensOf } from '../examples.ts';

const KEYS = ['rain', 'bus', 'cold'];

function prepare(texts: readonly string[], unit: WindowUnit = 'sentences', size = 2) {
  const tokens = tokensOf(...texts);
  const occurrence: number[] = [];
  const first: number[] = [];
  tokens.type.forEach((type, t) => {
    const concept = KEYS.indexOf(tokens.forms[type]);
    if (concept < 0) return;
    occurrence.push(concept);
    first.push(t);
  });
  const concepts: Concepts = {
    keys: KEYS,
    written: KEYS,
    candidate: new Int32Array(3),
    mentions: new Int32Array(3),
    sources: new Int32Array(KEYS.length),
    occurrence: Int32Array.from(occurrence),
    occurrenceFirst: Int32Array.from(first),
    occurrenceEnd: Int32Array.from(first, (t) => t + 1),
  };
  const windows = layWindows(tokens, { unit, size, acrossParagraphs: false });
  return { tokens, concepts, windows, counts: countTogether(concepts, windows) };
}

const passagesOf = (texts: readonly string[], asked: readonly number[], unit?: WindowUnit, size?: number) => {
  const { tokens, concepts, counts, windows } = prepare(texts, unit, size);
  return findPassages({ tokens, concepts, counts, windows }, { kind: 'concepts', concepts: asked });
};

describe('passages', () => {
  it('join windows that overlap, and keep their count', () => {
    const text = 'Rain and bus. Bus again. Nothing here. Nor here. Rain. A bus.';
    const found = passagesOf([text], [0, 1]);
    // Windows of two sentences: 1–2 and 5–6 have both; 2–3, 3–4 and 4–5 do not.
    expect(found).to.include({ windows: 2, total: 2, sources: 1 });
    expect(found.passages.map((passage) => text.slice(passage.start, passage.end))).to.deep.equal([
      'Rain and bus. Bus again.',
      'Rain. A bus.',
    ]);
    expect(found.passages[0].marks.map((mark) => text.slice(mark.start, mark.end))).to.deep.equal([
      'Rain',
      'bus',
      'Bus',
    ]);
  });

  it('are one where windows slide over the same place', () => {
    const found = passagesOf(['Rain. Rain. Rain. Rain.'], [0]);
    expect(found).to.include({ windows: 3, total: 1 });
    expect(found.passages[0].windows).to.equal(3);
  });

  it('know their paragraph and source', () => {
    const found = passagesOf(['First.\n\nSecond has rain.', 'Rain too.'], [0]);
    expect(found.passages.map(({ source, paragraph }) => [source, paragraph])).to.deep.equal([
      [0, 2],
      [1, 1],
    ]);
    expect(Array.from(found.windowsPerSource)).to.deep.equal([1, 1]);
  });

  it('of a very long window show what stands round the first mark', () => {
    const text = `${'Nothing here. '.repeat(30)}Rain at last. ${'Nothing more. '.repeat(30)}`;
    const found = passagesOf([text], [0], 'source');
    expect(found.windows).to.equal(1);
    expect(found.passages[0].shortened).to.equal(true);
    const shown = text.slice(found.passages[0].start, found.passages[0].end);
    expect(shown).to.match(/^Nothing here\. Rain at last\./);
    expect(shown.length).to.be.below(150);
  });

  it('of a theme need as many of its concepts as it takes, in the sources asked for', () => {
    const { counts, windows } = prepare(['Rain and bus.', 'Rain and cold.', 'Rain.']);
    const query = { kind: 'theme', concepts: [0, 1, 2], fewest: 2 } as const;
    expect(findWindows(counts, windows, query)).to.deep.equal([0, 1]);
    expect(findWindows(counts, windows, { ...query, sources: new Set([1, 2]) })).to.deep.equal([1]);
    expect(findWindows(counts, windows, { ...query, fewest: 1 })).to.deep.equal([0, 1, 2]);
    expect(findWindows(counts, windows, { kind: 'concepts', concepts: [] })).to.deep.equal([]);
  });

  it('put those with most different concepts first where asked', () => {
    const { tokens, concepts, counts, windows } = prepare(['Rain. Rain.', 'Rain, bus and cold.']);
    const query = { kind: 'theme', concepts: [0, 1, 2], fewest: 1 } as const;
    const found = findPassages({ tokens, concepts, counts, windows }, query, { order: 'marks', limit: 1 });
    expect(found.total).to.equal(2);
    expect(found.passages.map((passage) => passage.source)).to.deep.equal([1]);
  });

  it('hold every mark of the source, and windows agree with brute force', () => {
    const sentence = fc.array(fc.constantFrom('rain', 'bus', 'cold', 'x', 'y'), {
      minLength: 1,
      maxLength: 4,
    });
    const texts = fc.array(fc.array(sentence, { minLength: 1, maxLength: 6 }), {
      minLength: 1,
      maxLength: 3,
    });
    fc.assert(
      fc.property(
        texts,
        fc.integer({ min: 1, max: 4 }),
        fc.subarray([0, 1, 2], { minLength: 1 }),
        (sources, size, asked) => {
          const originals = sources.map((sentences) =>
            sentences.map((words) => `Z ${words.join(' ')}.`).join(' '),
          );
          const { tokens, concepts, counts, windows } = prepare(originals, 'sentences', size);
          const found = findPassages(
            { tokens, concepts, counts, windows },
            { kind: 'concepts', concepts: asked },
            { limit: 1000 },
          );
          let expected = 0;
          for (const sentences of sources) {
            const span = Math.min(size, sentences.length);
            for (let s = 0; s + span <= sentences.length; s++) {
              const held = new Set<string>(sentences.slice(s, s + span).flat());
              if (asked.every((concept) => held.has(KEYS[concept]))) expected++;
            }
          }
          expect(found.windows).to.equal(expected);
          expect(found.passages.reduce((sum, passage) => sum + passage.windows, 0)).to.equal(expected);
          for (let i = 1; i < found.passages.length; i++) {
            const [before, after] = [found.passages[i - 1], found.passages[i]];
            expect(after.source > before.source || after.start >= before.end).to.equal(true);
          }
          const inSources = originals.map((_, s) => marksInSource(tokens, concepts, s, new Set(asked)));
          inSources.forEach((marks, s) => {
            const said = marks.map((mark) => originals[s].slice(mark.start, mark.end));
            const words = sources[s].flat().filter((word) => asked.some((concept) => KEYS[concept] === word));
            expect(said).to.deep.equal(words);
          });
        },
      ),
      { numRuns: 150 },
    );
  });
});

describe('looking up a sorted list', () => {
  it('finds the first that is large enough', () => {
    expect(firstAtLeast([1, 3, 3, 7], 3)).to.equal(1);
    expect(firstAtLeast([1, 3, 3, 7], 8)).to.equal(4);
    expect(firstAtLeast([], 1)).to.equal(0);
  });
});
