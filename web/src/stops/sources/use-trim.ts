import { useCallback } from 'react';
import type { TrimRule } from '@green-thicket/core/text/trimming';
import { useAsk } from '../../engine/use-ask.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { useTellFault } from '../../pieces/use-fault.ts';

/** Takes what a rule finds out of some sources, or puts it back; one decision, so that it can be undone. */
export function useTrim(): (rule: TrimRule, sourceIds: readonly string[], back?: boolean) => void {
  const ask = useAsk();
  const tellFault = useTellFault();
  const { decide } = useStudy();
  return useCallback(
    (rule, sourceIds, back = false) =>
      tellFault('The texts could not be looked through', async () => {
        const { cuts } = await ask('trim', { rule, sourceIds, back });
        decide({ kind: 'setCuts', cuts });
      }),
    [ask, decide, tellFault],
  );
}
