import { isStopped } from '../pieces/stopped.ts';
import { App } from 'antd';
import { useEffect } from 'react';

/** Faults that no part of the page is told of are said all the same. */
export function UnheardFaults() {
  const { modal } = App.useApp();
  useEffect(() => {
    let shown = false;
    const tell = (error: unknown): void => {
      if (shown || isStopped(error)) return;
      shown = true;
      modal.error({
        title: 'Something went wrong',
        content: error instanceof Error ? error.message : String(error),
        afterClose: () => {
          shown = false;
        },
      });
    };
    const onRejection = (event: PromiseRejectionEvent): void => tell(event.reason);
    const onError = (event: ErrorEvent): void => {
      // A browser's note that a size changed while it was laid out is none.
      if (event.error instanceof Error) tell(event.error);
    };
    window.addEventListener('unhandledrejection', onRejection);
    window.addEventListener('error', onError);
    return () => {
      window.removeEventListener('unhandledrejection', onRejection);
      window.removeEventListener('error', onError);
    };
  }, [modal]);
  return null;
}
