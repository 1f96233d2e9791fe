import { Button, Slider } from 'antd';
import { useState } from 'react';
import type { LineOrder } from '@green-thicket/core/reading/concordance';
import { counted, inFigures } from '@green-thicket/core/base/wording';
import { attributeNames, groupsOf } from '@green-thicket/core/study/groups';
import { shownSources } from '@green-thicket/core/study/subset';
import type { ViewQuestions } from '@green-thicket/core/views/view-keys';
import type { Selection } from '@green-thicket/core/views/view-types';
import { useView } from '../engine/use-view.ts';
import { useSelection } from '../pieces/selection.ts';
import { useShownFigure } from '../pieces/shown-figure.ts';
import { useStudy } from '../pieces/study-context.ts';
import { Select } from '../pieces/Select.tsx';
import styles from './Concordance.module.css';

const FIRST_LINES = 200;
const ORDERS: readonly { readonly value: LineOrder; readonly label: string }[] = [
  { value: 'text', label: 'as they stand' },
  { value: 'left', label: 'by the words to the left' },
  { value: 'right', label: 'by the words to the right' },
];

type Group = ViewQuestions['concordance']['group'];

/** Every mention in a line of its own with what stands left and right of it; two groups side by side where asked. */
export function Concordance({ selection }: { selection: Selection }) {
  const { state } = useStudy();
  const [order, setOrder] = useState<LineOrder>('right');
  const [context, setContext] = useState(60);
  const [attribute, setAttribute] = useState('');
  const [pair, setPair] = useState<readonly [string, string]>(['', '']);
  const sources = shownSources(state);
  const names = attribute === '' ? [] : groupsOf(state, attribute).names;
  const chosen = pair.map((name, i) => (names.includes(name) ? name : (names[i] ?? ''))) as [string, string];
  const groups: readonly Group[] =
    attribute === '' ? [null] : chosen.filter((value) => value !== '').map((value) => ({ attribute, value }));
  useShownFigure({ kind: 'concordance', selection, group: groups.length === 1 ? groups[0] : null });
  return (
    <>
      <div className="centre-bar">
        <label className="control-row">
          Sorted
          <Select
            size="small"
            aria-label="Order of the lines"
            value={order}
            options={[...ORDERS]}
            onChange={setOrder}
          />
        </label>
        <label className="control-row">
          Context
          <Slider
            className="context-slider"
            aria-label="Characters of context"
            min={20}
            max={160}
            step={10}
            value={context}
            onChange={setContext}
          />
        </label>
        <label className="control-row">
          Side by side
          <Select
            size="small"
            className="short"
            aria-label="Compare groups of"
            value={attribute}
            options={[
              { value: '', label: 'no groups' },
              ...attributeNames(sources).map((name) => ({ value: name, label: `by ${name}` })),
            ]}
            onChange={setAttribute}
          />
        </label>
        {attribute !== '' &&
          chosen.map((value, i) => (
            <Select
              key={i}
              size="small"
              className="short"
              aria-label={i === 0 ? 'First group' : 'Second group'}
              value={value}
              options={names.map((name) => ({ value: name, label: name }))}
              onChange={(name: string) => setPair(i === 0 ? [name, chosen[1]] : [chosen[0], name])}
            />
          ))}
      </div>
      <div className={`centre-body ${styles.concordances}`}>
        {groups.map((group) => (
          <Lines
            key={group?.value ?? ''}
            selection={selection}
            order={order}
            // Half the room has half the context.
            context={groups.length > 1 ? Math.round(context / 2) : context}
            group={group}
          />
        ))}
      </div>
    </>
  );
}

function Lines({
  selection,
  order,
  context,
  group,
}: {
  selection: Selection;
  order: LineOrder;
  context: number;
  group: Group;
}) {
  const { state } = useStudy();
  const { openSource } = useSelection();
  const [limit, setLimit] = useState(FIRST_LINES);
  const { data, isPlaceholderData } = useView('concordance', { selection, order, context, limit, group });
  if (!data) return <p className="quiet">Looking for mentions …</p>;
  const nameOf = new Map(state.sources.map((source) => [source.id, source.name]));
  return (
    <section
      className={isPlaceholderData ? 'concordance dimmed' : 'concordance'}
      aria-label={`${data.title}${group ? ` in ${group.value}` : ''}, in lines`}
    >
      <h2 className="pane-title">
        {group ? `${group.value}: ` : ''}
        {data.fault ?? `${data.title}, ${counted(data.total, 'mention')}`}
      </h2>
      <ol className="plain-list">
        {data.lines.map((line) => (
          <li key={`${line.sourceId}-${line.start}-${line.end}`}>
            <button
              type="button"
              className={styles.concordanceLine}
              title={`Read it in ${nameOf.get(line.sourceId) ?? ''}`}
              onClick={() => openSource({ sourceId: line.sourceId, at: line.start })}
            >
              <span className={styles.lineLeft}>
                <bdi>{line.left}</bdi>
              </span>
              <mark>{line.hit}</mark>
              <span className={styles.lineRight}>{line.right}</span>
            </button>
          </li>
        ))}
      </ol>
      {data.lines.length < data.total && (
        <Button block onClick={() => setLimit(limit * 4)}>
          Show more of {inFigures(data.total)} mentions
        </Button>
      )}
    </section>
  );
}
