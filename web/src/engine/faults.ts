/** Computations that failed, by the view that shows them; told to whoever shows faults. */
const faults = new Map<string, string>();
const listeners = new Set<() => void>();
let shown: readonly string[] = [];

function changed(): void {
  shown = [...new Set(faults.values())];
  for (const listener of listeners) listener();
}

/** Notes that a view failed. */
export function tellViewFault(view: string, reason: string): void {
  faults.set(view, reason);
  changed();
}

/** Notes that a view failed no longer. */
export function forgetViewFault(view: string): void {
  if (faults.delete(view)) changed();
}

export function watchFaults(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** The reasons why what is shown could not be computed, each once. */
export const presentFaults = (): readonly string[] => shown;
