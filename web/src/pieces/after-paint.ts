/** A page out of sight is not painted; work that waits for paint goes on after this long, in milliseconds. */
const OUT_OF_SIGHT = 100;

/** Does work in a step of its own once what is drawn so far has been painted; returns what calls it off. */
export function afterPaint(work: () => void): () => void {
  let next: ReturnType<typeof setTimeout> | undefined;
  const goOn = (): void => {
    cancelAnimationFrame(frame);
    clearTimeout(unseen);
    next = setTimeout(work);
  };
  const frame = requestAnimationFrame(goOn);
  const unseen = setTimeout(goOn, OUT_OF_SIGHT);
  return () => {
    cancelAnimationFrame(frame);
    clearTimeout(unseen);
    clearTimeout(next);
  };
}
