import { expect } from 'chai';
import fc from 'fast-check';
import type { Concepts } from '../../src/concepts/selection.ts';
import { countTogether } from '../../src/network/counts.ts';
import { buildGraph, connectedParts } from '../../src/network/graph.ts';
import { weighEvidence } from '../../src/network/evidence.ts';
import { seededRandom } from '../../src/numeric/random.ts';
import { findLinks, measuresOf, overlapCorrectedG2 } from '../../src/network/links.ts';
import { cosine, jaccard, logLikelihood, npmi } from '../../src/network/measures.ts';
import { layWindows, type WindowSettings } from '../../src/network/windows.ts';
import type { Tokens } from '../../src/text/tokens.ts';
import { tokensOf } from '../examples.ts';

/** Every token whose form is asked for becomes an occurrence. */
function conceptsOf(tokens: Tokens, keys: readonly string[]): Concepts {
  const occurrence: number[] = [];
  const first: number[] = [];
  tokens.type.forEach((type, t) => {
    const concept = keys.indexOf(tokens.forms[type]);
    if (concept >= 0) {
      occurrence.push(concept);
      first.push(t);
    }
  });
  return {
    keys,
    written: keys,
    candidate: new Int32Array(keys.length),
    mentions: new Int32Array(keys.length),
    sources: new Int32Array(keys.length),
    occurrence: Int32Array.from(occurrence),
    occurrenceFirst: Int32Array.from(first),
    occurrenceEnd: Int32Array.from(first, (t) => t + 1),
  };
}

const windowsOf = (tokens: Tokens, change: Partial<WindowSettings>) =>
  layWindows(tokens, { unit: 'sentences', size: 3, acrossParagraphs: false, ...change });

describe('windows', () => {
  const text = 'A one. B two. C three. D four.\n\nE five. F six.';

  it('of three sentences slide by one and stay in their paragraph', () => {
    const windows = windowsOf(tokensOf(text), {});
    // Four sentences give two windows of three; two sentences give one window of both.
    expect(windows.count).to.equal(3);
    expect(Array.from(windows.first)).to.deep.equal([0, 2, 8]);
    expect(Array.from(windows.end)).to.deep.equal([6, 8, 12]);
    expect(windows.overlap).to.be.closeTo((3 + 3 + 2) / 6, 1e-12);
  });

  it('may run across paragraphs, but not sources', () => {
    const windows = windowsOf(tokensOf(text, 'G seven.'), { acrossParagraphs: true });
    expect(windows.count).to.equal(4 + 1);
    expect(Array.from(windows.source)).to.deep.equal([0, 0, 0, 0, 1]);
  });

  it('never cross a turn', () => {
    const turns = tokensOf('Ann: one two. three four.\nBob: five six.\nAnn: seven.');
    expect(windowsOf(turns, { acrossParagraphs: true }).count).to.equal(3);
    expect(windowsOf(turns, { unit: 'turn' }).count).to.equal(3);
  });

  it('of words slide by one', () => {
    const windows = windowsOf(tokensOf('one two three four five'), { unit: 'words', size: 3 });
    expect(Array.from(windows.first)).to.deep.equal([0, 1, 2]);
    expect(windows.overlap).to.be.closeTo(9 / 5, 1e-12);
  });

  it('of paragraphs and sources are just these', () => {
    expect(windowsOf(tokensOf(text), { unit: 'paragraph' }).count).to.equal(2);
    expect(windowsOf(tokensOf(text), { unit: 'source' }).count).to.equal(1);
  });
});

