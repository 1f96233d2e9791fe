import { byCodeUnits } from '../base/order.ts';
import { ownValue } from '../base/records.ts';
import type { StudySource } from './study.ts';

/** Who may speak in several sources, as it looks; asked about before anything is made of it. */
export type GuessedPersons =
  /** An attribute says it. */
  | { readonly by: 'attribute'; readonly attribute: string; readonly people: number }
  /** Names of sources or labels of speakers say it: a person for each of some sources. */
  | {
      readonly by: 'names' | 'speakers';
      readonly persons: Readonly<Record<string, string>>;
      readonly people: number;
      /** Two sources of one person, by name. */
      readonly example: readonly [string, string];
    };

/** Names of attributes that say who speaks, in the languages of the trade. */
const WHO =
  /^(?:person|people|participant|respondent|informant|interviewee|who|befragte|teilnehmer|persona|personne|participante|persoon|deelnemer)/i;
/** A person seldom speaks in more sources than this; what more share is a kind of source. */
const MOST_SOURCES = 6;
const FEWEST_PEOPLE = 2;

/** What stands for a part of a person's talk at the end of a name: "d07 part 2", "Anna (2)", "P03-b", "d07_1". */
const PART =
  /^(.*?\p{L}.*?)[\s_.,(–-]+(?:(?:part|session|wave|round|visit|meeting|teil|gespräch|partie|parte|deel|sesión|sessione)[\s_.-]*)?(?:\d{1,2}|[a-f])\)?$/iu;
/** A name that is one person's: it has a number of its own, or is told apart by a word for a part. */
const OF_ONE = /\d/;
const SAYS_PART =
  /(?:part|session|wave|round|visit|meeting|teil|gespräch|partie|parte|deel|sesión|sessione)[\s_.-]*\d/iu;

/** Labels that stand for whoever answers. */
const ANYBODY =
  /^(?:\p{L}{1,2}|respondent|participant|interviewee|informant|speaker|befragte\p{L}*|answer)\W*\d*$/iu;

/** The person a source's name is of, where it ends in the number of a part; undefined where it does not. */
function personInName(name: string): { readonly person: string; readonly isSure: boolean } | undefined {
  const bare = name.replace(/\.[a-z]{2,5}$/i, '').trim();
  const person = PART.exec(bare)?.[1].trim();
  return person === undefined || person === ''
    ? undefined
    : { person, isSure: OF_ONE.test(person) || SAYS_PART.test(bare) };
}

/** The sources of each person of some, those with several; undefined where they are too few, or too many each to be people. */
function severalOf(
  sources: readonly StudySource[],
  personOf: (source: StudySource, place: number) => string | undefined,
): Map<string, StudySource[]> | undefined {
  const sourcesOf = new Map<string, StudySource[]>();
  sources.forEach((source, place) => {
    const person = personOf(source, place);
    if (person === undefined) return;
    const known = sourcesOf.get(person);
    if (known) known.push(source);
    else sourcesOf.set(person, [source]);
  });
  const several = new Map([...sourcesOf].filter(([, own]) => own.length > 1));
  const isPeople =
    several.size >= FEWEST_PEOPLE && [...several.values()].every((own) => own.length <= MOST_SOURCES);
  return isPeople ? several : undefined;
}

function guessed(
  by: 'names' | 'speakers',
  several: ReadonlyMap<string, readonly StudySource[]>,
): GuessedPersons {
  const persons = Object.fromEntries(
    [...several].flatMap(([person, own]) => own.map(({ id }) => [id, person])),
  );
  const [own] = [...several.values()];
  const [first, second] = own.map(({ name }) => name).sort(byCodeUnits);
  return { by, persons, people: several.size, example: [first, second] };
}

/**
 * Who may speak in several of some sources: by an attribute that is named so, by names that differ by the number of a part, or by
 * the speaker of each. Undefined where nothing looks like it.
 *
 * @param speakers label of who says most in each source, interviewers aside; undefined where there is none
 * @example guessPersons([d07 part 1, d07 part 2, d09 part 1, d09 part 2], …) // by names, 2 people
 */
export function guessPersons(
  sources: readonly StudySource[],
  speakers: readonly (string | undefined)[],
): GuessedPersons | undefined {
  const attributes = new Set(sources.flatMap((source) => Object.keys(source.attributes)));
  for (const attribute of attributes) {
    if (!WHO.test(attribute)) continue;
    const valueOf = (source: StudySource): string | undefined =>
      (ownValue(source.attributes, attribute) ?? '').trim() || undefined;
    const several = severalOf(sources, valueOf);
    if (several) return { by: 'attribute', attribute, people: new Set(sources.map(valueOf)).size };
  }
  const inNames = sources.map(({ name }) => personInName(name));
  const several = severalOf(sources, (_, place) => inNames[place]?.person);
  // “driver 1, driver 2, resident 1” are kinds, “d07 1, d07 2” are parts.
  const isSure = [...(several?.keys() ?? [])].every((person) =>
    inNames.some((each) => each?.person === person && each.isSure),
  );
  if (several && isSure) return guessed('names', several);
  const spoken = severalOf(sources, (_, place) => {
    const label = speakers[place]?.trim();
    return label === undefined || ANYBODY.test(label) ? undefined : label;
  });
  return spoken && guessed('speakers', spoken);
}
