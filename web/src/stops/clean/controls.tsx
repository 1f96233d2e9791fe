import { type Controls } from '../../controls/control-inputs.tsx';
import { AddStep } from './AddStep.tsx';

export const CONTROLS: Controls<'addStep'> = {
  addStep: {
    label: 'Add a step',
    help: 'It goes where it suits best among the others; drag it elsewhere if you know better.',
    wide: true,
    Input: AddStep,
  },
};