describe('counting', () => {
  it('counts the example worked by hand', () => {
    // Windows of two sentences: {rain, bus}, {bus, cold}, {cold, rain}.
    const tokens = tokensOf('Rain rain. Bus. Cold. Rain.');
    const concepts = conceptsOf(tokens, ['rain', 'bus', 'cold']);
    const counts = countTogether(concepts, windowsOf(tokens, { size: 2 }));
    expect(Array.from(counts.windowsWith)).to.deep.equal([2, 2, 2]);
    expect(Array.from(counts.together)).to.deep.equal([2, 1, 1, 1, 2, 1, 1, 1, 2]);
  });

  it('counts what else of content a window holds, wholly and as often as it stands there', () => {
    const tokens = tokensOf('Rain rain. Bus. Cold. Rain.');
    const windows = windowsOf(tokens, { size: 2 });
    const content = conceptsOf(tokens, ['rain', 'bus', 'cold']);
    const counts = countTogether(conceptsOf(tokens, ['bus']), windows, content);
    expect(Array.from(counts.content ?? [])).to.deep.equal([3, 2, 2]);
    // A phrase that runs over the end of a window is none of it.
    const phrase = { occurrenceFirst: Int32Array.of(0, 2), occurrenceEnd: Int32Array.of(2, 4) };
    expect(Array.from(countTogether(content, windows, phrase).content ?? [])).to.deep.equal([1, 1, 0]);
  });

  it('agrees with brute force on random texts', () => {
    const letters = ['a', 'b', 'c', 'd'];
    const sentence = fc.array(fc.constantFrom(...letters, 'x', 'y'), { minLength: 1, maxLength: 5 });
    const texts = fc.array(
      fc.array(fc.array(sentence, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 3 }),
      {
        minLength: 1,
        maxLength: 3,
      },
    );
    fc.assert(
      fc.property(texts, fc.integer({ min: 1, max: 4 }), (sources, size) => {
        const originals = sources.map((paragraphs) =>
          paragraphs
            .map((sentences) => sentences.map((words) => `Z ${words.join(' ')}.`).join(' '))
            .join('\n\n'),
        );
        const tokens = tokensOf(...originals);
        const counts = countTogether(conceptsOf(tokens, letters), windowsOf(tokens, { size }));
        const expected = new Array<number>(16).fill(0);
        for (const paragraph of sources.flat()) {
          const span = Math.min(size, paragraph.length);
          for (let s = 0; s + span <= paragraph.length; s++) {
            const held = new Set(paragraph.slice(s, s + span).flat());
            letters.forEach((a, i) =>
              letters.forEach((b, j) => held.has(a) && held.has(b) && expected[i * 4 + j]++),
            );
          }
        }
        expect(Array.from(counts.together)).to.deep.equal(expected);
      }),
      { numRuns: 200 },
    );
  });
});

describe('measures', () => {
  it('have the values worked by hand', () => {
    // 100 windows, 20 and 25 with each, 10 with both: p = 0.1, expected 0.05, so ln 2 / −ln 0.1.
    expect(npmi(10, 20, 25, 100)).to.be.closeTo(Math.log(2) / Math.log(10), 1e-12);
    expect(jaccard(10, 20, 25)).to.be.closeTo(10 / 35, 1e-12);
    expect(cosine(10, 20, 25)).to.be.closeTo(10 / Math.sqrt(500), 1e-12);
    // Observed 10, 10, 15, 65 against 5, 15, 20, 60.
    const g2 =
      2 * (10 * Math.log(2) + 10 * Math.log(10 / 15) + 15 * Math.log(15 / 20) + 65 * Math.log(65 / 60));
    expect(logLikelihood(10, 20, 25, 100)).to.be.closeTo(g2, 1e-10);
  });

  it('reach their bounds', () => {
    expect(npmi(0, 5, 5, 100)).to.equal(-1);
    expect(npmi(5, 5, 5, 100)).to.be.closeTo(1, 1e-12);
    expect(npmi(4, 20, 20, 100)).to.be.closeTo(0, 1e-12);
    // Two that are in every window: nothing can be told of their company.
    expect(npmi(100, 100, 100, 100)).to.equal(0);
    expect(logLikelihood(5, 20, 25, 100)).to.be.closeTo(0, 1e-10);
    expect(logLikelihood(1, 20, 25, 100)).to.be.below(0);
  });

  it('stay within them', () => {
    fc.assert(
      fc.property(fc.nat(50), fc.nat(50), fc.nat(50), fc.nat(50), (both, one, other, neither) => {
        const [a, b, n] = [both + one, both + other, both + one + other + neither];
        fc.pre(n > 0 && a > 0 && b > 0);
        expect(npmi(both, a, b, n)).to.be.within(-1 - 1e-12, 1 + 1e-12);
        expect(jaccard(both, a, b)).to.be.within(0, 1);
      }),
    );
  });
});

