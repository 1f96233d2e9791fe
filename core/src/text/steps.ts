/** One cleaning step with what can be set about it. `id` tells steps of one kind apart. */
export type CleaningStep = { readonly id: string; readonly on: boolean } & CleaningAction;

export type CleaningAction =
  /** HTML tags go, entities such as &amp;amp; become the character they stand for. */
  | { readonly kind: 'tags' }
  | { readonly kind: 'timestamps' }
  /** Remarks in square brackets; in round ones only the usual words of transcripts, or all where `round` is set. */
  | { readonly kind: 'remarks'; readonly round: boolean }
  /** Whole lines that match a pattern. */
  | { readonly kind: 'lines'; readonly pattern: string }
  /** Words parted by a hyphen at a line's end are joined. */
  | { readonly kind: 'hyphens' }
  | { readonly kind: 'lineBreaks' }
  | { readonly kind: 'addresses' }
  | { readonly kind: 'handles'; readonly keepWord: boolean }
  | { readonly kind: 'hashtags'; readonly keepWord: boolean }
  /** A fixed text or a pattern, and what takes its place (nothing, as a space, where that is empty). */
  | {
      readonly kind: 'replace';
      readonly find: string;
      readonly isPattern: boolean;
      readonly wholeWords: boolean;
      readonly matchCase: boolean;
      readonly replacement: string;
    }
  /** Curly quotation marks, long dashes, ligatures and the like become plain ones. */
  | { readonly kind: 'typography' }
  | { readonly kind: 'symbols'; readonly which: 'emoji' | 'symbols' | 'both' }
  /** Numbers that stand alone, or every digit where `inWords` is set. */
  | { readonly kind: 'numbers'; readonly inWords: boolean }
  /** The marks given, or all where that is empty; apostrophes and hyphens inside words stay. */
  | { readonly kind: 'punctuation'; readonly marks: string }
  | { readonly kind: 'accents' }
  /** A letter three times or more in a row is written once or twice. */
  | { readonly kind: 'repeats'; readonly keep: 1 | 2 }
  | { readonly kind: 'case' }
  /** Words of fewer letters than this. */
  | { readonly kind: 'short'; readonly letters: number }
  | { readonly kind: 'space' };

export type CleaningKind = CleaningAction['kind'];

/** Every kind of step, in the order that suits most texts: what is markup first, what looks at whole words last. */
export const CLEANING_KINDS: readonly CleaningKind[] = [
  'tags',
  'timestamps',
  'remarks',
  'lines',
  'hyphens',
  'lineBreaks',
  'addresses',
  'handles',
  'hashtags',
  'replace',
  'typography',
  'symbols',
  'numbers',
  'punctuation',
  'accents',
  'repeats',
  'case',
  'short',
  'space',
];

/** Kinds a study may have several steps of. */
export const REPEATABLE: ReadonlySet<CleaningKind> = new Set(['lines', 'replace']);

/** A step of a kind as it is when it is added. */
export function newStep(kind: CleaningKind, present: readonly CleaningStep[]): CleaningStep {
  let number = 1;
  while (present.some((step) => step.id === `${kind}-${number}`)) number++;
  const id = REPEATABLE.has(kind) ? `${kind}-${number}` : kind;
  return { id, on: true, ...usualAction(kind) };
}

function usualAction(kind: CleaningKind): CleaningAction {
  switch (kind) {
    case 'remarks':
      return { kind, round: false };
    case 'lines':
      return { kind, pattern: '' };
    case 'handles':
      return { kind, keepWord: false };
    case 'hashtags':
      return { kind, keepWord: true };
    case 'replace':
      return { kind, find: '', isPattern: false, wholeWords: false, matchCase: true, replacement: '' };
    case 'symbols':
      return { kind, which: 'both' };
    case 'numbers':
      return { kind, inWords: false };
    case 'punctuation':
      return { kind, marks: '' };
    case 'repeats':
      return { kind, keep: 1 };
    case 'short':
      return { kind, letters: 3 };
    default:
      return { kind };
  }
}

/** The steps with one more where it suits best: before the first that usually comes later. */
export function withStep(steps: readonly CleaningStep[], step: CleaningStep): CleaningStep[] {
  const rank = CLEANING_KINDS.indexOf(step.kind);
  const at = steps.findIndex((each) => CLEANING_KINDS.indexOf(each.kind) > rank);
  return at < 0 ? [...steps, step] : [...steps.slice(0, at), step, ...steps.slice(at)];
}

/** The steps a study begins with. */
export const FIRST_STEPS: readonly CleaningStep[] = [
  { id: 'hyphens', on: true, kind: 'hyphens' },
  { id: 'addresses', on: true, kind: 'addresses' },
  { id: 'handles', on: true, kind: 'handles', keepWord: false },
  { id: 'numbers', on: true, kind: 'numbers', inWords: false },
  { id: 'case', on: true, kind: 'case' },
];
