import { ownValue } from '../base/records.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { findBoundaries } from './boundaries.ts';
import { countWords } from './scan.ts';

/** Someone who speaks in the collection, by the label their turns begin with. */
export interface Speaker {
  readonly label: string;
  readonly turns: number;
  readonly words: number;
  readonly sources: number;
}

/** The speakers of a collection with what they said, by falling turns, then by label. */
export function* findSpeakers(originals: readonly string[]): Stepwise<Speaker[]> {
  const found = new Map<string, { turns: number; words: number; sources: number }>();
  let done = 0;
  for (const original of originals) {
    const { start, end, turn, speakers } = findBoundaries(original);
    const here = new Set<string>();
    for (const label of speakers) {
      const speaker = found.get(label) ?? { turns: 0, words: 0, sources: 0 };
      found.set(label, speaker);
      speaker.turns++;
      if (!here.has(label)) speaker.sources++;
      here.add(label);
    }
    for (let s = 0; s < start.length; s++) {
      const speaker = turn[s] > 0 ? found.get(speakers[turn[s] - 1]) : undefined;
      if (speaker) speaker.words += countWords(original.slice(start[s], end[s]));
    }
    yield ++done / originals.length;
  }
  return Array.from(found, ([label, counts]) => ({ label, ...counts })).sort(
    (a, b) => b.turns - a.turns || (a.label < b.label ? -1 : 1),
  );
}

/** Labels of those who ask, and of those who answer, in the languages whose words are known; small letters. */
const WHO_ASK = labels(`
  interviewer int i iv interv moderator mod facilitator question q researcher
  interviewerin moderatorin forscher forscherin frage
  intervieweur intervieweuse enquêteur enquêteuse enquêtrice modérateur modératrice
  entrevistador entrevistadora moderador moderadora investigador investigadora pesquisador pesquisadora pregunta pergunta
  intervistatore intervistatrice moderatore moderatrice domanda
  interviewster onderzoeker vraag
`);
const WHO_ANSWER = labels(`
  respondent interviewee participant answer a r p resp
  befragte befragter teilnehmer teilnehmerin antwort
  enquêté enquêtée interviewé interviewée répondant répondante
  entrevistado entrevistada respuesta resposta
  intervistato intervistata risposta
  geïnterviewde deelnemer antwoord
`);
function labels(list: string): ReadonlySet<string> {
  return new Set(list.trim().split(/\s+/));
}

/** The role a speaker's label speaks of, such as interviewer for INT or Q; undefined where it tells none. */
export function usualRole(label: string): 'interviewer' | 'respondent' | undefined {
  const word = label.toLowerCase().normalize('NFC');
  if (WHO_ASK.has(word.replace(/^(interviewer(?:in)?) \d+$/, '$1'))) return 'interviewer';
  return WHO_ANSWER.has(word.replace(/^(respondent|participant|p|r)[ -]?\d+$/, '$1'))
    ? 'respondent'
    : undefined;
}

/** Label of a speaker → their role, as the researcher gave it. */
export type SpeakerRoles = Readonly<Record<string, string>>;

/** Whether a speaker asks: by the role the researcher gave, or by what the label says. */
export const isInterviewer = (label: string, roles: SpeakerRoles): boolean =>
  (ownValue(roles, label) ?? usualRole(label))?.toLowerCase() === 'interviewer';
