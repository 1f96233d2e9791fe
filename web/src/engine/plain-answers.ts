import { ownValue } from '@green-thicket/core/base/records';

/** A list of numbers of one kind, by its name. */
const LISTS = {
  Float64Array,
  Float32Array,
  Int32Array,
  Uint32Array,
  Int16Array,
  Uint16Array,
  Int8Array,
  Uint8Array,
} as const;
type Listed = InstanceType<(typeof LISTS)[keyof typeof LISTS]>;

/** What JSON has no word for stands under this name, as [kind, content]; so does a record that uses the name itself. */
const KIND = '$';

const isListed = (value: object): value is Listed =>
  ArrayBuffer.isView(value) && Object.hasOwn(LISTS, value.constructor.name);

/**
 * An answer as JSON can say it: typed arrays, maps, sets, undefined, and numbers that are none.
 *
 * @example toPlain(Float64Array.of(1, 2)) // { $: ['Float64Array', [1, 2]] }
 */
export function toPlain(value: unknown): unknown {
  const of = (kind: string, content: unknown): unknown => ({ [KIND]: [kind, content] });
  if (value === undefined) return of('undefined', null);
  if (typeof value === 'number')
    return Number.isFinite(value) && !Object.is(value, -0)
      ? value
      : of('number', Object.is(value, -0) ? '-0' : String(value));
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) return value.map(toPlain);
  if (isListed(value)) return of(value.constructor.name, Array.from(value as ArrayLike<number>, toPlain));
  if (value instanceof Map) return of('Map', [...value].map(toPlain));
  if (value instanceof Set) return of('Set', [...value].map(toPlain));
  const fields = Object.entries(value).map(([name, each]) => [name, toPlain(each)] as const);
  return Object.hasOwn(value, KIND) ? of('record', fields) : Object.fromEntries(fields);
}

/** What `toPlain` said. Throws an Error where it is of a kind that is not known. */
export function fromPlain(value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) return value.map(fromPlain);
  const record = value as Readonly<Record<string, unknown>>;
  const said = ownValue(record, KIND);
  if (!Array.isArray(said))
    return Object.fromEntries(Object.entries(record).map(([name, each]) => [name, fromPlain(each)]));
  const [kind, content] = said as [string, unknown];
  if (kind === 'undefined') return undefined;
  if (kind === 'number') return Number(content);
  const items = (content as unknown[]).map(fromPlain);
  if (kind === 'Map') return new Map(items as [unknown, unknown][]);
  if (kind === 'Set') return new Set(items);
  if (kind === 'record') return Object.fromEntries(items as [string, unknown][]);
  const List = ownValue(LISTS, kind);
  if (!List) throw new Error(`An answer has a part of an unknown kind, ${kind}.`);
  return List.from(items as number[]);
}
