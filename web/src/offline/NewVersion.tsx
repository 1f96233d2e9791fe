import { App, Button } from 'antd';
import { useEffect } from 'react';
import { keepOffline } from './keep-offline.ts';

/** Keeps the application for use without its server, and asks before a new version takes its place. */
export function NewVersion() {
  const { notification } = App.useApp();
  useEffect(() => {
    const standing = { key: 'new-version', duration: 0, placement: 'bottomRight' } as const;
    const offer = (letIn: () => void): void =>
      notification.info({
        ...standing,
        title: 'A new version is ready',
        description: 'Every tab with Green Thicket loads anew; what is kept stays kept.',
        actions: (
          <Button size="small" type="primary" onClick={letIn}>
            Load it
          </Button>
        ),
      });
    const sayHeldUp = (): void =>
      notification.warning({
        ...standing,
        title: 'The new version waits for another tab',
        description: 'Load the other tabs with Green Thicket anew, or close them; then it comes by itself.',
        actions: null,
      });
    keepOffline(offer, sayHeldUp);
  }, [notification]);
  return null;
}
