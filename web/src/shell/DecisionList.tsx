import { Button, Drawer, Input } from 'antd';
import { useState } from 'react';
import { describeDecision } from '@green-thicket/core/study/decision-texts';
import { recordsInForce, redone, type DecisionRecord } from '@green-thicket/core/study/decisions';
import { goToDecision, giveReason } from '../store/studies.ts';
import { useStudy } from './study-context.ts';
import { useTellFault } from './use-fault.ts';

/** Decisions shown of a long record; the latest come first. */
const SHOWN = 300;

/** The decisions on record with time and reason; the study can go back to any of them, and forward again. */
export function DecisionList({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { id, log } = useStudy();
  const inForce = recordsInForce(log);
  // What was undone and can be redone, the next one last.
  const ahead: DecisionRecord[] = [];
  for (let head = log.head; ;) {
    const next = redone({ ...log, head });
    const record = log.records.find((each) => each.seq === next);
    if (next === head || !record) break;
    ahead.push(record);
    head = next;
  }
  const rows = [...ahead.reverse(), ...[...inForce].reverse()];
  return (
    <Drawer title="Decisions" open={open} onClose={onClose} size={420}>
      <p className="quiet">
        Latest first. Going back takes nothing away: what lies ahead stays and can be gone to again.
      </p>
      <ol className="plain-list decision-list" aria-label="Decisions, latest first">
        {rows.slice(0, SHOWN).map((record) => (
          <DecisionRow
            key={record.seq}
            record={record}
            isHead={record.seq === log.head}
            isAhead={ahead.includes(record)}
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
    <li className={isHead ? 'decision here' : isAhead ? 'decision ahead' : 'decision'}>
      <span className="decision-what">{what}</span>
      <span className="quiet">
        {new Date(record.time).toLocaleString('en-GB', { dateStyle: 'short', timeStyle: 'short' })}
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
          maxLength={500}
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
