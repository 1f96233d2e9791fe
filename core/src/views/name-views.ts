import { namesIn } from '../text/capitalised.ts';
import { workingSources } from '../study/subset.ts';
import { reads, type View, type ViewMakers } from './view.ts';

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
}

export const NAME_KEYS = {
  names: reads(['speakers'], (state) => ({ sources: workingSources(state) })),
};

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
};
