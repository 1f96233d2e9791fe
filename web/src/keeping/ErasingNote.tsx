import { App } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useSyncExternalStore } from 'react';
import { catalogue } from '../store/database.ts';
import { tracesLeft } from '../store/erasing.ts';

const left = (reason: string): string =>
  `What was deleted or locked is no part of any study any more, but traces of it may still be in this browser’s files (${reason}). They are taken out the next time Green Thicket is opened; free some disk space and close its other tabs.`;

/** Says on the first page that what was deleted is being taken out of the browser's files. */
export function ErasingNote() {
  const going = useLiveQuery(() => catalogue.going.count()) ?? 0;
  const fault = useSyncExternalStore(tracesLeft.watch, tracesLeft.now);
  if (fault !== undefined)
    return (
      <p className="control-fault" role="alert">
        {left(fault)}
      </p>
    );
  return (
    <p className="quiet" role="status" aria-label="What was deleted">
      {going > 0 &&
        'What was deleted is being taken out of this browser’s files. Where the browser is closed before, that is finished the next time Green Thicket is opened.'}
    </p>
  );
}

/** Says wherever one is that traces of what was deleted may be left. */
export function ErasingFault() {
  const { notification } = App.useApp();
  const fault = useSyncExternalStore(tracesLeft.watch, tracesLeft.now);
  useEffect(() => {
    if (fault === undefined) return;
    notification.warning({
      key: 'traces',
      title: 'Traces may be left',
      description: left(fault),
      duration: 0,
    });
    return () => notification.destroy('traces');
  }, [fault, notification]);
  return null;
}
