import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';

/** The cleaning step that is pointed at, in the sentence or in the ledger: the centre marks what it changes, and only that. */
export interface PointedStep {
  readonly pointed: string | undefined;
  readonly point: (id: string | undefined) => void;
}

export const PointedStepContext = createContext<PointedStep>({ pointed: undefined, point: () => undefined });

export const usePointedStep = (): PointedStep => useContext(PointedStepContext);

/** Holds which step is pointed at: the sentence stands outside the centre. */
export function PointedStepDesk({ children }: { children: ReactNode }) {
  const [pointed, point] = useState<string>();
  const pointing = useMemo(() => ({ pointed, point }), [pointed]);
  return <PointedStepContext.Provider value={pointing}>{children}</PointedStepContext.Provider>;
}
