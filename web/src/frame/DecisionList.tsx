import { momentText } from '@green-thicket/core/base/wording';
import { Button, Drawer, Input } from 'antd';
import { useMemo, useState } from 'react';
import { describeDecision } from '@green-thicket/core/words/decisions';
import { recordsInForce, type DecisionLog, type DecisionRecord } from '@green-thicket/core/study/record';
import { goToDecision, giveReason } from '../store/studies.ts';
import { useStudy } from '../pieces/study-context.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import { LONGEST } from '@green-thicket/core/study/limits';
import { BesideAnother } from '../colleague/BesideAnother.tsx';
import styles from './DecisionList.module.css';

/** Decisions shown of a long record; the latest come first. */
const SHOWN = 300;

/** The decisions that lie ahead of the head, where the line that redo follows goes on from it; and all of them, latest first. */
function listed(log: DecisionLog): { ahead: ReadonlySet<DecisionRecord>; rows: readonly DecisionRecord[] } {
  const inForce = recordsInForce(log);
  const toTip = recordsInForce({ ...log, head: log.tip });
  const at = toTip.findIndex((record) => record.seq === log.head);
  const ahead = at < 0 && log.head !== 0 ? [] : toTip.slice(at + 1);
  return { ahead: new Set(ahead), rows: [...[...ahead].reverse(), ...[...inForce].reverse()] };
}

/** The decisions on record with time and reason; the study can go back to any of them, and forward again. */
export function DecisionList({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { id, log } = useStudy();
  const [isBeside, setBeside] = useState(false);
  // A long record is looked through only while it is shown.
  const { ahead, rows } = useMemo(
    () => (open ? listed(log) : { ahead: new Set<DecisionRecord>(), rows: [] }),
    [open, log],
  );
  return (
    <Drawer title="Decisions" open={open} onClose={onClose} size={420}>
      <Button size="small" onClick={() => setBeside(true)}>
        Beside another study file
      </Button>
      {isBeside && <BesideAnother onClose={() => setBeside(false)} />}
      <p className="quiet">
        Latest first. Going back takes nothing away: what lies ahead stays and can be gone to again.
      </p>
      <ol className="plain-list decision-list" aria-label="Decisions, latest first">
        {rows.slice(0, SHOWN).map((record) => (
          <DecisionRow
            key={record.seq}
            record={record}
            isHead={record.seq === log.head}
            isAhead={ahead.has(record)}
            studyId={id}
          />
        ))}
      </ol>
      {rows.length > SHOWN && <p className="quiet">… and {rows.length - SHOWN} before these.</p>}
    </Drawer>
  );
}

function DecisionRow({
  record,
  isHead,
  isAhead,
  studyId,
}: {
  record: DecisionRecord;
  isHead: boolean;
  isAhead: boolean;
  studyId: string;
}) {
  const tellFault = useTellFault();
  const [reason, setReason] = useState<string>();
  const what = describeDecision(record.decision);
  const keep = (): void => {
    if (reason !== undefined && reason.trim() !== (record.reason ?? ''))
      tellFault('The reason was not kept', () => giveReason(studyId, record.seq, reason.trim()));
    setReason(undefined);
  };
  return (
    <li
      className={
        isHead ? `${styles.decision} here` : isAhead ? `${styles.decision} ${styles.ahead}` : styles.decision
      }
    >
      <span className={styles.decisionWhat}>{what}</span>
      <span className="quiet">
        {momentText(record.time, 'short')}
        {isHead && ' · where the study is'}
        {isAhead && ' · undone'}
      </span>
      <span className="control-row">
        <Input
          size="small"
          variant="borderless"
          aria-label={`Reason to ${what}`}
          placeholder="Why? (optional)"
          value={reason ?? record.reason ?? ''}
          maxLength={LONGEST.reason}
          onChange={(event) => setReason(event.target.value)}
          onPressEnter={keep}
          onBlur={keep}
        />
        {!isHead && (
          <Button
            size="small"
            aria-label={`Go to: ${what}`}
            onClick={() => tellFault('The study stayed where it is', () => goToDecision(studyId, record.seq))}
          >
            {isAhead ? 'Go forward to' : 'Go back to'}
          </Button>
        )}
      </span>
    </li>
  );
}
