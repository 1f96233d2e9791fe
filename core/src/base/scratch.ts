/**
 * Lists to work in that outlive the work: a list of some megabytes takes longer to be given by the system than to be filled, so
 * the last one is used again where it is as long. Whoever asks has it until the next one asks, and finds it full of zeros.
 */
export function scratchList(): (length: number) => Float64Array {
  let list = new Float64Array(0);
  return (length) => {
    if (list.length === length) list.fill(0);
    else list = new Float64Array(length);
    return list;
  };
}
