/** Frames the next stop's stage is waited for. */
const MOST_FRAMES = 120;

/** What the stop shows, which the focus can be taken to. */
const stageOf = (): HTMLElement | null => document.querySelector<HTMLElement>('main.stage');

/** Takes the focus to what the stop shows. */
export function focusStage(): void {
  const stage = stageOf();
  if (!stage) return;
  // It takes the focus only when it is taken there, so that a click on it takes none.
  stage.setAttribute('tabindex', '-1');
  stage.focus({ preventScroll: true });
}

/**
 * Takes the focus to the stage of the stop that is gone to, once that is drawn.
 *
 * @param isSameStop whether its stage stands already
 * @returns what begins to wait, to be called when the way there was taken
 */
export function followToStage(isSameStop: boolean): () => void {
  const before = stageOf();
  const look = (left: number): void => {
    const stage = stageOf();
    if (stage && (isSameStop || stage !== before)) focusStage();
    else if (left > 0) requestAnimationFrame(() => look(left - 1));
  };
  // A dialog that closes gives the focus back to what opened it first.
  return () => {
    setTimeout(() => look(MOST_FRAMES), 0);
  };
}
