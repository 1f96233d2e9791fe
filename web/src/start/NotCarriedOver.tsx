import { Button } from 'antd';
import { StorageRefused } from '../store/store-error.ts';

/** Shown where nothing can be kept, or the studies of an earlier version could not be brought over: what is so, and what to do. */
export function NotCarriedOver({ reason }: { reason: Error }) {
  const isRefused = reason instanceof StorageRefused;
  return (
    <main className="plain-page">
      <h1>
        {isRefused ? 'This browser keeps nothing for this page' : 'Your studies could not be brought over'}
      </h1>
      <p>
        {isRefused
          ? 'It opens no storage here, so no study can be kept or shown. Nothing was changed. Allow this page to store data on this machine in the browser’s settings (site data, cookies), or use another browser.'
          : 'They are still kept as the version before kept them, and are unharmed. Free some disk space and try again.'}
      </p>
      <p className="quiet">{reason.message}</p>
      <Button type="primary" onClick={() => window.location.reload()}>
        Try again
      </Button>
    </main>
  );
}
