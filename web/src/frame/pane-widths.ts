/** Widths of the panes beside the centre: pixels, folded away, or what the style sheet gives. */
export interface PaneWidths {
  readonly ledger: number | 'folded' | 'auto';
  readonly reader: number | 'folded' | 'auto';
  /** Whether the Reader stays open where nothing is picked. */
  readonly readerStays: boolean;
  /** Whether the list is open where the centre names the same things. */
  readonly listAsked: boolean;
}
/** What has a width. */
export type Pane = 'ledger' | 'reader';

const KEY = 'green-thicket pane widths';
const AS_GIVEN: PaneWidths = { ledger: 'auto', reader: 'auto', readerStays: false, listAsked: false };

const isWidth = (value: unknown): value is PaneWidths['ledger'] =>
  value === 'folded' || value === 'auto' || (typeof value === 'number' && value >= 0 && value <= 4000);

/** The widths kept in this browser, for every study. */
export function keptWidths(): PaneWidths {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? 'null');
    if (typeof kept !== 'object' || kept === null) return AS_GIVEN;
    const { ledger, reader, readerStays, listAsked } = { ...AS_GIVEN, ...kept };
    return isWidth(ledger) && isWidth(reader)
      ? { ledger, reader, readerStays: readerStays === true, listAsked: listAsked === true }
      : AS_GIVEN;
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
