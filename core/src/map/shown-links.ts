import { sheetOf, type Sheet } from '../base/sheets.ts';
import { ranked } from '../base/order.ts';
import type { Links } from '../network/links.ts';
import { boxOfName } from './names.ts';
import type { Box } from './free-place.ts';
import { routeBetween } from './routes.ts';
import type { MapLabel, MapLink, MapParcel, MapSettings } from './scene-types.ts';
import { FOOT } from './sheet.ts';

/** Links of a kind that are tried. */
const MOST_TRIES = 400;

/** So much beyond a sheet nothing is drawn. */
const BEYOND = 200;

/** The foot of a sheet and what lies beyond its edges: a link goes clear of them as of a word. */
const edgesOf = ({ width, height }: Sheet): Box[] => [
  { x: width / 2, y: height - FOOT + (FOOT + BEYOND) / 2, width: 3 * width, height: FOOT + BEYOND },
  { x: width / 2, y: -BEYOND / 2, width: 3 * width, height: BEYOND },
  { x: -BEYOND / 2, y: height / 2, width: BEYOND, height: 3 * height },
  { x: width + BEYOND / 2, y: height / 2, width: BEYOND, height: 3 * height },
];

/** The strongest links that go clear of every word: inside parcels as quiet curves, bridges beside them. */
export function linksShown(
  labels: readonly MapLabel[],
  parcels: readonly MapParcel[],
  links: Pick<Links, 'standing' | 'source' | 'target' | 'strength' | 'beyond'>,
  themeOf: Int32Array,
  settings: MapSettings,
): MapLink[] {
  const labelOf = new Map(labels.map((label) => [label.concept, label]));
  const boxes: Box[] = [
    ...labels,
    ...parcels.map(({ written }) => boxOfName(written)),
    ...edgesOf(sheetOf(settings.sheet)),
  ];
  const strongest = links.standing > 0 ? links.strength[0] : 1;
  const drawn: MapLink[] = [];
  let inside = 0;
  let bridges = 0;
  const tried: [inside: number, bridges: number] = [0, 0];
  for (const l of ranked(links.standing, (i) => links.strength[i])) {
    const a = labelOf.get(links.source[l]);
    const b = labelOf.get(links.target[l]);
    if (!a || !b) continue;
    const bridge = themeOf[a.concept] !== themeOf[b.concept];
    if (bridge ? bridges >= settings.shownBridges : inside >= settings.shownLinks) continue;
    // Where words stand close few links get through; it is not tried for ever.
    if (tried[bridge ? 1 : 0]++ >= MOST_TRIES) continue;
    const route = routeBetween(a, b, boxes);
    if (!route) continue;
    if (bridge) bridges++;
    else inside++;
    drawn.push({
      source: a.concept,
      target: b.concept,
      bridge,
      bySources: links.beyond[l] === 2,
      theme: bridge ? -1 : a.theme,
      width: 0.8 + 2.4 * (links.strength[l] / strongest) ** 2,
      ...route,
    });
  }
  return drawn;
}
