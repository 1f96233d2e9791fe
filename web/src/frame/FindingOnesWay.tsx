import { Button } from 'antd';
import { useEffect, useState, type ReactNode } from 'react';
import { useLocation, useNavigate, useParams } from 'react-router';
import type { Stop } from '@green-thicket/core/words/sentences';
import { FirstPath, walkAddress } from './FirstPath.tsx';
import { GoTo } from './GoTo.tsx';
import { useAskedHelp, type HelpPlace } from '../pieces/HowFound.tsx';
import { keptSign } from '../pieces/kept-sign.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import { Help } from '../help/Help.tsx';

const PATH_LEFT = keptSign('path-left');

/** Opening a setting waits so long for its stop to be drawn, in frames. */
const MOST_FRAMES = 120;

/** Opens a setting of the method sentence by its label, once it stands there. */
function openSetting(label: string, left = MOST_FRAMES): void {
  const control = document.querySelector<HTMLElement>(`[data-setting="${CSS.escape(label)}"]`);
  if (control) control.click();
  else if (left > 0) requestAnimationFrame(() => openSetting(label, left - 1));
}

/** Whether the first walk is shown: where the sample was opened from the first page, until it is left; and where it is taken up again. */
function usePath(): ['begun' | 'taken up' | undefined, (shown: 'taken up' | undefined) => void] {
  const { state } = useLocation() as { state: { readonly isFirst?: boolean } | null };
  const [shown, setShown] = useState<'begun' | 'taken up' | undefined>(() =>
    state?.isFirst === true && PATH_LEFT.read() === null ? 'begun' : undefined,
  );
  return [
    shown,
    (next) => {
      setShown(next);
      if (next === undefined) PATH_LEFT.write('yes');
    },
  ];
}

/** Help, the field that goes anywhere, and the first walk, with the keys that open them. */
export function useFindingOnesWay(stop: Stop): {
  readonly button: ReactNode;
  readonly path: ReactNode;
  /** Whether the walk is under way. */
  readonly isWalking: boolean;
} {
  const [open, setOpen] = useState<'help' | 'go' | HelpPlace>();
  useAskedHelp(setOpen);
  const [path, setPath] = usePath();
  const { id = '' } = useParams();
  const navigate = useNavigate();
  const tellFault = useTellFault();
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const target = event.target as HTMLElement;
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        setOpen('go');
        return;
      }
      const isTyping = target.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/.test(target.tagName);
      if (event.key !== '?' || isTyping || event.ctrlKey || event.metaKey) return;
      event.preventDefault();
      setOpen('help');
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  const close = (): void => setOpen(undefined);
  return {
    isWalking: path !== undefined,
    button: (
      <Button ghost aria-label="Help" title="Help (?); Ctrl+K goes anywhere" onClick={() => setOpen('help')}>
        ?
      </Button>
    ),
    path: (
      <>
        {path && <FirstPath stop={stop} isTakenUp={path === 'taken up'} onLeave={() => setPath(undefined)} />}
        {open !== undefined && open !== 'go' && (
          <Help
            stop={stop}
            place={open === 'help' ? undefined : open}
            onClose={close}
            onPath={() => {
              close();
              setPath('taken up');
              tellFault('It was not opened', async () => navigate(walkAddress(id)));
            }}
          />
        )}
        {open === 'go' && <GoTo onClose={close} onSetting={openSetting} />}
      </>
    ),
  };
}
