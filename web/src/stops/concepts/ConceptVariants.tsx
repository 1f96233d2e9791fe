import { inFigures } from '@green-thicket/core/base/wording';
import { Button } from 'antd';
import { Fragment, useState } from 'react';
import type { CandidateRow } from '@green-thicket/core/concepts/candidate-rows';
import { useStudy } from '../../pieces/study-context.ts';
import styles from './ConceptVariants.module.css';

/** So many variants are shown at once; a list of hundreds would hide all else. */
const SHOWN = 8;

/** What a merged concept is made of; each variant, or all of them, can be a concept of its own again. */
export function ConceptVariants({ row }: { row: CandidateRow }) {
  const { decide } = useStudy();
  const [all, setAll] = useState(false);
  const shown = all ? row.variants : row.variants.slice(0, SHOWN);
  const others = row.variants.length - shown.length;
  return (
    <span className={styles.conceptVariants}>
      made of{' '}
      {shown.map(({ key, mentions }, i) => (
        <Fragment key={key}>
          {i > 0 && ', '}
          {key} ({inFigures(mentions)})
          {key !== row.key && (
            <button
              type="button"
              className={`linklike ${styles.takeOut}`}
              aria-label={`Take ${key} out of ${row.label}`}
              title={`${key} is a concept of its own again`}
              onClick={() => decide({ kind: 'splitConcept', key })}
            >
              ✕
            </button>
          )}
        </Fragment>
      ))}
      {others > 0 && (
        <>
          {' '}
          <button type="button" className="linklike" onClick={() => setAll(true)}>
            and {inFigures(others)} more
          </button>
        </>
      )}{' '}
      <Button
        size="small"
        title="All of them are concepts of their own again"
        onClick={() => decide({ kind: 'splitConcept', key: row.key })}
      >
        Split
      </Button>
    </span>
  );
}
