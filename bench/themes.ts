import { weighEvidence } from '../core/src/network/evidence.ts';
import { bandOf, type Band } from '../core/src/themes/bands.ts';
import { isBackIn } from '../core/src/themes/resample.ts';
import { exampleStudy } from '../core/test/examples.ts';
import { knownThemes } from './known-themes.ts';
import { nullCollection, NULL_KINDS } from './nulls.ts';

const BANDS: readonly Band[] = ['nearly always', 'mostly', 'now and then', 'seldom'];

/** What became of planted themes. */
export interface Recovery {
  /** Agreement with the planted themes, over the theme words that stand in a theme (adjusted Rand index). */
  readonly ari: number;
  /** Theme words in a theme of their own. */
  readonly found: number;
  readonly falseMembers: number;
  /** Themes most of which are no one planted theme. */
  readonly noTheme: number;
  readonly themes: number;
}

/** Hubert & Arabie (1985). */
export function adjustedRand(a: readonly number[], b: readonly number[]): number {
  const pairs = (n: number): number => (n * (n - 1)) / 2;
  const tally = (values: readonly (number | string)[]): number => {
    const counts = new Map<number | string, number>();
    for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
    return [...counts.values()].reduce((sum, count) => sum + pairs(count), 0);
  };
  const both = tally(a.map((each, i) => `${each},${b[i]}`));
  const [rows, columns] = [tally(a), tally(b)];
  const expected = (rows * columns) / pairs(a.length);
  const most = (rows + columns) / 2;
  return most === expected ? 1 : (both - expected) / (most - expected);
}

export function recoveryOf(seed: number, sources: number): Recovery {
  const { texts, themesOf } = knownThemes(seed, sources);
  const study = exampleStudy(texts.map((text, i) => ({ name: `${i}`, text })));
  const { keys } = study.compute('concepts');
  const truth: number[] = [];
  const group: number[] = [];
  let [found, falseMembers, noTheme] = [0, 0, 0];
  const { themes } = study.compute('themes');
  themes.forEach(({ concepts }, t) => {
    const votes = new Map<number, number>();
    const of = concepts.map((concept) => themesOf.get(keys[concept]));
    for (const each of of.flatMap((list) => list ?? [])) votes.set(each, (votes.get(each) ?? 0) + 1);
    const [best, count] = [...votes].sort((a, b) => b[1] - a[1])[0] ?? [-1, 0];
    if (count * 2 <= concepts.length) noTheme++;
    for (const list of of) {
      if (!list) falseMembers++;
      else {
        const isOf = list.includes(best);
        if (isOf) found++;
        truth.push(isOf ? best : list[0]);
        group.push(t);
      }
    }
  });
  return {
    ari: truth.length < 2 ? 0 : adjustedRand(truth, group),
    found,
    falseMembers,
    noTheme,
    themes: themes.length,
  };
}

/** Themes of one half of a collection, by band, and how many of them are found in the other half. */
export function bandsOf(seed: number, sources: number): Map<Band, { themes: number; again: number }> {
  const { texts } = knownThemes(seed, 2 * sources);
  const [first, second] = [texts.slice(0, sources), texts.slice(sources)].map((half) => {
    const study = exampleStudy(half.map((text, i) => ({ name: `${i}`, text })));
    const { keys } = study.compute('concepts');
    const { themes } = study.compute('themes');
    const members = themes.map(({ concepts }) => new Set(concepts.map((concept) => keys[concept])));
    return { members, study };
  });
  const found = new Map(BANDS.map((band) => [band, { themes: 0, again: 0 }]));
  const { comesBack } = first.study.compute('resampled');
  first.members.forEach((members, t) => {
    const isBack = second.members.some((other) =>
      isBackIn([...members].filter((key) => other.has(key)).length, {
        theme: members.size,
        other: other.size,
      }),
    );
    const of = found.get(bandOf(comesBack[t]));
    if (!of) return;
    of.themes++;
    if (isBack) of.again++;
  });
  return found;
}

function benchBands(): void {
  console.log('\n## Themes that come back in other sources of the same kind, by band\n');
  console.log(`| sources | ${BANDS.map((band) => `comes back ${band}`).join(' | ')} |`);
  console.log(`|---:|${'---:|'.repeat(BANDS.length)}`);
  for (const sources of [6, 12, 24, 48]) {
    const runs = Array.from({ length: 8 }, (_, i) => bandsOf(i + 1, sources));
    const cells = BANDS.map((band) => {
      const [themes, again] = (['themes', 'again'] as const).map((of) =>
        runs.reduce((sum, run) => sum + (run.get(band)?.[of] ?? 0), 0),
      );
      return themes === 0 ? '–' : `${again} of ${themes}`;
    });
    console.log(`| ${sources} | ${cells.join(' | ')} |`);
  }
}

export function benchThemes(): void {
  benchBands();
  console.log('\n## Planted themes found again: 8 themes of 10 words, means over 10 seeds\n');
  console.log(
    '| sources | ARI | least ARI | theme words found | false members | themes that are none | themes |',
  );
  console.log('|---:|---:|---:|---:|---:|---:|---:|');
  for (const sources of [12, 36, 100]) {
    const runs = Array.from({ length: 10 }, (_, i) => recoveryOf(i + 1, sources));
    const mean = (of: (run: Recovery) => number): string =>
      (runs.reduce((sum, run) => sum + of(run), 0) / runs.length).toFixed(2);
    console.log(
      `| ${sources} | ${mean((run) => run.ari)} | ${Math.min(...runs.map((run) => run.ari)).toFixed(2)} | ${mean((run) => run.found)} | ${mean((run) => run.falseMembers)} | ${mean((run) => run.noTheme)} | ${mean((run) => run.themes)} |`,
    );
  }
  console.log('\n## Collections in which nothing belongs together: 40 sources, 80 nouns, 5 seeds\n');
  console.log('| kind | pairs with p < 0.05 within sources | between sources | most links | most themes |');
  console.log('|---|---:|---:|---:|---:|');
  for (const kind of NULL_KINDS) {
    let [within, between, pairs, links, themes] = [0, 0, 0, 0, 0];
    for (let seed = 1; seed <= 5; seed++) {
      const study = exampleStudy(nullCollection(kind, seed).map((text, i) => ({ name: `${i}`, text })));
      links = Math.max(links, study.compute('links').standing);
      themes = Math.max(themes, study.compute('themes').themes.length);
      // All nouns, as those that stand out were chosen by the company they keep.
      study.decide({ kind: 'setConcepts', change: { size: 80 } });
      const { pWithin, pBetween, size } = weighEvidence(study.compute('counts'), study.compute('windows'), {
        ofAllPairs: true,
        between: 1,
      });
      pairs += (size * (size - 1)) / 2;
      within += pWithin.filter((p) => p < 0.05).length;
      between += pBetween.filter((p) => p < 0.05).length;
    }
    const share = (count: number): string => `${((100 * count) / pairs).toFixed(1)} %`;
    console.log(`| ${kind} | ${share(within)} | ${share(between)} | ${links} | ${themes} |`);
  }
}
