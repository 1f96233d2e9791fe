import { type Controls } from '../../controls/control-inputs.tsx';
import { SubsetControl } from './SubsetControl.tsx';
import { SpeakersControl } from './SpeakersControl.tsx';

export const CONTROLS: Controls<'subset' | 'speakers'> = {
  subset: {
    label: 'Sources to work with',
    help: 'Everything downstream follows: concepts, links, themes, the map and the comparison are of these sources alone.',
    wide: true,
    Input: SubsetControl,
  },
  speakers: {
    label: 'Speakers',
    wide: true,
    help: 'Turns begin with a name and a colon, a time, or both. Leave out the interviewer, and only what the others said is counted.',
    Input: SpeakersControl,
  },
};
