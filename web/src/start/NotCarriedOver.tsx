import { Button } from 'antd';

/** Shown where the studies of an earlier version could not be brought over: they are unharmed, and it says so. */
export function NotCarriedOver({ reason }: { reason: string }) {
  return (
    <main className="plain-page">
      <h1>Your studies could not be brought over</h1>
      <p>
        They are still kept as the version before kept them, and are unharmed. Free some disk space and try
        again.
      </p>
      <p className="quiet">{reason}</p>
      <Button type="primary" onClick={() => window.location.reload()}>
        Try again
      </Button>
    </main>
  );
}
