import { Link } from 'react-router';
import { unlock } from '../store/password.ts';
import { AskPassword } from './AskPassword.tsx';

/** A study that waits for its password. */
export function LockedPage({ id, shownAs, onOpen }: { id: string; shownAs: string; onOpen: () => void }) {
  return (
    <main className="plain-page">
      <h1>{shownAs}</h1>
      <p>
        This study is kept locked. It opens in this tab until the tab is closed, loaded again or locked again.
      </p>
      <AskPassword
        open={async (password) => {
          await unlock(id, password);
          onOpen();
        }}
      >
        <Link to="/">Back to the first page</Link>
      </AskPassword>
    </main>
  );
}
