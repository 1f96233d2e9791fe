import { byCodeUnits } from '@green-thicket/core/base/order';
import { comparable } from '@green-thicket/core/study/attributes';
import type { StudySource, StudyState } from '@green-thicket/core/study/study';
import { ownValue } from '@green-thicket/core/base/records';

/** What the rows are ordered by: the name, the words, or an attribute. */
export interface RowOrder {
  readonly by: 'name' | 'words' | { readonly attribute: string };
  readonly falling: boolean;
}

/** The sources as rows: those that hold what was typed, in the order asked for; where a value is missing comes last. */
export function orderedRows(
  state: StudyState,
  words: ReadonlyMap<string, number> | undefined,
  filter: string,
  order: RowOrder | undefined,
): readonly StudySource[] {
  const typed = filter.trim().toLowerCase();
  const found =
    typed === ''
      ? state.sources
      : state.sources.filter(
          ({ name, attributes }) =>
            name.toLowerCase().includes(typed) ||
            Object.values(attributes).some((value) => value.toLowerCase().includes(typed)),
        );
  if (!order) return found;
  const { by, falling } = order;
  const keyOf = (source: StudySource): string | number | undefined => {
    if (by === 'name') return source.name;
    if (by === 'words') return words?.get(source.id);
    const type = ownValue(state.attributeTypes, by.attribute) ?? 'text';
    return comparable(
      ownValue(source.attributes, by.attribute) ?? '',
      type,
      state.settings.sources.dateOrder ?? 'dmy',
    );
  };
  const keyed = found.map((source, i) => ({ source, key: keyOf(source), i }));
  keyed.sort((a, b) => {
    if (a.key === undefined || b.key === undefined) {
      return a.key === b.key ? a.i - b.i : a.key === undefined ? 1 : -1;
    }
    const difference =
      typeof a.key === 'number' && typeof b.key === 'number'
        ? a.key - b.key
        : byCodeUnits(String(a.key), String(b.key));
    return (falling ? -difference : difference) || a.i - b.i;
  });
  return keyed.map(({ source }) => source);
}
