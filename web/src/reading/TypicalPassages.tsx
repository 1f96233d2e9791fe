import type { TypicalPassage } from '@green-thicket/core/views/view-types';
import { useSelection } from '../pieces/selection.ts';
import { useStudy } from '../pieces/study-context.ts';
import { MarkedText } from './MarkedText.tsx';
import shared from './reading.module.css';
import styles from './TypicalPassages.module.css';

/** Passages with their marks; a source’s name opens it at the place. */
export function TypicalPassages({ passages }: { passages: readonly TypicalPassage[] }) {
  const { state } = useStudy();
  const { openSource } = useSelection();
  return passages.map(({ sourceId, paragraph, start, text, marks }) => (
    <blockquote key={`${sourceId} ${start}`} className={styles.typicalPassage}>
      <p className={shared.passageText}>
        <MarkedText text={text} start={start} marks={marks} />
      </p>
      <button type="button" className="linklike" onClick={() => openSource({ sourceId, at: start })}>
        {state.sources.find(({ id }) => id === sourceId)?.name}, ¶ {paragraph}
      </button>
    </blockquote>
  ));
}
