/** Widths of the panes beside the centre: pixels, folded away, or what the style sheet gives. */
export interface PaneWidths {
  readonly ledger: number | 'folded' | 'auto';
  readonly reader: number | 'folded' | 'auto';
}

const KEY = 'green-thicket pane widths';
const AS_GIVEN: PaneWidths = { ledger: 'auto', reader: 'auto' };

const isWidth = (value: unknown): value is PaneWidths['ledger'] =>
  value === 'folded' || value === 'auto' || (typeof value === 'number' && value >= 0 && value <= 4000);

/** The widths kept in this browser, for every study. */
export function keptWidths(): PaneWidths {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? 'null');
    if (typeof kept !== 'object' || kept === null) return AS_GIVEN;
    const { ledger, reader } = { ...AS_GIVEN, ...kept };
    return isWidth(ledger) && isWidth(reader) ? { ledger, reader } : AS_GIVEN;
  } catch {
    // What was kept is no longer readable, or nothing may be kept here: the panes are as given.
    return AS_GIVEN;
  }
}

export function keepWidths(widths: PaneWidths): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(widths));
  } catch (error) {
    // Where the browser keeps nothing, the widths hold until the page is left.
    console.warn(error);
  }
}
