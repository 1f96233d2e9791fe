import { type Controls } from '../../controls/control-inputs.tsx';
import { PersonsControl } from './PersonsControl.tsx';
import { SubsetControl } from './SubsetControl.tsx';
import { SpeakersControl } from './SpeakersControl.tsx';

export const CONTROLS: Controls<'subset' | 'persons' | 'speakers'> = {
  subset: {
    label: 'Sources to work with',
    help: 'Everything downstream follows: concepts, links, themes, the map and the comparison are of these sources alone.',
    wide: true,
    Input: SubsetControl,
  },
  persons: {
    label: 'Who speaks',
    help: 'Sources of one person hang together: they count as one in every interval and test, and when sources are drawn anew.',
    wide: true,
    Input: PersonsControl,
  },
  speakers: {
    label: 'Speakers',
    wide: true,
    help: 'Turns begin with a name and a colon, a time, or both. Leave out the interviewer, and only what the others said is counted.',
    Input: SpeakersControl,
  },
};
