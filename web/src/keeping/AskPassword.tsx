import { Button } from 'antd';
import { useState } from 'react';
import { PasswordField } from './PasswordField.tsx';
import { useReturnFocus } from '../pieces/use-return-focus.ts';
import styles from './AskPassword.module.css';

interface AskPasswordProps {
  /** Opens what is locked; rejects with a sentence where it does not open. */
  readonly open: (password: string) => Promise<unknown>;
  readonly children?: React.ReactNode;
}

/** Asks for a password until it opens what it is for. */
export function AskPassword({ open, children }: AskPasswordProps) {
  useReturnFocus();
  const [password, setPassword] = useState('');
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string>();
  const attempt = (): void => {
    setBusy(true);
    setFault(undefined);
    open(password).catch((error: unknown) => {
      setBusy(false);
      setFault(error instanceof Error ? error.message : String(error));
    });
  };
  return (
    <form
      className={styles.askPassword}
      onSubmit={(event) => {
        event.preventDefault();
        attempt();
      }}
    >
      <PasswordField
        label="Password"
        kind="current-password"
        autoFocus
        value={password}
        onChange={setPassword}
      />
      {fault && (
        <p className="control-fault" role="alert">
          {fault}
        </p>
      )}
      <div className={styles.askActions}>
        <Button type="primary" htmlType="submit" loading={busy} disabled={password === ''}>
          {busy ? 'Opening …' : 'Open'}
        </Button>
        {children}
      </div>
      <p className="quiet">
        A forgotten password can’t be found out or set anew: without it nobody can read what it locks.
      </p>
    </form>
  );
}
