import { expect } from 'chai';
import fc from 'fast-check';
import { stepsFrom, strongestPath } from '../../src/network/paths.ts';

/** 0–1–2 by strong links, 0–2 by a weak one, 3 alone. */
const LINKS = { source: [0, 1, 0], target: [1, 2, 2], weight: [1, 1, 0.4] };

describe('paths in the network', () => {
  it('follow the strongest links', () => {
    expect(strongestPath(4, LINKS, 0, 2)).to.deep.equal([0, 1, 2]);
    expect(strongestPath(4, { ...LINKS, weight: [1, 1, 0.6] }, 0, 2)).to.deep.equal([0, 2]);
    expect(strongestPath(4, LINKS, 0, 3)).to.deep.equal([]);
    expect(strongestPath(4, LINKS, 1, 1)).to.deep.equal([1]);
  });

  it('have as many steps as links lead there', () => {
    expect(Array.from(stepsFrom(4, LINKS, 1))).to.deep.equal([1, 0, 1, -1]);
  });

  it('cost as little as the cheapest of all walks, each tried', () => {
    const link = fc.tuple(fc.nat(5), fc.nat(5), fc.integer({ min: 1, max: 9 }));
    fc.assert(
      fc.property(fc.array(link, { maxLength: 12 }), (all) => {
        const links = all.filter(([a, b]) => a !== b);
        const lists = {
          source: links.map(([a]) => a),
          target: links.map(([, b]) => b),
          weight: links.map(([, , w]) => w),
        };
        const costOf = (path: readonly number[]): number =>
          path.slice(1).reduce((sum, node, i) => {
            const weights = links
              .filter(([a, b]) => (a === path[i] && b === node) || (b === path[i] && a === node))
              .map(([, , w]) => w);
            return sum + 1 / weights.reduce((best, w) => (w > best ? w : best), 0);
          }, 0);
        let least = Infinity;
        const walk = (path: readonly number[], cost: number): void => {
          const at = path[path.length - 1];
          if (at === 5) least = Math.min(least, cost);
          for (const [a, b, w] of links) {
            const next = a === at ? b : b === at ? a : -1;
            if (next >= 0 && !path.includes(next)) walk([...path, next], cost + 1 / w);
          }
        };
        walk([0], 0);
        const path = strongestPath(6, lists, 0, 5);
        if (least === Infinity) expect(path).to.deep.equal([]);
        else expect(costOf(path)).to.be.closeTo(least, 1e-9);
      }),
    );
  });
});
