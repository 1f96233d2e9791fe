import { RANGES } from '@green-thicket/core/study/limits';
import { number, type Controls } from '../../controls/control-inputs.tsx';

export const CONTROLS: Controls<'shownLinks' | 'shownBridges'> = {
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
