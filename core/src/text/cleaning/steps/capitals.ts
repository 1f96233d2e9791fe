import { describeStep, type FindEdits } from './describe.ts';
import { editMatches } from './matching.ts';

export const capitals = describeStep({
  name: 'Capitals',
  help: 'Reads capitals as small letters, so that Bus and bus are one word.',
  fields: {},
  say: () => 'capitals are read as small letters',
});

const CAPITALS = /\p{Lu}+/gu;

export const findCapitals: FindEdits<typeof capitals> = (text) =>
  editMatches(text, CAPITALS, ([found]) => foldCase(found));

/** Lower case that never changes the number of UTF-16 units, so that places stay where they are. */
export function foldCase(text: string): string {
  const folded = text.toLowerCase();
  if (folded.length === text.length) return folded;
  return Array.from(text, (character) => {
    const small = character.toLowerCase();
    return small.length === character.length ? small : character;
  }).join('');
}
