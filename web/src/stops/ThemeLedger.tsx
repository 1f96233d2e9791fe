import { largest } from '@green-thicket/core/base/extent';
import type { ReactNode } from 'react';
import { inkOf } from '../pieces/drawn-colours.ts';
import { useView } from '../engine/use-view.ts';
import { useNetwork } from '../pieces/use-network.ts';
import { useSelection } from '../pieces/selection.ts';

/** The themes with their strength as a bar; picking one opens its passages. */
export function ThemeLedger({ children }: { children?: ReactNode }) {
  const { data, isPlaceholderData } = useView('themes', null);
  const network = useNetwork();
  const { selection, select } = useSelection();
  const most = largest(data?.themes.map((theme) => theme.share) ?? [], 1e-9);
  const picked = selection?.kind === 'theme' || selection?.kind === 'cell' ? selection.letter : undefined;
  return (
    <section className={isPlaceholderData ? 'ledger dimmed' : 'ledger'} aria-label="Themes by strength">
      <h2 className="pane-title">{network ? 'Themes, by their links' : 'Themes, by strength'}</h2>
      <ul className="plain-list">
        {data?.themes.map((theme) => (
          <li key={theme.letter}>
            <button
              type="button"
              className={theme.letter === picked ? 'row-button theme-row here' : 'row-button theme-row'}
              aria-pressed={theme.letter === picked}
              onClick={() => select({ kind: 'theme', letter: theme.letter })}
            >
              <b className="theme-letter" style={{ color: inkOf(theme.letter) }}>
                {theme.letter}
              </b>
              <span className="row-name">{theme.label}</span>
              <span className="row-figure">{(100 * theme.share).toFixed(1)} %</span>
              <span
                className="row-bar"
                style={{ width: `${(100 * theme.share) / most}%`, background: inkOf(theme.letter) }}
              />
            </button>
          </li>
        ))}
      </ul>
      {children}
    </section>
  );
}
