import { eachRowSpoken } from '../../compare/rows.ts';
import { compareEach } from '../../compare/strength.ts';
import type { SourceStrength } from '../../compare/source-strength.ts';
import { allLists, TONE, type ToneList } from '../../compare/tone-lists.ts';
import { readTone, toneBy } from '../../compare/tone.ts';
import type { Tokens } from '../../text/tokens.ts';
import type { Windows } from '../../network/windows.ts';
import type { StudyState } from '../../study/study.ts';
import { byCodeUnits } from '../../base/order.ts';
import { ownValue } from '../../base/records.ts';
import type { ToneView, ToneWordsView } from './compare-view-types.ts';
import { readForRows, ROW_STAGES } from './compared-rows.ts';
import { sourcesWithin } from '../reading/resolve-selection.ts';
import type { Within } from '../../study/within.ts';
import { readForSelections } from '../reading/resolve-selection.ts';
import { reads, type View, type ViewMakers } from '../view.ts';

/** The views of tone. */
export interface ToneViews {
  /** By the list named; by the first where there is none of that name. */
  tone: View<{ readonly list: string }, ToneView>;
  toneWords: View<
    {
      readonly list: string;
      readonly aspect: string;
      /** Of stretches that speak to this theme; of all where it is empty. */
      readonly letter: string;
      readonly within?: Within;
      readonly limit: number;
    },
    ToneWordsView
  >;
}
type Asked<V extends keyof ToneViews> = ToneViews[V]['question'];

const ownLists = (state: StudyState): StudyState['toneLists'] => state.toneLists;

export const TONE_KEYS = {
  tone: reads(ROW_STAGES, (state) => ({ ...readForRows(state), lists: ownLists(state) })),
  toneWords: reads(ROW_STAGES, (state, { within }: Asked<'toneWords'>) => ({
    ...readForSelections(state, [], within),
    lists: ownLists(state),
  })),
};

export const TONE_VIEWS: ViewMakers<ToneViews, typeof TONE_KEYS> = {
  *tone({ list: asked }, { take, own, tone }) {
    const tokens = yield* take('tokens');
    const { themes } = yield* take('themes');
    const spoken = yield* take('spoken');
    const stretches = yield* take('stretches');
    const lists = allLists(yield* tone(), own.lists);
    const list = lists.find(({ name }) => name === asked) ?? lists[0];
    const { aspects } = readTone(tokens, list);
    const has = toneBy(tokens, stretches, list);
    yield 0.5;
    const width = aspects.length;
    const counts = [undefined, ...themes].map((): SourceStrength => ({
      windows: new Int32Array(own.sources),
      speaking: new Int32Array(own.sources * width),
      rowCount: width,
      overlap: 1,
    }));
    const others = lists.filter(
      (each) => each !== list && [each, list].every(({ entries }) => entries.some(([, of]) => of === TONE)),
    );
    const verdicts = others.map((other) => verdictsOf(tokens, stretches, other));
    const own_ = verdictsOf(tokens, stretches, list);
    const opposed = counts.map(() => new Int32Array(others.length));
    const all = counts.map(() => 0);
    const add = (w: number, theme: number): void => {
      const { windows, speaking } = counts[theme];
      windows[stretches.source[w]]++;
      all[theme]++;
      for (let a = 0; a < width; a++) speaking[stretches.source[w] * width + a] += has[w * width + a];
      verdicts.forEach((verdict, o) => {
        if (verdict[w] * own_[w] < 0) opposed[theme][o]++;
      });
    };
    for (let w = 0; w < stretches.count; w++) add(w, 0);
    const rows = themes.map(({ concepts }) => ({ concepts, fewest: own.fewest }));
    eachRowSpoken(spoken, rows, (w, theme) => add(w, theme + 1));
    const { names, groupOf } = own.groups;
    const comparisons = compareEach(counts, groupOf, names, own.seed, own.personOf);
    return {
      lists: lists.map(({ name, entries }) => ({
        name,
        words: entries.length,
        own: ownValue(own.lists, name) !== undefined,
      })),
      aspects: aspects.map(({ name }) => name),
      themes: [{ letter: '', label: 'everything said' }, ...themes].map(({ letter, label }, t) => ({
        letter,
        label,
        comparison: comparisons[t],
        opposed: others.map(({ name }, o) => ({
          list: name,
          share: all[t] === 0 ? 0 : opposed[t][o] / all[t],
        })),
      })),
      within: own.groups.within,
    };
  },

  *toneWords({ list: asked, aspect, letter, within, limit }, { take, own, tone }) {
    const tokens = yield* take('tokens');
    const { themes } = yield* take('themes');
    const spoken = yield* take('spoken');
    const stretches = yield* take('stretches');
    const list = allLists(yield* tone(), own.lists).find(({ name }) => name === asked);
    const theme = themes.find((each) => each.letter === letter);
    if (!list || (letter !== '' && !theme)) return { words: [] };
    const reader = readTone(tokens, list);
    const wanted = reader.aspects.find(({ name }) => name === aspect);
    if (!wanted) return { words: [] };
    const meant = within && sourcesWithin(own, within);
    const speaks = new Uint8Array(stretches.count).fill(theme ? 0 : 1);
    if (theme) {
      eachRowSpoken(spoken, [{ concepts: theme.concepts, fewest: own.fewest }], (w) => (speaks[w] = 1));
    }
    const found = new Map<string, { times: number; weight: number }>();
    for (let w = 0; w < stretches.count; w++) {
      if (speaks[w] === 0 || (meant && !meant.has(stretches.source[w]))) continue;
      for (const { entry, category, weight } of reader.wordsIn(stretches.first[w], stretches.end[w])) {
        if (reader.categories[category] !== wanted.category || weight * wanted.sign <= 0) continue;
        const of = found.get(entry);
        if (of) {
          of.times++;
          of.weight += weight;
        } else found.set(entry, { times: 1, weight });
      }
    }
    return {
      words: [...found]
        .map(([entry, figures]) => ({ entry, ...figures }))
        .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight) || byCodeUnits(a.entry, b.entry))
        .slice(0, limit),
    };
  },
};

/** Whether each stretch sounds good (1) or bad (−1) by a list, or neither. */
function verdictsOf(tokens: Tokens, stretches: Windows, list: ToneList): Int8Array {
  const { aspects } = readTone(tokens, list);
  const has = toneBy(tokens, stretches, list);
  const verdict = new Int8Array(stretches.count);
  aspects.forEach(({ category, sign }, a) => {
    if (category !== TONE) return;
    for (let w = 0; w < stretches.count; w++) if (has[w * aspects.length + a] === 1) verdict[w] = sign;
  });
  return verdict;
}
