import { Input, Segmented, Table } from 'antd';
import { useMemo, useState } from 'react';
import type { CandidateRow } from '@green-thicket/core/study/view-types';
import { workingSources } from '@green-thicket/core/study/subset';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../shell/selection.ts';
import { useStudy } from '../../shell/study-context.ts';
import { ConceptCard } from './ConceptCard.tsx';
import { WordField } from './WordField.tsx';

const LEDGER_ROWS = 150;

/** Concepts: a field of words with the ledger beside it; what is picked can be kept, dropped, merged and renamed. */
export function ConceptsStop() {
  const { state } = useStudy();
  const { data, isPlaceholderData } = useView('concepts', null);
  const { selection, select } = useSelection();
  const [filter, setFilter] = useState('');
  const [face, setFace] = useState<'field' | 'table'>('field');
  const picked = selection?.kind === 'concept' ? selection.key : undefined;
  const pick = (key: string): void => select({ kind: 'concept', key });
  const rows = useMemo(() => {
    const wanted = filter.trim().toLowerCase();
    return (data?.rows ?? []).filter(
      (row) =>
        wanted === '' ||
        row.label.toLowerCase().includes(wanted) ||
        row.variants.some((variant) => variant.key.includes(wanted)),
    );
  }, [data, filter]);
  const most = Math.max(1, ...rows.slice(0, LEDGER_ROWS).map((row) => row.mentions));
  const pickedRow = data?.rows.find((row) => row.key === picked);
  if (state.sources.length === 0) {
    return (
      <>
        <section className="ledger" aria-label="Words" />
        <main className="stage" aria-label="Concepts">
          <div className="empty-stage">
            <h2>No concepts yet</h2>
            <p>Add texts at Sources; the words and phrases they turn on will stand here.</p>
          </div>
        </main>
      </>
    );
  }
  return (
    <>
      <section className="ledger" aria-label="Words">
        <Input
          allowClear
          aria-label="Find a word"
          placeholder="Find a word"
          value={filter}
          onChange={(event) => setFilter(event.target.value)}
        />
        <p className="quiet ledger-count">
          {data
            ? `${data.chosen} kept of ${data.candidates.toLocaleString('en-GB')} candidates`
            : 'Finding words …'}
        </p>
        <ul
          className={`plain-list scroll-list${isPlaceholderData ? ' dimmed' : ''}`}
          data-testid="concept-ledger"
        >
          {rows.slice(0, LEDGER_ROWS).map((row) => (
            <LedgerRow key={row.key} row={row} most={most} picked={row.key === picked} onPick={pick} />
          ))}
          {rows.length > LEDGER_ROWS && (
            <li className="quiet">{rows.length - LEDGER_ROWS} more; type to find one.</li>
          )}
          {data && rows.length === 0 && <li className="quiet">No word is like that.</li>}
        </ul>
      </section>
      <main className="stage" aria-label="Concepts">
        <div className="stage-bar">
          <Segmented
            aria-label="Face"
            value={face}
            options={[
              { value: 'field', label: 'Field' },
              { value: 'table', label: 'Table' },
            ]}
            onChange={setFace}
          />
          <span className="quiet">
            {face === 'field'
              ? 'Across: how many sources use it. Up: its pull. Size: its mentions. Faint words are left out. Drop one word on another to merge them.'
              : 'Every candidate with its figures.'}
          </span>
        </div>
        <div className={isPlaceholderData ? 'stage-body dimmed' : 'stage-body'}>
          {data && face === 'field' && (
            <WordField
              rows={data.rows}
              picked={picked}
              onPick={pick}
              sources={workingSources(state).length}
            />
          )}
          {data && face === 'table' && <FiguresTable rows={rows} onPick={pick} />}
        </div>
        {pickedRow && <ConceptCard key={pickedRow.key} row={pickedRow} rows={data?.rows ?? []} />}
      </main>
    </>
  );
}

const STATUS_WORDS = {
  chosen: 'in',
  kept: 'kept by you',
  dropped: 'dropped by you',
  out: 'left out',
} as const;

function LedgerRow({
  row,
  most,
  picked,
  onPick,
}: {
  row: CandidateRow;
  most: number;
  picked: boolean;
  onPick: (key: string) => void;
}) {
  return (
    <li>
      <button
        type="button"
        className={`row-button concept-row is-${row.status}${picked ? ' here' : ''}`}
        aria-pressed={picked}
        title={STATUS_WORDS[row.status]}
        onClick={() => onPick(row.key)}
      >
        <span className="row-name">
          {row.label}
          {row.status === 'kept' && <span className="row-flag"> kept</span>}
          {row.status === 'dropped' && <span className="row-flag"> dropped</span>}
        </span>
        <span className="row-figure">{row.mentions.toLocaleString('en-GB')}</span>
        <span className="row-bar" style={{ width: `${(100 * row.mentions) / most}%` }} />
      </button>
    </li>
  );
}

function FiguresTable({ rows, onPick }: { rows: readonly CandidateRow[]; onPick: (key: string) => void }) {
  const by =
    (key: 'mentions' | 'sources' | 'spread' | 'pull' | 'score') => (a: CandidateRow, b: CandidateRow) =>
      a[key] - b[key];
  return (
    <Table
      size="small"
      virtual
      pagination={false}
      scroll={{ y: 430, x: 640 }}
      rowKey="key"
      dataSource={[...rows]}
      columns={[
        {
          title: 'Concept',
          dataIndex: 'label',
          width: 170,
          sorter: (a, b) => (a.label < b.label ? -1 : 1),
          render: (label: string, row) => (
            <button type="button" className="linklike" onClick={() => onPick(row.key)}>
              {label}
            </button>
          ),
        },
        { title: 'Kind', dataIndex: 'part', width: 80 },
        { title: 'Mentions', dataIndex: 'mentions', width: 85, sorter: by('mentions') },
        { title: 'Sources', dataIndex: 'sources', width: 80, sorter: by('sources') },
        {
          title: <span title="How evenly the sources use it, 0 to 1 (1 − DP)">Spread</span>,
          dataIndex: 'spread',
          width: 75,
          sorter: by('spread'),
          render: (value: number) => value.toFixed(2),
        },
        {
          title: (
            <span title="How selective it is in the company it keeps; 0 is no more than chance">Pull</span>
          ),
          dataIndex: 'pull',
          width: 70,
          sorter: by('pull'),
          render: (value: number) => value.toFixed(2),
        },
        {
          title: 'Standing',
          dataIndex: 'status',
          width: 110,
          render: (status: CandidateRow['status']) => STATUS_WORDS[status],
        },
      ]}
    />
  );
}
