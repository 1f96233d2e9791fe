import { useState } from 'react';
import { useView } from '../../engine/use-view.ts';
import { Select } from '../../pieces/Select.tsx';
import { useSelection } from '../../pieces/selection.ts';
import { TypicalPassages } from '../../reading/TypicalPassages.tsx';
import { HowFound } from '../../pieces/HowFound.tsx';
import styles from './Voices.module.css';

const EACH = 4;

/** Typical passages of a theme in each group, side by side, in the original words. */
export function Voices() {
  const themes = useView('themes', null).data?.themes ?? [];
  const { selection } = useSelection();
  const [picked, setPicked] = useState<string>();
  const selected = selection?.kind === 'theme' || selection?.kind === 'cell' ? selection.letter : undefined;
  const letter =
    [picked, selected].find((each) => themes.some((theme) => theme.letter === each)) ?? themes[0]?.letter;
  if (letter === undefined) return null;
  return (
    <div className="centre-body">
      <div className="centre-bar">
        <Select
          size="small"
          aria-label="Voices on"
          popupMatchSelectWidth={false}
          value={letter}
          options={themes.map((theme) => ({ value: theme.letter, label: `${theme.letter} ${theme.label}` }))}
          onChange={setPicked}
        />
        <span className="quiet">
          Typical passages: those with the strongest links of the theme, one source after the other.{' '}
          <HowFound page="comparison" heading="Typical passages" />
        </span>
      </div>
      <Columns letter={letter} />
    </div>
  );
}

function Columns({ letter }: { letter: string }) {
  const { data, isPlaceholderData } = useView('typical', { letter, byGroup: true, limit: EACH });
  if (!data) return <p className="quiet">Picking passages …</p>;
  return (
    <div className={`${styles.voiceColumns} ${isPlaceholderData ? 'dimmed' : ''}`}>
      {data.groups.map(({ group, passages }) => (
        <section key={group} aria-label={group}>
          <h2>{group}</h2>
          {passages.length === 0 && <p className="quiet">Nobody here speaks to it.</p>}
          <TypicalPassages passages={passages} />
        </section>
      ))}
    </div>
  );
}
