import { ownValue } from './records.ts';

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value) && !ArrayBuffer.isView(value);

const isList = (value: unknown): value is ArrayLike<unknown> =>
  Array.isArray(value) || (ArrayBuffer.isView(value) && 'length' in value);

/**
 * Whether two results hold the same, through lists, typed arrays and plain records.
 *
 * @example holdsTheSame({ keys: ['bus'] }, { keys: ['bus'] }) // true
 */
export function holdsTheSame(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (isList(a) && isList(b)) {
    if (a.length !== b.length || a.constructor !== b.constructor) return false;
    for (let i = 0; i < a.length; i++) if (a[i] !== b[i] && !holdsTheSame(a[i], b[i])) return false;
    return true;
  }
  if (!isRecord(a) || !isRecord(b)) return false;
  const names = Object.keys(a);
  return (
    names.length === Object.keys(b).length &&
    names.every((name) => Object.hasOwn(b, name) && holdsTheSame(ownValue(a, name), ownValue(b, name)))
  );
}