describe('links', () => {
  it('corrects G² for overlap: the same windows seen thrice are no surer', () => {
    expect(overlapCorrectedG2(30, 60, 75, 300, 3)).to.be.closeTo(
      overlapCorrectedG2(10, 20, 25, 100, 1),
      1e-9,
    );
  });

  it('stand only when they are strong, often enough and sure', () => {
    // Sentences in no order that comes again: what comes again and again is a burst.
    const random = seededRandom(2);
    const said = ['Rain wind.', 'Fare sold.', 'Home sold.', 'Seat sold.'].flatMap((each) =>
      new Array<string>(12).fill(each),
    );
    const order = said.map((sentence) => ({ sentence, at: random() })).sort((a, b) => a.at - b.at);
    const tokens = tokensOf(order.map(({ sentence }) => sentence).join(' '));
    const concepts = conceptsOf(tokens, ['rain', 'wind', 'fare', 'home']);
    const windows = windowsOf(tokens, { size: 1 });
    const counts = countTogether(concepts, windows);
    const settings = {
      measure: 'npmi' as const,
      cutOff: 0.1,
      minimumTogether: 3,
      maximumQ: 0.05,
      standsBy: 'either' as const,
    };
    const evidence = weighEvidence(counts, windows);
    const links = findLinks(evidence, windows.overlap, settings);
    expect(links.standing).to.equal(1);
    expect([links.source[0], links.target[0], links.both[0]]).to.deep.equal([0, 1, 12]);
    expect(links.q[0]).to.be.below(1e-4);
    expect([links.meetings[0], links.sources[0], links.beyond[0]]).to.deep.equal([12, 1, 1]);
    expect(findLinks(evidence, windows.overlap, { ...settings, minimumTogether: 13 }).standing).to.equal(0);
    expect(findLinks(evidence, windows.overlap, { ...settings, cutOff: 1 }).standing).to.equal(0);
  });

  it('are the same whatever was asked of the same windows before', () => {
    const random = seededRandom(9);
    const words = ['rain', 'wind', 'fare', 'home', 'seat', 'stop'];
    const said = Array.from({ length: 90 }, () => words.filter(() => random() < 0.4).join(' '));
    const tokens = tokensOf(said.map((sentence) => `So ${sentence}.`).join(' '));
    const windows = windowsOf(tokens, { size: 2 });
    const evidence = weighEvidence(countTogether(conceptsOf(tokens, words), windows), windows);
    const settings = { minimumTogether: 2, maximumQ: 0.5, standsBy: 'either' as const };
    for (const measure of ['npmi', 'g2', 'jaccard', 'npmi'] as const) {
      for (const cutOff of [0, 0.3, 0.1]) {
        const asked = { ...settings, measure, cutOff };
        // The other evidence is an object of its own, of which nothing is known yet.
        const fresh = findLinks({ ...evidence }, windows.overlap, asked);
        expect(findLinks(evidence, windows.overlap, asked)).to.deep.equal(fresh);
        // Each measure is the strength of links that are found by it.
        if (measure !== 'g2')
          expect(Array.from(fresh.source, (_, i) => measuresOf(fresh, i)[measure])).to.deep.equal(
            Array.from(fresh.strength),
          );
      }
    }
  });

  it('stand by strength and meetings alone where chance is not asked, and say what may be chance', () => {
    // Both pairs meet three times, far too seldom among so many words to be beyond chance.
    const tokens = tokensOf(
      'Rain wind. Fare home. Rain fare. Wind home. Rain wind. Fare home. Rain home. Wind fare. Rain wind. Fare home.',
    );
    const windows = windowsOf(tokens, { size: 1 });
    const evidence = weighEvidence(
      countTogether(conceptsOf(tokens, ['rain', 'wind', 'fare', 'home']), windows),
      windows,
    );
    const settings = {
      measure: 'npmi' as const,
      cutOff: 0.1,
      minimumTogether: 3,
      standsBy: 'either' as const,
    };
    expect(findLinks(evidence, windows.overlap, { ...settings, maximumQ: 0.05 }).standing).to.equal(0);
    const all = findLinks(evidence, windows.overlap, { ...settings, maximumQ: 1 });
    expect([all.standing, ...all.both.slice(0, 2)]).to.deep.equal([2, 3, 3]);
    expect([...all.beyond.slice(0, 2)], 'which may be chance').to.deep.equal([0, 0]);
  });
});

describe('networks', () => {
  it('refuse weights that are not above 0', () => {
    expect(() => buildGraph(2, [0], [1], [0])).to.throw(RangeError, /must be above 0/);
    expect(() => buildGraph(2, [0], [1], [Number.NaN])).to.throw(RangeError);
  });

  it('fall into their connected parts', () => {
    const graph = buildGraph(5, [0, 1, 3], [1, 2, 4], [1, 1, 1]);
    expect(Array.from(connectedParts(graph))).to.deep.equal([0, 0, 0, 1, 1]);
    expect(Array.from(connectedParts(graph, [0, 0, 1, 1, 1]))).to.deep.equal([0, 0, 1, 2, 2]);
  });
});

describe('windows and those who ask', () => {
  const tokens = tokensOf(
    'Interviewer: What of the rain?\n\nBen: The rain fell. The bus was late.\n\nQ: And the fare?\n\nBen: It rose.',
  );
  const count = (heard?: WindowSettings['heard']): number =>
    layWindows(tokens, { unit: 'turn', size: 1, acrossParagraphs: false, heard }).count;

  it('are of what respondents say, unless interviewers count, by the rule by which strength is', () => {
    expect(count()).to.equal(4);
    expect(count({ interviewers: true, roles: {} })).to.equal(4);
    expect(count({ interviewers: false, roles: {} })).to.equal(2);
    // Who asks is what the researcher says.
    expect(count({ interviewers: false, roles: { Q: 'respondent', Ben: 'interviewer' } })).to.equal(1);
  });
});
