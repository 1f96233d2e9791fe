import { AutoComplete, Button, Input } from 'antd';
import { useState } from 'react';
import { counted } from '@green-thicket/core/study/sentences';
import type { CandidateRow } from '@green-thicket/core/study/view-types';
import { workingSources } from '@green-thicket/core/study/subset';
import { useStudy } from '../../shell/study-context.ts';

/** The picked concept: its figures in words, and what can be decided about it. */
export function ConceptCard({ row, rows }: { row: CandidateRow; rows: readonly CandidateRow[] }) {
  const { state, decide } = useStudy();
  const [name, setName] = useState(row.label);
  const [into, setInto] = useState('');
  const decided = row.status === 'kept' || row.status === 'dropped';
  const target = rows.find(
    (each) => each.key !== row.key && (each.label === into.trim() || each.key === into.trim()),
  );
  const rename = (): void => {
    if (name.trim() !== row.label) decide({ kind: 'renameConcept', key: row.key, label: name });
  };
  const merge = (): void => {
    if (!target) return;
    decide({ kind: 'mergeConcepts', into: target.key, keys: [row.key] });
    setInto('');
  };
  return (
    <section className="concept-card" aria-label={`Concept ${row.label}`}>
      <div className="concept-figures">
        <strong>{row.label}</strong>
        <span>{counted(row.mentions, 'mention')}</span>
        <span>
          in {row.sources} of {counted(workingSources(state).length, 'source')}
        </span>
        <span title="How evenly the sources use it: 1 − DP, from 0 to 1">spread {row.spread.toFixed(2)}</span>
        <span title="How selective it is in the company it keeps, in nats; 0 is no more than chance">
          pull {row.pull.toFixed(2)}
        </span>
        {row.variants.length > 0 && (
          <span>
            made of {row.variants.map((variant) => `${variant.key} (${variant.mentions})`).join(', ')}{' '}
            <Button size="small" onClick={() => decide({ kind: 'splitConcept', key: row.key })}>
              Split
            </Button>
          </span>
        )}
      </div>
      <div className="concept-actions">
        <Button
          size="small"
          type={row.status === 'kept' ? 'primary' : 'default'}
          aria-pressed={row.status === 'kept'}
          onClick={() =>
            decide({ kind: row.status === 'kept' ? 'leaveConcepts' : 'keepConcepts', keys: [row.key] })
          }
        >
          Keep
        </Button>
        <Button
          size="small"
          danger={row.status === 'dropped'}
          aria-pressed={row.status === 'dropped'}
          onClick={() =>
            decide({ kind: row.status === 'dropped' ? 'leaveConcepts' : 'dropConcepts', keys: [row.key] })
          }
        >
          Drop
        </Button>
        {decided && <span className="quiet">{row.status} by you</span>}
        <Button
          size="small"
          title="Add it to the study’s stop words"
          onClick={() => decide({ kind: 'addStopWords', words: row.key.split(' ') })}
        >
          Stop it
        </Button>
        <Input
          size="small"
          className="short"
          aria-label="Name"
          value={name}
          maxLength={100}
          onChange={(event) => setName(event.target.value)}
          onPressEnter={rename}
          onBlur={rename}
        />
        <AutoComplete
          size="small"
          className="short"
          aria-label="Merge into"
          placeholder="Merge into …"
          value={into}
          onChange={setInto}
          options={
            into.trim() === ''
              ? []
              : rows
                  .filter((each) => each.key !== row.key && each.label.includes(into.trim().toLowerCase()))
                  .slice(0, 8)
                  .map((each) => ({ value: each.label }))
          }
        />
        <Button size="small" disabled={!target} onClick={merge}>
          Merge
        </Button>
      </div>
    </section>
  );
}
