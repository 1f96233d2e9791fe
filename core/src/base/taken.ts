/** The values of a typed array at some places, in an array of its kind. */
export function taken<List extends Float64Array | Int32Array | Uint8Array>(
  list: List,
  places: ArrayLike<number>,
): List {
  const found = new (list.constructor as new (length: number) => List)(places.length);
  for (let i = 0; i < places.length; i++) found[i] = list[places[i]];
  return found;
}
