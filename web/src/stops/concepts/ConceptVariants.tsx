import { byCodeUnits } from '@green-thicket/core/base/order';
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
  const takeOut = (key: string, byItself: boolean): void => {
    if (!byItself) decide({ kind: 'splitConcept', key });
    else {
      const [first, second] = [key, row.key].sort(byCodeUnits);
      decide({ kind: 'refuseMerge', keys: [first, second] });
    }
  };
  const shown = all ? row.variants : row.variants.slice(0, SHOWN);
  const others = row.variants.length - shown.length;
  return (
    <span className={styles.conceptVariants}>
      made of{' '}
      {shown.map(({ key, mentions, byItself }, i) => (
        <Fragment key={key}>
          {i > 0 && ', '}
          {key} ({inFigures(mentions)})
          {key !== row.key && (
            <button
              type="button"
              className={`linklike ${styles.takeOut}`}
              aria-label={`Take ${key} out of ${row.label}`}
              title={
                byItself
                  ? `${key} counts here as another spelling; make it a concept of its own`
                  : `${key} is a concept of its own again`
              }
              onClick={() => takeOut(key, byItself ?? false)}
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
      {row.variants.some(({ key, byItself }) => key !== row.key && !byItself) && (
        <Button
          size="small"
          title="All that were merged are concepts of their own again"
          onClick={() => decide({ kind: 'splitConcept', key: row.key })}
        >
          Split
        </Button>
      )}
    </span>
  );
}
