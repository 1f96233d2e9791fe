import { useSyncExternalStore } from 'react';
import { keptSign } from './kept-sign.ts';
import { coloursOn, type Ground } from '../theme.ts';

/** What the page lies on as one wishes: as the system has it, or chosen. */
export const WISHES = ['system', 'light', 'dark'] as const;
export type GroundWish = (typeof WISHES)[number];

const KEPT = keptSign('ground');
const darkness = window.matchMedia('(prefers-color-scheme: dark)');
const listeners = new Set<() => void>();

/** Where the browser keeps nothing, the page is as the system has it. */
function keptWish(): GroundWish {
  const kept = KEPT.read();
  return WISHES.find((each) => each === kept) ?? 'system';
}

let wish = keptWish();
let isPrinting = false;
const tell = (): void => listeners.forEach((listener) => listener());
darkness.addEventListener('change', tell);
// Another tab's choice is this one's.
window.addEventListener('storage', (event) => {
  if (event.key !== KEPT.key && event.key !== null) return;
  wish = keptWish();
  tell();
});
// Paper is light.
for (const [name, begins] of [
  ['beforeprint', true],
  ['afterprint', false],
] as const) {
  window.addEventListener(name, () => {
    isPrinting = begins;
    tell();
  });
}

function groundNow(): Ground {
  if (isPrinting) return 'light';
  if (wish === 'system') return darkness.matches ? 'dark' : 'light';
  return wish;
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** What the page lies on now. */
export const useGround = (): Ground => useSyncExternalStore(subscribe, groundNow);

/** The colours of what lies on it, for canvases, which know no names. */
export const useColours = (): ReturnType<typeof coloursOn> => coloursOn(useGround());

/** What was wished, and how to wish otherwise. */
export function useGroundWish(): [GroundWish, (next: GroundWish) => void] {
  return [useSyncExternalStore(subscribe, () => wish), wishGround];
}

/** Kept with how one works, for every study in this browser. */
export function wishGround(next: GroundWish): void {
  wish = next;
  KEPT.write(next);
  tell();
}
