/** The sheet a map is drawn on, in map units, which are those of every place and size on it. */
export interface Sheet {
  readonly width: number;
  readonly height: number;
}

/** The shapes a sheet may have, all of about the same size. */
export const SHEETS = {
  wide: { label: 'three by two, as screens and slides are', width: 1200, height: 800 },
  square: { label: 'square', width: 980, height: 980 },
  upright: { label: 'A4 upright', width: 825, height: 1166 },
} as const satisfies Record<string, Sheet & { readonly label: string }>;
export type SheetName = keyof typeof SHEETS;
export const SHEET_NAMES = Object.keys(SHEETS) as readonly SheetName[];

/** The only sheet there was before one could be chosen. */
const FIRST_SHEET: Sheet = { width: 1000, height: 860 };

/** The sheet of a name; what was kept before sheets had names stood on the first one. */
export const sheetOf = (name: SheetName | undefined): Sheet =>
  name === undefined ? FIRST_SHEET : SHEETS[name];
