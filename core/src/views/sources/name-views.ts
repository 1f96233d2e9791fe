import { namesIn } from '../../text/words/capitalised.ts';
import { likeNames, writtenSmall, type LikeName } from '../../study/pseudonyms.ts';
import { namesOutside } from '../../study/study.ts';
import { workingSources } from '../../study/subset.ts';
import { reads, type View, type ViewMakers } from '../view.ts';

/** A name that may need a pseudonym. */
export interface NameRow {
  readonly name: string;
  readonly mentions: number;
  readonly sources: number;
  /** Said in the texts, or the label of who speaks. */
  readonly as: 'said' | 'speaker';
}

/** The views about names and what they are called outside. */
export interface NameViews {
  /** Names of people, places and organisations in the texts worked with, and speakers; the most mentioned first. */
  names: View<null, { readonly rows: readonly NameRow[] }>;
  /** What of the listed names needs a look before anything leaves. */
  namesToCheck: View<
    null,
    {
      /** How often a listed name stands in the texts in small letters: it may be a word too. */
      readonly small: Readonly<Record<string, number>>;
      /** What still looks like a listed name in the texts, in names of sources and of attributes. */
      readonly alike: readonly LikeName[];
    }
  >;
}

export const NAME_KEYS = {
  names: reads(['speakers'], (state) => ({ sources: workingSources(state) })),
  namesToCheck: reads([], (state) => ({ sources: workingSources(state), names: namesOutside(state) })),
};

/** Of what looks like a listed name so much is said. */
const MOST_ALIKE = 40;

export const NAME_VIEWS: ViewMakers<NameViews, typeof NAME_KEYS> = {
  *names(_, { take, own, original }) {
    const speakers = yield* take('speakers');
    const labels = new Set(speakers.map(({ label }) => label));
    const said = namesIn(own.sources.map(({ id }) => original(id)));
    return {
      rows: [
        ...speakers
          .filter(({ label }) => label !== '')
          .map(({ label, turns, sources }): NameRow => ({
            name: label,
            mentions: turns,
            sources,
            as: 'speaker',
          })),
        ...said.filter(({ name }) => !labels.has(name)).map((each): NameRow => ({ ...each, as: 'said' })),
      ],
    };
  },

  *namesToCheck(_, { own, original }) {
    yield 0;
    const { sources, names } = own;
    const texts = sources.map(({ id }) => original(id));
    const labels = sources.flatMap(({ name, attributes }) => [name, ...Object.entries(attributes).flat()]);
    return {
      small: Object.fromEntries(writtenSmall(names.pseudonyms, texts)),
      alike: likeNames(names, [...texts, ...new Set(labels)]).slice(0, MOST_ALIKE),
    };
  },
};
