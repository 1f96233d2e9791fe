import { App, Button } from 'antd';
import { useEffect } from 'react';
import { keepOffline } from './keep-offline.ts';

/** Keeps the application for use without its server, and asks before a new version takes its place. */
export function NewVersion() {
  const { notification } = App.useApp();
  useEffect(() => {
    keepOffline((letIn) =>
      notification.info({
        key: 'new-version',
        duration: 0,
        placement: 'bottomRight',
        title: 'A new version is ready',
        description: 'Every tab with Green Thicket loads anew; what is kept stays kept.',
        actions: (
          <Button size="small" type="primary" onClick={letIn}>
            Load it
          </Button>
        ),
      }),
    );
  }, [notification]);
  return null;
}
