import { expect } from 'chai';
import fc from 'fast-check';
import { oneByOne, shareOut, type Hands } from '../../src/base/share-out.ts';
import { finish, inOneStep, type Stepwise } from '../../src/base/stepwise.ts';

/** Drives work to its end, and waits where it waits. */
async function driven<T>(work: Stepwise<T>): Promise<T> {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    await Promise.resolve();
  }
}

const square = (part: number): Stepwise<number> => inOneStep(() => part * part);

/** Hands that answer after so many turns, one after the other in `delays`, and fail at some parts. */
function handsLike(count: number, delays: readonly number[], failing: ReadonlySet<number>) {
  const did: number[] = [];
  let [asked, ended] = [0, 0];
  const wait = async (): Promise<void> => {
    for (let turn = delays[asked++ % delays.length]; turn > 0; turn--) await Promise.resolve();
  };
  const hands: Hands<number, number> = {
    count,
    ready: (hand) => hand === 2 || wait().then(() => hand !== 1),
    async do(_, part) {
      await wait();
      if (failing.has(part)) throw new Error('This hand can’t.');
      did.push(part);
      return part * part;
    },
    end: () => void ended++,
  };
  return { hands, did, ended: () => ended };
}

describe('work that is shared out', () => {
  const parts = fc.array(fc.nat(50), { maxLength: 12 });

  it('gives what it gives in one go, whoever does which part, and tells of each once', async () => {
    await fc.assert(
      fc.asyncProperty(
        parts,
        fc.nat(3),
        fc.array(fc.nat(6), { minLength: 1, maxLength: 5 }),
        fc.array(fc.nat(50), { maxLength: 4 }),
        async (list, count, delays, failing) => {
          const { hands, did, ended } = handsLike(count, delays, new Set(failing));
          const here: number[] = [];
          const told = new Map<number, number>();
          const work = (part: number): Stepwise<number> => {
            here.push(part);
            return square(part);
          };
          const results = await driven(
            shareOut(list, work, hands, (result, place) => {
              expect(told.has(place)).to.equal(false);
              told.set(place, result);
            }),
          );
          expect(results).to.deep.equal(list.map((part) => part * part));
          expect(list.map((_, place) => told.get(place))).to.deep.equal(results);
          // At the end a part may be done on both sides, those in advance at most.
          expect(here.length + did.length).to.be.at.most(list.length + 2 * count);
          expect(ended()).to.equal(1);
        },
      ),
    );
  });

  it('is really done by others too', async () => {
    const { hands, did } = handsLike(1, [0], new Set());
    const here: number[] = [];
    const work = (part: number): Stepwise<number> => {
      here.push(part);
      return square(part);
    };
    await driven(shareOut([1, 2, 3, 4, 5, 6, 7, 8], work, hands));
    // They begin with the last, and what they did is not done here.
    expect(did[0]).to.equal(8);
    expect(here).to.not.include(8);
  });

  it('waits for nobody: who never answers is done without', async () => {
    const hands: Hands<number, number> = {
      count: 1,
      ready: () => true,
      do: () => new Promise(() => undefined),
      end: () => undefined,
    };
    expect(await driven(shareOut([1, 2, 3, 4], square, hands))).to.deep.equal([1, 4, 9, 16]);
    expect(finish(shareOut([1, 2, 3, 4], square, hands))).to.deep.equal([1, 4, 9, 16]);
  });

  it('shows the fault of a part that can’t be done anywhere', async () => {
    const { hands } = handsLike(1, [0], new Set([6]));
    const work = (part: number): Stepwise<number> =>
      inOneStep(() => {
        if (part === 6) throw new Error('Six is too many.');
        return part;
      });
    let fault = '';
    try {
      await driven(shareOut([1, 2, 3, 4, 5, 6], work, hands));
    } catch (error) {
      fault = String(error);
    }
    expect(fault).to.equal('Error: Six is too many.');
  });

  it('hands nothing more out once it is stopped', async () => {
    const { hands, did, ended } = handsLike(2, [0], new Set());
    const work = shareOut(
      Array.from({ length: 100 }, (_, k) => k),
      square,
      hands,
    );
    work.next();
    work.return([]);
    const before = did.length;
    for (let turn = 0; turn < 50; turn++) await Promise.resolve();
    // What was away already comes back; no more is asked.
    expect(did.length - before).to.be.at.most(4);
    expect(ended()).to.equal(1);
  });

  it('can be done in one go where nobody helps', () => {
    expect(finish(oneByOne(square)([3, 4]))).to.deep.equal([9, 16]);
  });
});
