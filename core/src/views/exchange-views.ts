import { strToU8 } from 'fflate';
import { eachRowSpoken } from '../compare/rows.ts';
import { conceptLabels } from '../engine/resources.ts';
import { fewestInStretch, idsOf } from '../engine/stage-keys.ts';
import { writeCodebook, writeQdaProject, type QdaCode, type QdaSelection } from '../formats/qda-write.ts';
import { inkOf } from '../map/palette.ts';
import { sentenceAt } from '../reading/hits.ts';
import type { NotebookEntry } from '../study/notebook.ts';
import type { StudyState } from '../study/study.ts';
import { sourcesIn, workingSources } from '../study/subset.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { ownValue } from '../base/records.ts';
import type { CleanedFileView } from './collection-view-types.ts';
import { renamerOf } from '../study/pseudonyms.ts';
import { renamedSources } from './passage-files.ts';
import { reads, type ContextOf, type View, type ViewMakers } from './view.ts';

/** The views that are files for other programs of the trade. */
export interface ExchangeViews {
  /** Themes and concepts as a codebook (REFI-QDA, .qdc). */
  codebookFile: View<null, CleanedFileView>;
  /** The whole study as a project (REFI-QDA, .qdpx); `notes` are the memos of the Notebook. */
  projectFile: View<{ readonly notes: readonly NotebookEntry[] }, CleanedFileView>;
}

const CODE_STAGES = ['concepts', 'themes'] as const;

export const EXCHANGE_KEYS = {
  codebookFile: reads(CODE_STAGES, (state) => ({
    labels: state.conceptLabels,
    pseudonyms: state.pseudonyms,
    notes: state.themeChoices.notes,
  })),
  projectFile: reads([...CODE_STAGES, 'tokens', 'stretches', 'spoken'], (state) => ({
    labels: state.conceptLabels,
    pseudonyms: state.pseudonyms,
    notes: state.themeChoices.notes,
    fewest: fewestInStretch(state),
    title: state.title,
    sources: workingSources(state),
    types: state.attributeTypes,
    sets: subsetsOf(state),
  })),
};

/** The subsets that were kept under a name, with those of their sources the study works with. */
function subsetsOf(state: StudyState): { name: string; sources: string[] }[] {
  const working = new Set(idsOf(workingSources(state)));
  return Object.entries(state.subsets).map(([name, subset]) => ({
    name,
    sources: idsOf(sourcesIn(state, subset)).filter((id) => working.has(id)),
  }));
}

/** Themes as codes with their definitions and colours, concepts as codes inside them; those in no theme by themselves. */
function* codesOf({
  take,
  own,
}: Pick<ContextOf<typeof EXCHANGE_KEYS.codebookFile>, 'take' | 'own'>): Stepwise<QdaCode[]> {
  const concepts = yield* take('concepts');
  const { themes, themeOf } = yield* take('themes');
  const { rename, renameAnyCase } = renamerOf(own.pseudonyms);
  const labels = conceptLabels(own.labels, concepts).map(renameAnyCase);
  const conceptCode = (i: number, colour?: string): QdaCode => ({
    id: `concept ${concepts.keys[i]}`,
    name: labels[i],
    ...(colour === undefined ? {} : { colour }),
  });
  return [
    ...themes.map(({ letter, label, concepts: members }): QdaCode => {
      const colour = inkOf(letter);
      return {
        id: `theme ${letter}`,
        name: renameAnyCase(label),
        description: rename(ownValue(own.notes, letter) ?? ''),
        colour,
        codes: members.map((i) => conceptCode(i, colour)),
      };
    }),
    ...concepts.keys.flatMap((_, i) => (themeOf[i] < 0 ? [conceptCode(i)] : [])),
  ];
}

export const EXCHANGE_VIEWS: ViewMakers<ExchangeViews, typeof EXCHANGE_KEYS> = {
  *codebookFile(_, context) {
    return { bytes: strToU8(writeCodebook(yield* codesOf(context))) };
  },

  *projectFile({ notes }, { take, own, original }) {
    const codes = yield* codesOf({ take, own });
    const concepts = yield* take('concepts');
    const { themes } = yield* take('themes');
    const tokens = yield* take('tokens');
    const stretches = yield* take('stretches');
    const spoken = yield* take('spoken');
    const selections: QdaSelection[][] = own.sources.map(() => []);
    // Passages that speak to a theme: whole sentences, so that they can be read by themselves.
    const rows = themes.map(({ concepts: members }) => ({ concepts: members, fewest: own.fewest }));
    eachRowSpoken(spoken, rows, (w, theme) => {
      const [first, last] = [
        sentenceAt(tokens, stretches.first[w]),
        sentenceAt(tokens, stretches.end[w] - 1),
      ];
      selections[stretches.source[w]].push({
        start: tokens.sentenceStart[first],
        end: tokens.sentenceEnd[last],
        codes: [`theme ${themes[theme].letter}`],
      });
    });
    yield 0.5;
    const { occurrence, occurrenceFirst, occurrenceEnd } = concepts;
    for (let i = 0; i < occurrence.length; i++) {
      selections[tokens.sentenceSource[sentenceAt(tokens, occurrenceFirst[i])]].push({
        start: tokens.start[occurrenceFirst[i]],
        end: tokens.end[occurrenceEnd[i] - 1],
        codes: [`concept ${concepts.keys[occurrence[i]]}`],
      });
    }
    const renamer = renamerOf(own.pseudonyms);
    const bytes = writeQdaProject({
      title: renamer.renameAnyCase(own.title),
      codes,
      types: own.types,
      sets: own.sets.map(({ name, sources }) => ({ name: renamer.renameAnyCase(name), sources })),
      sources: renamedSources(own.sources, renamer).map(({ id, name, attributes }, s) => {
        const { text, placeOf } = renamer.renamed(original(id));
        return {
          id,
          name,
          text,
          attributes: Object.fromEntries(
            Object.entries(attributes).filter(([, value]) => value.trim() !== ''),
          ),
          selections: selections[s].map((selection) => ({
            ...selection,
            start: placeOf(selection.start, 'start'),
            end: placeOf(selection.end, 'end'),
          })),
        };
      }),
      notes: notes
        .filter(({ note }) => note.trim() !== '')
        .map(({ id, note }) => {
          const text = renamer.rename(note);
          return { id, name: text.trim().slice(0, 60), text };
        }),
    });
    return { bytes };
  },
};
