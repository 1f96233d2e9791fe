import { expect } from 'chai';
import { finish, finishInTime, onceLoaded } from '../../src/base/stepwise.ts';

describe('what is loaded when it is first asked for', () => {
  it('is loaded once for all who ask meanwhile, and waited for where the work stands', async () => {
    let loads = 0;
    let done: (value: string) => void = () => undefined;
    const held = onceLoaded(() => {
      loads++;
      return new Promise<string>((resolve) => (done = resolve));
    });
    let begun = 0;
    const both = Promise.all(
      [1, 2].map((number) =>
        finishInTime(
          (function* () {
            begun++;
            yield 0.5;
            return `${yield* held()} ${number}`;
          })(),
        ),
      ),
    );
    await new Promise(setImmediate);
    done('words');
    expect(await both).to.deep.equal(['words 1', 'words 2']);
    expect([loads, begun]).to.deep.equal([1, 2]);
    expect(finish(held())).to.equal('words');
  });

  it('tells who waits that it did not come, and is loaded again for the next', async () => {
    let loads = 0;
    const held = onceLoaded(() =>
      ++loads === 1 ? Promise.reject(new Error('no network')) : Promise.resolve(7),
    );
    let fault: unknown;
    await finishInTime(held()).catch((error: unknown) => (fault = error));
    expect(fault).to.be.an('error').with.property('message', 'no network');
    expect(await finishInTime(held())).to.equal(7);
    expect(loads).to.equal(2);
  });

  it('is not for work that may not wait', () => {
    const held = onceLoaded(() => Promise.resolve(7));
    expect(() => finish(held())).to.throw('waits for what is still to come');
  });
});
