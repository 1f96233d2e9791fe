import { createContext, useContext } from 'react';
import type { FileToRead } from '../../engine/protocol.ts';

/** Endings of the files that may hold a network. */
export const NETWORK_ENDINGS = ['.graphml', '.json', '.csv', '.tsv', '.xml'] as const;

/** The ways texts come in. */
export interface Intake {
  /** Reads files and reports on each. */
  readonly addFiles: (files: readonly FileToRead[]) => void;
  /** Opens a network of links that was made elsewhere, in a study without texts. */
  readonly openNetwork: (file: FileToRead) => void;
  /** Adds one text; the answer says why not, where it can't be added. */
  readonly addText: (name: string, text: string) => Promise<string | undefined>;
}

export const IntakeContext = createContext<Intake | undefined>(undefined);

export function useIntake(): Intake {
  const intake = useContext(IntakeContext);
  if (!intake) throw new Error('No study is open to add to.');
  return intake;
}
