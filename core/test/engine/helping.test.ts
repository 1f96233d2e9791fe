import { expect } from 'chai';
import { knownThemes } from '../../../bench/known-themes.ts';
import type { Stepwise } from '../../src/base/stepwise.ts';
import { buffersIn, helpersOf, helpingHand, type Hand } from '../../src/engine/helping.ts';
import { inParts, type Helpers, type JobName, type PartOf, type SharedOf } from '../../src/engine/jobs.ts';
import type { StageName } from '../../src/engine/stage-keys.ts';
import { exampleStudy, ONLY_CASE, textsOf, tokensOf } from '../examples.ts';

/** Hands as if on other threads: what goes there and comes back is a copy. They write down what they are asked. */
function copyingHands(most: number, broken: (job: string) => boolean = () => false) {
  const asked: string[] = [];
  const warnings: unknown[] = [];
  const jobs = new Map<number, string>();
  let [started, stopped] = [0, 0];
  const start = () => {
    started++;
    const hand = helpingHand();
    const copying: Hand = {
      async begin(work, job, shared) {
        if (broken(job)) throw new Error('no thread');
        jobs.set(work, job);
        await hand.begin(work, job, structuredClone(shared));
      },
      async do(work, part) {
        asked.push(jobs.get(work) ?? '');
        return structuredClone(await hand.do(work, structuredClone(part)));
      },
      end: (work) => hand.end(work),
    };
    const never = new Promise<never>(() => undefined);
    return { hand: copying, broken: never, stop: () => void stopped++ };
  };
  const helpers = helpersOf({
    most,
    start,
    worthIt: 0,
    pause: (milliseconds) => (milliseconds === 0 ? Promise.resolve() : new Promise(() => undefined)),
    warn: (reason) => warnings.push(reason),
  });
  return { helpers, asked, warnings, started: () => started, stopped: () => stopped };
}

async function driven<T>(work: Stepwise<T>): Promise<T> {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    await new Promise(setImmediate);
  }
}

// Sources long enough together that they are read in several parts.
const TEXTS = knownThemes(3, 12).texts.map((text, i) => ({
  name: `${i}.txt`,
  text: `Ada: ${text}\n\nBen ${i % 5}: ${`They fare badly and run late; a light wait. `.repeat(1200)}`,
}));
const READING: SharedOf<'read'> = { steps: ONLY_CASE, leftOut: [] };
const SHARED: readonly StageName[] = ['tokens', 'parts', 'resampledPairs', 'sweep', 'resampled'];

const study = (helpers?: Helpers) => exampleStudy(TEXTS, helpers ? { helpers } : {});

describe('the stages of a study that others do parts of', () => {
  it('come out the same, to the last bit, for any number of them', async () => {
    const alone = study();
    const { helpers, asked, warnings } = copyingHands(3);
    const shared = study(helpers);
    for (const stage of SHARED) {
      const result = await driven(shared.engine.compute(stage, shared.input()));
      expect(result, stage).to.deep.equal(alone.compute(stage));
    }
    expect(new Set(asked)).to.include.all.keys('read', 'groupResample');
    expect(warnings).to.deep.equal([]);
  });

  it('have jobs that give elsewhere what they give here', async () => {
    const alone = study();
    const [counts, windows] = [alone.compute('counts'), alone.compute('windows')];
    const network = { graph: alone.compute('graph'), drawn: alone.compute('resampledGraphs'), seed: 3 };
    const { helpers, asked } = copyingHands(2);
    const compared = async <J extends JobName>(job: J, shared: SharedOf<J>, parts: PartOf<J>[]) => {
      const here = await driven(inParts(job, shared, {})(parts));
      expect(await driven(inParts(job, shared, { helpers })(parts)), job).to.deep.equal(here);
      return here;
    };
    await compared('resamplePairs', { counts, windows, claimed: 0.05, seed: 2 }, [0, 1, 2, 3]);
    const groupings = await compared('group', network, [0.5, 1, 1.5, 2]);
    await compared(
      'compare',
      network,
      groupings.map((grouping) => ({ grouping, resolution: 1 })),
    );
    expect(new Set(asked)).to.include.all.keys('resamplePairs', 'group', 'compare');
  });

  it('come out the same where a thread breaks, which is told', async () => {
    const alone = study();
    const [counts, windows] = [alone.compute('counts'), alone.compute('windows')];
    const { helpers, warnings } = copyingHands(2, (job) => job === 'resamplePairs');
    const drawn = (by?: Helpers) =>
      inParts(
        'resamplePairs',
        { counts, windows, claimed: 0.05, seed: 2 },
        by ? { helpers: by } : {},
      )([0, 1, 2]);
    expect(await driven(drawn(helpers))).to.deep.equal(await driven(drawn()));
    expect(warnings.map(String)).to.include('Error: no thread');
    // Nobody is asked from then on.
    expect(helpers.begin('read', READING)).to.equal(undefined);
  });
});

describe('hands', () => {
  it('are not started for work that is over at once', async () => {
    const { helpers, started } = copyingHands(2);
    const hands = helpers.begin('read', READING);
    const ready = hands?.ready(0);
    hands?.end();
    expect(await ready).to.equal(false);
    expect(started()).to.equal(0);
  });

  it('are let go when they are stopped, and not begun with again', async () => {
    const { helpers, started, stopped } = copyingHands(2);
    const hands = helpers.begin('read', READING);
    expect(await hands?.ready(1)).to.equal(true);
    expect(await hands?.do(1, textsOf('They fare badly.'))).to.deep.equal(tokensOf('They fare badly.'));
    hands?.end();
    helpers.stop();
    expect([started(), stopped()]).to.deep.equal([1, 1]);
    expect(helpers.begin('read', READING)).to.equal(undefined);
  });

  it('begin at once where they were started before there was anything to do', () => {
    const { helpers, started } = copyingHands(2);
    helpers.startNow();
    helpers.startNow();
    expect(started()).to.equal(2);
    expect(helpers.begin('read', READING)?.ready(1)).to.equal(true);
  });

  it('know only the work they were begun with', async () => {
    const hand = helpingHand();
    const fault = await hand.do(7, []).then(
      () => '',
      (error: unknown) => String(error),
    );
    expect(fault).to.equal('Error: Nothing is known of work 7.');
  });

  it('hand the arrays of what they made over as they are', () => {
    const [a, b] = [new Int32Array(3), new Uint8Array(2)];
    expect(buffersIn({ a, b, names: ['x'], count: 2 })).to.deep.equal([a.buffer, b.buffer]);
    expect(buffersIn(a)).to.deep.equal([]);
    expect(buffersIn(['x'])).to.deep.equal([]);
    expect(buffersIn(0.5)).to.deep.equal([]);
  });
});
