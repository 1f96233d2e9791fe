import { isStopped } from './stopped.ts';
import { App } from 'antd';
import { useCallback } from 'react';

/** Runs work that may fail, and tells the researcher what went wrong; what was stopped on purpose is no fault. */
export function useTellFault(): (title: string, work: () => Promise<unknown>) => void {
  const { modal } = App.useApp();
  return useCallback(
    (title, work) => {
      work().catch((error: unknown) => {
        if (isStopped(error)) return;
        modal.error({ title, content: error instanceof Error ? error.message : String(error) });
      });
    },
    [modal],
  );
}
