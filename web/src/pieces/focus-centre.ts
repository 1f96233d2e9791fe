/** Frames the next stop's centre is waited for. */
const MOST_FRAMES = 120;

/** What the stop shows, which the focus can be taken to. */
const centreOf = (): HTMLElement | null => document.querySelector<HTMLElement>('main.centre');

/** Takes the focus to what the stop shows. */
export function focusCentre(): void {
  const centre = centreOf();
  if (!centre) return;
  // It takes the focus only when it is taken there, so that a click on it takes none.
  centre.setAttribute('tabindex', '-1');
  centre.focus({ preventScroll: true });
}

/**
 * Takes the focus to the centre of the stop that is gone to, once that is drawn.
 *
 * @param isSameStop whether its centre stands already
 * @returns what begins to wait, to be called when the way there was taken
 */
export function followToCentre(isSameStop: boolean): () => void {
  const before = centreOf();
  const look = (left: number): void => {
    const centre = centreOf();
    if (centre && (isSameStop || centre !== before)) focusCentre();
    else if (left > 0) requestAnimationFrame(() => look(left - 1));
  };
  // A dialog that closes gives the focus back to what opened it first.
  return () => {
    setTimeout(() => look(MOST_FRAMES), 0);
  };
}

/** Takes the focus to the centre, once that is drawn, where nothing has it: what had it is gone, as a button of a screen that was left. */
export function catchLostFocus(): void {
  const look = (left: number): void => {
    const now = document.activeElement;
    if (now !== null && now !== document.body) return;
    if (centreOf()) focusCentre();
    else if (left > 0) requestAnimationFrame(() => look(left - 1));
  };
  look(MOST_FRAMES);
}
