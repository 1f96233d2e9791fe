/**
 * What a record holds under a word, or undefined where it holds nothing under it: "constructor" and "__proto__" are words
 * that people use, and every plain object answers to them with something that nobody put there.
 *
 * @example ownValue({ bus: 3 }, 'constructor') // undefined
 */
export function ownValue<V>(record: Readonly<Record<string, V>> | undefined, word: string): V | undefined {
  return record !== undefined && Object.hasOwn(record, word) ? record[word] : undefined;
}

/** A record without some words; words of any kind, "__proto__" too, stay what they are. */
export function withoutWords<V>(
  record: Readonly<Record<string, V>>,
  gone: (word: string, value: V) => boolean,
): Record<string, V> {
  return Object.fromEntries(Object.entries(record).filter(([word, value]) => !gone(word, value)));
}
