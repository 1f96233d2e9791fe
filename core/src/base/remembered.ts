/** What a value that never changes amounts to, found once. */
export function remembered<K extends object, V>(make: (value: K) => V): (value: K) => V {
  const made = new WeakMap<K, V>();
  return (value) => {
    let result = made.get(value);
    if (result === undefined) made.set(value, (result = make(value)));
    return result;
  };
}
