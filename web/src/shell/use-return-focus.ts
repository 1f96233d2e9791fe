import { useEffect } from 'react';

/** Takes the focus back to what opened a dialog once the dialog is gone, unless something else has it by then. */
export function useReturnFocus(): void {
  useEffect(() => {
    const opener = document.activeElement instanceof HTMLElement ? document.activeElement : undefined;
    return () => {
      // The dialog is still in the page now; what it held is let go of after this.
      setTimeout(() => {
        const now = document.activeElement;
        const isLost = now === null || now === document.body || now.closest('.ant-modal-wrap') !== null;
        if (isLost && opener?.isConnected) opener.focus({ preventScroll: true });
      });
    };
  }, []);
}
