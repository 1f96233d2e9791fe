import type { StudyState } from '../../study/study.ts';
import { workingSources } from '../../study/subset.ts';
import type { Stepwise } from '../../base/stepwise.ts';
import { layBeside, type NamedGroup } from '../../themes/beside.ts';
import type { ThemeIdentity } from '../../themes/identity.ts';
import type { AskView } from '../asked.ts';
import type { ColleagueView, ColleagueViews } from './colleague-types.ts';
import { reads, type ViewContext } from '../view.ts';

export const COLLEAGUE_KEYS = { colleague: reads([], (state) => ({ ...state })) };

/** The least overlap (Jaccard) of two themes that are compared. */
const ALIKE = 0.3;

type Context = ViewContext<never, StudyState> & {
  readonly ask: AskView;
  readonly askAs: (state: StudyState, register: readonly ThemeIdentity[]) => AskView;
};

export const COLLEAGUE_VIEWS: {
  readonly colleague: (
    question: ColleagueViews['colleague']['question'],
    context: Context,
  ) => Stepwise<ColleagueView>;
} = {
  *colleague({ state: theirs, register }, { own, ask, askAs }) {
    const known = new Set(own.sources.map(({ id }) => id));
    const mine = new Set(workingSources(own).map(({ id }) => id));
    const other = new Set(workingSources(theirs).map(({ id }) => id));
    const both = [...mine].filter((id) => other.has(id)).length;
    const askThem = askAs({ ...theirs, sources: theirs.sources.filter(({ id }) => known.has(id)) }, register);
    const [here, there] = [yield* ask('themes', null), yield* askThem('themes', null)];
    yield 0.8;
    const all = ({ themes, loose }: typeof here): Map<string, string> =>
      new Map(
        [...themes.flatMap(({ concepts }) => concepts), ...loose].map(({ key, label }) => [key, label]),
      );
    const [labelsHere, labelsThere] = [all(here), all(there)];
    const named = ({ themes }: typeof here): NamedGroup[] =>
      themes.map(({ letter, label, concepts }) => ({ letter, label, keys: concepts.map(({ key }) => key) }));
    const [groupsHere, groupsThere] = [named(here), named(there)];
    const beside = layBeside(groupsThere, groupsHere);
    const overlap = (a: NamedGroup, b: NamedGroup): number => {
      const shared = a.keys.filter((key) => b.keys.includes(key)).length;
      return shared / (a.keys.length + b.keys.length - shared);
    };
    const strengths = groupsHere.flatMap((group, h) => {
      const overlaps = groupsThere.map((each) => overlap(group, each));
      const most = overlaps.reduce((best, each, t) => (each > overlaps[best] ? t : best), 0);
      return (overlaps[most] ?? 0) < ALIKE
        ? []
        : [{ here: h, there: most, shareHere: here.themes[h].share, shareThere: there.themes[most].share }];
    });
    const only = (a: ReadonlyMap<string, string>, b: ReadonlyMap<string, string>): string[] =>
      [...a].filter(([key]) => !b.has(key)).map(([, label]) => label);
    const onlyHere = only(labelsHere, labelsThere);
    return {
      ...beside,
      sources: { both, onlyHere: mine.size - both, onlyThere: other.size - both },
      concepts: {
        both: labelsHere.size - onlyHere.length,
        onlyHere,
        onlyThere: only(labelsThere, labelsHere),
      },
      here: groupsHere,
      there: groupsThere,
      labels: Object.fromEntries([...labelsThere, ...labelsHere]),
      strengths,
    };
  },
};
