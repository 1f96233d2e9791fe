import { useEffect, useState, type RefObject } from 'react';
import { catchLostFocus } from './focus-centre.ts';

/**
 * Begins a dialog in its first field, and takes the focus back to what opened it once it is gone, unless something else has it
 * by then; where that is gone too, to the centre.
 *
 * @param otherwise - takes the focus where what opened it is gone, as a choice in a box that closed
 */
export function useReturnFocus(otherwise?: RefObject<HTMLElement | null>): void {
  // Before anything of the dialog is drawn, and can have taken the focus.
  const [opener] = useState(() =>
    document.activeElement instanceof HTMLElement ? document.activeElement : undefined,
  );
  useEffect(() => {
    const instead = otherwise?.current;
    // Where nothing moves, the library has given the focus to the cross by now.
    const begin = setTimeout(() => {
      const dialog = document.activeElement?.closest('.ant-modal-close')?.closest('.ant-modal');
      dialog?.querySelector<HTMLElement>('.ant-modal-body :is(input, textarea)')?.focus();
    });
    return () => {
      clearTimeout(begin);
      // The dialog is still in the page now; what it held is let go of after this.
      setTimeout(() => {
        const now = document.activeElement;
        const isLost =
          now === null || now === document.body || now.closest('.ant-modal-wrap, .ant-drawer') !== null;
        if (!isLost) return;
        if (opener?.isConnected) opener.focus({ preventScroll: true });
        if (document.activeElement !== opener) instead?.focus({ preventScroll: true });
        catchLostFocus();
      });
    };
  }, [opener, otherwise]);
}
