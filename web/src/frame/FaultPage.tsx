import { Button } from 'antd';
import { Component, type ReactNode } from 'react';

/** Shown where the interface itself fails: the study is safe, and says so. */
function FaultPage({ message }: { message: string }) {
  return (
    <main className="plain-page">
      <h1>Something went wrong on this page</h1>
      <p>Your study is kept in this browser and is unharmed. Load the page again to go on.</p>
      <p className="quiet">{message}</p>
      <Button type="primary" href="/">
        Back to the first page
      </Button>
    </main>
  );
}

/** Shown where an address leads nowhere. */
export const NowherePage = () => <FaultPage message="The address leads nowhere." />;

/** Shows a page of its own where what is in it fails; a class, as only that is told of it. */
export class FaultBoundary extends Component<{ readonly children: ReactNode }, { readonly fault?: unknown }> {
  override state: { readonly fault?: unknown } = {};
  static getDerivedStateFromError(fault: unknown): { readonly fault: unknown } {
    return { fault };
  }
  override render(): ReactNode {
    const { fault } = this.state;
    if (!('fault' in this.state)) return this.props.children;
    return <FaultPage message={fault instanceof Error ? fault.message : String(fault)} />;
  }
}
