import { expect } from 'chai';
import type { ViewName } from '@green-thicket/core/views/view-keys';
import { turns } from '../src/engine/turns.ts';

/** Work that is done when it is told to be, and writes down when it began and ended. */
function watched(log: string[]) {
  const ends = new Map<ViewName, (fault?: Error) => void>();
  const make = (view: ViewName) => (): Promise<string> => {
    log.push(`begin ${view}`);
    return new Promise((resolve, reject) => {
      ends.set(view, (fault) => {
        log.push(`end ${view}`);
        if (fault) reject(fault);
        else resolve(`made ${view}`);
      });
    });
  };
  return { make, end: (view: ViewName, fault?: Error) => ends.get(view)?.(fault) };
}

describe('views in line', () => {
  it('are made one at a time, those that need the fewest stages first', async () => {
    const log: string[] = [];
    const { make, end } = watched(log);
    const { take: inTurn } = turns();
    const map = inTurn('map', make('map'));
    await new Promise(setImmediate);
    const compare = inTurn('compare', make('compare'));
    const concepts = inTurn('concepts', make('concepts'));
    const sources = inTurn('sources', make('sources'));
    end('map');
    expect(await map).to.equal('made map');
    for (const [view, made] of [
      ['sources', sources],
      ['concepts', concepts],
      ['compare', compare],
    ] as const) {
      await new Promise(setImmediate);
      end(view);
      expect(await made).to.equal(`made ${view}`);
    }
    expect(log).to.deep.equal(
      ['map', 'sources', 'concepts', 'compare'].flatMap((view) => [`begin ${view}`, `end ${view}`]),
    );
  });

  it('go on after one that failed', async () => {
    const { make, end } = watched([]);
    const { take: inTurn } = turns();
    const map = inTurn('map', make('map'));
    await new Promise(setImmediate);
    const links = inTurn('links', make('links'));
    end('map', new Error('no'));
    let fault: unknown;
    await map.catch((error: unknown) => (fault = error));
    expect(fault).to.have.property('message', 'no');
    await new Promise(setImmediate);
    end('links');
    expect(await links).to.equal('made links');
  });

  it('are chosen among all that come together', async () => {
    const log: string[] = [];
    const { make, end } = watched(log);
    const { take: inTurn } = turns();
    const both = [inTurn('compare', make('compare')), inTurn('sources', make('sources'))];
    for (const view of ['sources', 'compare'] as const) {
      await new Promise(setImmediate);
      end(view);
    }
    await Promise.all(both);
    expect(log).to.deep.equal(['begin sources', 'end sources', 'begin compare', 'end compare']);
  });

  it('come after all others where nothing waits for them, however little they need', async () => {
    const log: string[] = [];
    const { take: inTurn } = turns();
    const made = ['repeats', 'steadiness', 'map', 'sources', 'duplicates'] as const;
    await Promise.all(
      made.map((view) =>
        inTurn(view, () => {
          log.push(view);
          return Promise.resolve();
        }),
      ),
    );
    expect(log.slice(0, 2)).to.deep.equal(['sources', 'map']);
    expect(log.at(-1)).to.equal('steadiness');
  });

  it('begin at once where nothing waits, again and again', async () => {
    const { take: inTurn } = turns();
    for (let i = 0; i < 3; i++) expect(await inTurn('themesOnTrail', () => Promise.resolve(i))).to.equal(i);
  });

  it('go past what is made behind them, in the middle of its work', async () => {
    const log: string[] = [];
    const { make, end } = watched(log);
    const { take, letOthersPast } = turns();
    const steadiness = take('steadiness', async () => {
      log.push('begin steadiness');
      await new Promise(setImmediate);
      await letOthersPast();
      log.push('end steadiness');
    });
    await Promise.resolve();
    await Promise.resolve();
    const others = [take('steadiness', make('steadiness')), take('map', make('map'))];
    await new Promise(setImmediate);
    await new Promise(setImmediate);
    end('map');
    await steadiness;
    await new Promise(setImmediate);
    end('steadiness');
    await Promise.all(others);
    const first = ['begin steadiness', 'begin map', 'end map', 'end steadiness'];
    expect(log).to.deep.equal([...first, 'begin steadiness', 'end steadiness']);
  });
});
