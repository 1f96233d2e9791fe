import { useQueryClient } from '@tanstack/react-query';
import { Alert, Button } from 'antd';
import { useSyncExternalStore } from 'react';
import { describeDecision } from '@green-thicket/core/words/decisions';
import { undone } from '@green-thicket/core/study/record';
import { presentFaults, watchFaults } from '../engine/faults.ts';
import { undo } from '../store/studies.ts';
import { useStudy } from '../pieces/study-context.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import styles from './StageFault.module.css';

/** Says in place that a computation failed and why, with the decision that may have caused it and its undoing. */
export function StageFault() {
  const { id, log } = useStudy();
  const queries = useQueryClient();
  const tellFault = useTellFault();
  const reasons = useSyncExternalStore(watchFaults, presentFaults);
  if (reasons.length === 0) return null;
  const last = log.records.find((record) => record.seq === log.head);
  const canUndo = last !== undefined && undone(log) !== 0;
  return (
    <Alert
      className={styles.stageFault}
      type="error"
      role="alert"
      title="This could not be computed, so what is shown may be missing or of before"
      description={reasons.join(' ')}
      action={
        <div className="button-row">
          {canUndo && (
            <Button size="small" onClick={() => tellFault('Nothing was undone', () => undo(id))}>
              Undo: {describeDecision(last.decision)}
            </Button>
          )}
          <Button
            size="small"
            onClick={() =>
              tellFault('Nothing was computed', () =>
                queries.refetchQueries({ predicate: (query) => query.state.status === 'error' }),
              )
            }
          >
            Try again
          </Button>
        </div>
      }
    />
  );
}
