import type { ThemeRow, ThemesView } from '@green-thicket/core/views/view-types';
import type { Decision } from '@green-thicket/core/study/decisions';

/** What is dragged over the columns: a concept by its key, or a theme by its letter. */
export type Dragged =
  { readonly kind: 'concept'; readonly key: string } | { readonly kind: 'theme'; readonly letter: string };

const TYPE = 'application/x-green-thicket';

export function drag(transfer: DataTransfer, what: Dragged, text: string): void {
  transfer.setData(TYPE, JSON.stringify(what));
  transfer.setData('text/plain', text);
  transfer.effectAllowed = 'move';
}

export const isDragged = (transfer: DataTransfer): boolean => transfer.types.includes(TYPE);

export function dropped(transfer: DataTransfer): Dragged | undefined {
  const said = transfer.getData(TYPE);
  return said === '' ? undefined : (JSON.parse(said) as Dragged);
}

/** What dropping something on a theme decides. */
export function droppedOn(what: Dragged, letter: string): Decision | undefined {
  if (what.kind === 'concept') return { kind: 'placeConcepts', keys: [what.key], letter };
  return what.letter === letter ? undefined : { kind: 'joinThemes', letters: [what.letter], into: letter };
}

export const keysOf = (theme: Pick<ThemeRow, 'concepts'>): string[] => theme.concepts.map(({ key }) => key);

export const setAside = (theme: ThemeRow): Decision => ({
  kind: 'setThemeAside',
  letter: theme.letter,
  name: theme.label,
  keys: keysOf(theme),
});

/** What a theme is called in a list of themes. */
export const titleOf = ({ letter, label }: Pick<ThemeRow, 'letter' | 'label'>): string =>
  `${letter} · ${label}`;

/** Begins a theme of its own with some concepts, where the grouping adds to it or not. */
export const begin = (
  { nextLetter }: Pick<ThemesView, 'nextLetter'>,
  keys: readonly string[],
  grows: boolean,
): Decision => ({ kind: 'beginThemes', themes: [{ letter: nextLetter, keys }], grows });
