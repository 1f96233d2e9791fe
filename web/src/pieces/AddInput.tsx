import { Input } from 'antd';
import { useState } from 'react';

/** A line to type something into that is added on Enter or by the button in it. */
export function AddInput({
  label,
  placeholder,
  action,
  longest = 60,
  title,
  onAdd,
}: {
  label: string;
  placeholder: string;
  /** What the button says. */
  action: string;
  longest?: number;
  title?: string;
  /** Told the text without spaces round it; the line is emptied unless the answer is false. */
  onAdd: (text: string) => boolean | void;
}) {
  const [draft, setDraft] = useState('');
  const text = draft.trim();
  const add = (): void => {
    if (text !== '' && onAdd(text) !== false) setDraft('');
  };
  return (
    <Input
      size="small"
      aria-label={label}
      placeholder={placeholder}
      title={title}
      value={draft}
      maxLength={longest}
      onChange={(event) => setDraft(event.target.value)}
      onPressEnter={add}
      suffix={
        <button type="button" className="linklike" disabled={text === ''} onClick={add}>
          {action}
        </button>
      }
    />
  );
}
