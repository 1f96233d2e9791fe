import { useEffect, useRef, type ReactNode } from 'react';
import styles from './FocusBox.module.css';

/** What can be reached by Tab. */
const REACHABLE =
  'button:not([disabled]):not([tabindex="-1"]), input:not([disabled]):not([type="hidden"]):not([tabindex="-1"]), textarea:not([disabled]), select:not([disabled]), a[href], [tabindex="0"]';

/** Frames that are waited for while a box comes into sight: one that is on its way takes no focus. */
const MOST_FRAMES = 90;

function reachable(box: HTMLElement): HTMLElement[] {
  return Array.from(box.querySelectorAll<HTMLElement>(REACHABLE)).filter(
    (each) => each.offsetParent !== null || each.getClientRects().length > 0,
  );
}

/**
 * The content of something that opens over the page, such as the choices of a control: the focus goes in when it opens,
 * goes round in it by Tab, and goes back to what opened it when it closes.
 */
export function FocusBox({
  label,
  className,
  onClose,
  children,
}: {
  label: string;
  className: string;
  onClose: () => void;
  children: ReactNode;
}) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const opener = document.activeElement instanceof HTMLElement ? document.activeElement : undefined;
    const inside = box.current;
    let frame = 0;
    let frames = 0;
    const enter = (): void => {
      if (!inside || inside.contains(document.activeElement)) return;
      // A choice that is made already is where one would go on.
      const first =
        inside.querySelector<HTMLElement>('input:checked:not([disabled])') ??
        reachable(inside.querySelector<HTMLElement>('.focus-inside') ?? inside)[0] ??
        inside;
      first.focus({ preventScroll: true });
      if (!inside.contains(document.activeElement) && frames++ < MOST_FRAMES)
        frame = requestAnimationFrame(enter);
    };
    enter();
    return () => {
      cancelAnimationFrame(frame);
      const now = document.activeElement;
      const isLost = now === null || now === document.body || (inside?.contains(now) ?? false);
      if (isLost && opener?.isConnected) opener.focus({ preventScroll: true });
    };
  }, []);
  const goTo = (end: 'first' | 'last'): void => {
    const all = reachable(box.current?.querySelector<HTMLElement>('.focus-inside') ?? document.body);
    // While there is nothing in it yet, the box itself holds the focus.
    ((end === 'first' ? all[0] : all[all.length - 1]) ?? box.current)?.focus();
  };
  const onKeyDown = (event: React.KeyboardEvent): void => {
    if (event.key === 'Escape') {
      // A list that is open in it closes first.
      if (document.querySelector('.ant-select-dropdown:not(.ant-select-dropdown-hidden)')) return;
      event.stopPropagation();
      onClose();
    }
    if (event.key === 'Tab' && event.shiftKey && event.target === box.current) {
      event.preventDefault();
      goTo('last');
    }
  };
  return (
    <div ref={box} className={className} role="dialog" aria-label={label} tabIndex={-1} onKeyDown={onKeyDown}>
      <span tabIndex={0} onFocus={() => goTo('last')} />
      <div className={styles.focusInside}>{children}</div>
      <span tabIndex={0} onFocus={() => goTo('first')} />
    </div>
  );
}
