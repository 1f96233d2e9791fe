import { Button } from 'antd';
import { useState } from 'react';
import { counted } from '@green-thicket/core/base/wording';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import styles from './ThemesStop.module.css';

const LISTED = 12;

/** Words that are no concepts yet and keep a theme's company: looked for when asked, read and taken in one by one. */
export function Joiners({ letter }: { letter: string }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <div className={styles.joiners}>
      <button type="button" className="linklike" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
        Words that would join
      </button>
      {isOpen && <JoinerList letter={letter} />}
    </div>
  );
}

function JoinerList({ letter }: { letter: string }) {
  const { decide } = useStudy();
  const { select } = useSelection();
  const { data } = useView('joiners', { letter, limit: LISTED });
  if (!data) return <p className="quiet">Looking for its company …</p>;
  if (data.words.length === 0)
    return <p className="quiet">No word that is no concept yet keeps its company beyond chance.</p>;
  return (
    <ul className="plain-list" aria-label={`Words that would join theme ${letter}`}>
      {data.words.map(({ key, label, both, stretches, sources }) => (
        <li key={key} className={styles.joiner}>
          <button
            type="button"
            className="linklike"
            title={`${both} of its ${counted(stretches, 'stretch', 'stretches')} of text hold a concept of the theme, in ${counted(sources, 'source')}. Read it.`}
            onClick={() => select({ kind: 'concept', key })}
          >
            {label}
          </button>
          <span className="quiet">
            {both}/{stretches}
          </span>
          <Button
            size="small"
            aria-label={`Add ${label} to theme ${letter}`}
            onClick={() => decide({ kind: 'placeConcepts', keys: [key], letter })}
          >
            Add
          </Button>
        </li>
      ))}
    </ul>
  );
}
