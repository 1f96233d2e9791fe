import { useEffect, useRef, useState } from 'react';
import { useSelection } from '../pieces/selection.ts';
import { useNetwork } from '../pieces/use-network.ts';
import styles from './SearchBox.module.css';

const HELP =
  'Finds every form of a word. "In quotation marks" for the exact words, wait* for beginnings, rain near5 shelter for words near each other. Press / to come here.';

/** Full-text search over the texts worked with; what it finds stands in the Reader. */
export function SearchBox() {
  const { selection, select } = useSelection();
  const hasTexts = !useNetwork();
  const found = selection?.kind === 'search' ? selection.query : '';
  const [draft, setDraft] = useState<string>();
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const target = event.target as HTMLElement;
      const typing = target.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/.test(target.tagName);
      if (typing || event.key !== '/' || event.ctrlKey || event.metaKey) return;
      event.preventDefault();
      input.current?.focus();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  const go = (): void => {
    const query = (draft ?? found).trim();
    setDraft(undefined);
    if (query === '' && selection?.kind === 'search') select(null);
    else if (query !== '' && query !== found) select({ kind: 'search', query });
  };
  return (
    <input
      ref={input}
      type="search"
      className={styles.searchBox}
      aria-label="Search the texts"
      placeholder={hasTexts ? 'Search texts' : 'No texts to search'}
      disabled={!hasTexts}
      title={HELP}
      value={draft ?? found}
      maxLength={300}
      onChange={(event) => setDraft(event.target.value)}
      onKeyDown={(event) => {
        if (event.key === 'Enter') go();
        if (event.key === 'Escape') setDraft(undefined);
      }}
      onBlur={go}
    />
  );
}
