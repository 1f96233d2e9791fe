import { App, Button } from 'antd';
import { useCallback, useEffect } from 'react';
import { useLocation } from 'react-router';
import { useAsk } from '../engine/use-ask.ts';
import { shownFigure } from '../pieces/shown-figure.ts';
import { useStudy } from '../pieces/study-context.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import { keepEntry } from '../store/notebook.ts';

/** Keeps what is shown on the centre in the Notebook, with its picture and numbers as they are now; V does it from anywhere. */
export function KeepView() {
  const { id, log } = useStudy();
  const { pathname, search } = useLocation();
  const { message } = App.useApp();
  const ask = useAsk();
  const tellFault = useTellFault();
  const { head } = log;
  const keep = useCallback((): void => {
    const asked = shownFigure();
    if (!asked) {
      void message.info('There is nothing here to keep. Maps, tables and comparisons can be kept.');
      return;
    }
    tellFault('The view was not kept', async () => {
      const figure = await ask('figure', asked);
      const address = `${pathname.split('/').at(-1) ?? ''}${search}`;
      await keepEntry(id, { note: '', tags: [], view: { asked, address, seq: head, figure } });
      void message.success(`${figure.title}: kept in the Notebook.`);
    });
  }, [ask, head, id, message, pathname, search, tellFault]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const target = event.target as HTMLElement;
      if (event.key.toLowerCase() !== 'v' || event.ctrlKey || event.metaKey || event.altKey) return;
      if (target.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) return;
      // In an open menu a letter goes to the entry that begins with it.
      if (target.closest('[role="menu"], [role="dialog"]')) return;
      event.preventDefault();
      keep();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [keep]);
  return (
    <Button
      ghost
      aria-label="Keep what is shown in the Notebook"
      title="Keep what is shown in the Notebook (V)"
      onClick={keep}
    >
      +
    </Button>
  );
}
