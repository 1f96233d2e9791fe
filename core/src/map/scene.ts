import { area, inset } from './geometry.ts';
import type { Themes } from '../themes/themes.ts';
import { linksShown } from './shown-links.ts';
import type { Land, Stood } from './ground.ts';
import { landOfThemes } from './land.ts';
import { placeName } from './names.ts';
import { inkOf } from './palette.ts';
import type { MapInput, MapLabel, MapParcel, MapScene } from './scene-types.ts';
import { SMALLEST_TYPE } from './sheet.ts';
import { sheetOf, type Sheet, type SheetName } from '../base/sheets.ts';
import { footOf, placeWords, writtenWords } from './words.ts';

export type * from './scene-types.ts';

const GAP_BETWEEN = 7;
/** A word is never as large as its theme's name. */
const BELOW_NAME = 0.86;

const nobody = (sheet: Sheet): MapScene => ({
  sheet,
  parcels: [],
  labels: [],
  links: [],
  loose: [],
  hidden: [],
  ground: [],
});

/** Lays out the map. The same network on the same ground gives the same map; a letter starts in the same quarter each time. */
export function layOutMap(input: MapInput): MapScene {
  const { keys, labels, mentions, links, themes, settings, ground = [] } = input;
  const { themeOf } = themes;
  const sheet = sheetOf(settings.sheet);
  const loose = labels.map((_, i) => i).filter((i) => themeOf[i] < 0);
  if (themes.themes.length === 0) return { ...nobody(sheet), loose };
  const written = writtenWords(input);
  const { cells, sites } = landOfThemes(input, written);
  const whole = cells.reduce((sum, cell) => sum + area(cell), 0);
  const parcels = cells.map((cell, theme): MapParcel => {
    const { letter, label } = themes.themes[theme];
    const polygon = inset(cell, GAP_BETWEEN / 2);
    return {
      theme,
      letter,
      name: label,
      ink: inkOf(letter),
      polygon,
      landShare: area(cell) / whole,
      written: placeName(polygon, `${letter} ${label}`, ground.find((land) => land.letter === letter)?.name),
    };
  });
  const sized = labels.map((_, i) =>
    written(
      i,
      themeOf[i] < 0 ? SMALLEST_TYPE : Math.max(SMALLEST_TYPE, BELOW_NAME * parcels[themeOf[i]].written.type),
    ),
  );
  const { shown, hidden } = placeWords(input, parcels, sized);
  const foot = footOf(loose, labels, mentions, sheet);
  const onWhole = shown.filter(({ zoom }) => zoom === 1);
  return {
    sheet: { width: sheet.width, height: sheet.height },
    parcels,
    labels: [...onWhole, ...foot, ...shown.filter(({ zoom }) => zoom > 1)],
    links: linksShown(onWhole, parcels, links, themeOf, settings),
    loose,
    hidden,
    ground: groundNow(themes, { sheet: settings.sheet, keys, parcels, sites, shown }, ground),
  };
}

/** Where themes and words stand now; of words that are not on the map where they stood. */
function groundNow(
  { themes }: Themes,
  {
    sheet,
    keys,
    parcels,
    sites,
    shown,
  }: {
    readonly sheet: SheetName;
    readonly keys: readonly string[];
    readonly parcels: readonly MapParcel[];
    readonly sites: readonly Land['site'][];
    readonly shown: readonly MapLabel[];
  },
  before: readonly Land[],
): Land[] {
  return themes.map(({ letter }, theme) => ({
    letter,
    sheet,
    site: sites[theme],
    name: [
      parcels[theme].written.x,
      parcels[theme].written.y,
      parcels[theme].written.type,
      parcels[theme].written.lines.length,
    ],
    places: Object.fromEntries([
      ...Object.entries(before.find((land) => land.letter === letter)?.places ?? {}),
      ...shown
        .filter((label) => label.theme === theme && label.zoom === 1)
        .map(({ concept, x, y, type }): [string, Stood] => [keys[concept], [x, y, type]]),
    ]),
  }));
}
