import { SHEETS, SHEET_NAMES } from '@green-thicket/core/base/sheets';
import { RANGES } from '@green-thicket/core/study/limits';
import { choice, number, type Controls } from '../../controls/control-inputs.tsx';

export const CONTROLS: Controls<'shownLinks' | 'shownBridges' | 'sheet'> = {
  shownLinks: {
    label: 'Links drawn inside parcels',
    help: 'Only the drawing changes; the themes rest on all links.',
    Input: number(
      'Links drawn',
      { ...RANGES.shownLinks, step: 10 },
      (state) => state.settings.map.shownLinks,
      (shownLinks) => ({ kind: 'setMap', change: { shownLinks } }),
    ),
  },
  sheet: {
    label: 'What the map is drawn on',
    help: 'The same map in another shape: what stood left stays left. On a screen a sheet that is not wide is smaller; zoom comes to all of it.',
    Input: choice(
      'Shape of the sheet',
      SHEET_NAMES.map((value) => ({ value, label: SHEETS[value].label })),
      (state) => state.settings.map.sheet,
      (sheet) => ({ kind: 'setMap', change: { sheet } }),
    ),
  },
  shownBridges: {
    label: 'Bridges drawn',
    help: 'A bridge is a link between concepts of different themes.',
    Input: number(
      'Bridges drawn',
      { ...RANGES.shownBridges, step: 10 },
      (state) => state.settings.map.shownBridges,
      (shownBridges) => ({ kind: 'setMap', change: { shownBridges } }),
    ),
  },
};
