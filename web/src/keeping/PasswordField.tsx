import { Input } from 'antd';
import { LONGEST_PASSWORD } from '../store/password.ts';
import shared from '../pieces/lists.module.css';

interface PasswordFieldProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  /** Whether the browser may offer a new password, or one it holds. */
  readonly kind: 'new-password' | 'current-password';
  readonly autoFocus?: boolean;
}

/** A password as it is typed; it can be looked at. */
export function PasswordField({ label, value, onChange, kind, autoFocus = false }: PasswordFieldProps) {
  return (
    <label className={shared.passwordField}>
      <span>{label}</span>
      <Input.Password
        autoFocus={autoFocus}
        autoComplete={kind}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        maxLength={LONGEST_PASSWORD}
      />
    </label>
  );
}
