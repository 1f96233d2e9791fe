import { Button } from 'antd';
import { useRouteError } from 'react-router';

/** Shown where the interface itself fails: the study is safe, and says so. */
export function FaultPage() {
  const error = useRouteError();
  return (
    <main className="plain-page">
      <h1>Something went wrong on this page</h1>
      <p>Your study is kept in this browser and is unharmed. Load the page again to go on.</p>
      <p className="quiet">{error instanceof Error ? error.message : 'The address leads nowhere.'}</p>
      <Button type="primary" href="/">
        Back to the first page
      </Button>
    </main>
  );
}
