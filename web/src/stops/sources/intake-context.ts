import { createContext, useContext } from 'react';
import type { FileToRead } from '../../engine/protocol.ts';

/** The ways texts come in. */
export interface Intake {
  /** Reads files and reports on each. */
  readonly addFiles: (files: readonly FileToRead[]) => void;
  /** Adds one text; the answer says why not, where it can't be added. */
  readonly addText: (name: string, text: string) => Promise<string | undefined>;
}

export const IntakeContext = createContext<Intake | undefined>(undefined);

export function useIntake(): Intake {
  const intake = useContext(IntakeContext);
  if (!intake) throw new Error('No study is open to add to.');
  return intake;
}
