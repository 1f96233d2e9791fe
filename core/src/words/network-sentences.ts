import { SHEETS } from '../base/sheets.ts';
import { MOST_TAKEN, type OtherNetwork } from '../network/elsewhere.ts';
import { counted, inFigures } from '../base/wording.ts';
import type { StudyState } from '../study/study.ts';
import type { SentencePart, Stop } from './sentence-parts.ts';

/**
 * The sentences of a study that is a network without texts: they say what only texts could tell.
 *
 * @param words the sentences of a study of texts
 * @param choices what the researcher decided about themes, in sentences
 */
export function networkSentences(
  state: StudyState,
  { name, concepts, links }: OtherNetwork,
  words: Record<Stop, readonly SentencePart[]>,
  choices: readonly string[],
): Record<Stop, readonly SentencePart[]> {
  const { themes, map } = state.settings;
  const dropped = concepts.filter((key) => state.dropped.includes(key)).length;
  const linkCount = links.split('\n').length;
  return {
    ...words,
    sources: [
      `Working with the network ${name}, ${counted(concepts.length, 'concept')} and ${counted(linkCount, 'link')}, without texts.`,
    ],
    clean: ['A network has no words to clean.'],
    concepts: [
      `Concepts are the nodes of ${name}`,
      ...(concepts.length - dropped > MOST_TAKEN ? [`, the ${MOST_TAKEN} with the strongest links`] : []),
      ...(dropped > 0
        ? [`, without ${inFigures(dropped)} that ${dropped === 1 ? 'was' : 'were'} dropped`]
        : []),
      '.',
    ],
    links: [
      `Two concepts are linked where ${name} links them, as strongly as its weight says. What rests on words (how often two meet, what chance would make of it) can’t be told without them.`,
    ],
    themes: [
      'Themes are communities of linked concepts, found by Leiden at ',
      {
        control: 'resolution',
        text:
          themes.resolution === 'auto'
            ? 'the resolution whose themes come back best when links are counted anew'
            : `resolution ${themes.resolution}`,
      },
      ' as the best of ',
      { control: 'runs', text: counted(themes.runs, 'run') },
      ' with seed ',
      { control: 'seed', text: String(themes.seed) },
      '. How steady they are over sources can’t be told without sources.',
      ...choices,
    ],
    map: [
      'A parcel’s area follows its theme’s share of all links’ weight, in their order, but none is too small for its words; position follows links, on a sheet that is ',
      { control: 'sheet', text: SHEETS[map.sheet].label },
      '. Drawn are up to ',
      { control: 'shownLinks', text: `${map.shownLinks} links` },
      ' inside parcels and ',
      { control: 'shownBridges', text: `${map.shownBridges} bridges` },
      ' between them, the strongest that go clear of every word.',
    ],
    compare: ['Groups are compared by what their sources say, and a network has none.'],
  };
}
