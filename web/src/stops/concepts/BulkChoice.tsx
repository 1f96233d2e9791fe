import { Button } from 'antd';
import type { CandidateRow } from '@green-thicket/core/concepts/candidate-rows';
import { counted } from '@green-thicket/core/base/wording';
import { useStudy } from '../../pieces/study-context.ts';
import { neverShow } from '../../pieces/never-show.ts';

/** What can be decided about several concepts at once; each is one decision. */
export function BulkChoice({
  rows,
  ticked,
  onDone,
}: {
  rows: readonly CandidateRow[];
  ticked: ReadonlySet<string>;
  onDone: () => void;
}) {
  const { decide } = useStudy();
  const chosen = rows.filter((row) => ticked.has(row.key));
  const none = chosen.length === 0;
  const keys = chosen.map((row) => row.key);
  const most = chosen.reduce<CandidateRow | undefined>(
    (best, row) => (!best || row.mentions > best.mentions ? row : best),
    undefined,
  );
  const act = (work: () => void): void => {
    work();
    onDone();
  };
  return (
    <div className="centre-bar bulk-bar">
      <span className="quiet">{none ? 'None ticked' : `${counted(keys.length, 'concept')} ticked`}</span>
      <Button size="small" disabled={none} onClick={() => act(() => decide({ kind: 'keepConcepts', keys }))}>
        Keep
      </Button>
      <Button size="small" disabled={none} onClick={() => act(() => decide({ kind: 'dropConcepts', keys }))}>
        Drop
      </Button>
      <Button
        size="small"
        disabled={none}
        title="Puts single words on the study’s stop list; phrases are dropped"
        onClick={() => act(() => decide(neverShow(keys)))}
      >
        Never show
      </Button>
      <Button
        size="small"
        disabled={none}
        title="Leaves them to the selection again"
        onClick={() => act(() => decide({ kind: 'leaveConcepts', keys }))}
      >
        Leave to the selection
      </Button>
      <Button
        size="small"
        disabled={keys.length < 2}
        onClick={() =>
          act(() => {
            if (!most) return;
            decide({ kind: 'mergeConcepts', into: most.key, keys: keys.filter((key) => key !== most.key) });
          })
        }
      >
        {keys.length < 2 || !most ? 'Merge' : `Merge into ${most.label}`}
      </Button>
    </div>
  );
}
