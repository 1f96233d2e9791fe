/** Whether two values show the same: equal, or lists and plain objects of such. Elements and functions must be the same. */
function sameValue(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Object.getPrototypeOf(a) !== Object.getPrototypeOf(b) || '$$typeof' in a) return false;
  return sameProps(a, b);
}

/** Whether a part of the page would show the same with these props as with those. */
export function sameProps(a: object, b: object): boolean {
  const [ofA, ofB] = [Object.entries(a), new Map(Object.entries(b))];
  return (
    ofA.length === ofB.size && ofA.every(([key, value]) => ofB.has(key) && sameValue(value, ofB.get(key)))
  );
}
