import { Button, Segmented } from 'antd';
import { useState } from 'react';
import type { MapView } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { Select } from '../../pieces/Select.tsx';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { pinned } from './use-word-drag.ts';
import styles from './MapStop.module.css';

const NO_THEME = '\u0000none';

/** What can be asked of the word that is picked: its neighbourhood, the way to another, and where it belongs. */
export function Companions({
  map,
  steps,
  onSteps,
}: {
  map: MapView;
  steps: number;
  onSteps: (steps: number) => void;
}) {
  const { state, decide } = useStudy();
  const { selection, select } = useSelection();
  const [to, setTo] = useState<string>();
  const picked =
    selection?.kind === 'concept'
      ? selection.key
      : selection?.kind === 'link'
        ? selection.keys[0]
        : undefined;
  const [last, setLast] = useState(picked);
  if (picked !== undefined && last === undefined) setLast(picked);
  const centre = selection?.kind === 'concept' ? selection.key : to === undefined ? picked : (last ?? picked);
  const { data } = useView(
    'path',
    { from: centre ?? '', to: to ?? null },
    centre !== undefined && to !== undefined,
  );
  if (centre === undefined) return null;
  const label = map.scene.labels.find((each) => map.keys[each.concept] === centre);
  const options = map.scene.labels.map((each) => ({ value: map.keys[each.concept], label: each.text }));
  const letter = label && label.theme >= 0 ? map.scene.parcels[label.theme].letter : NO_THEME;
  return (
    <div className={styles.companions} aria-label={`Asked of ${label?.text ?? centre}`} role="group">
      <b>{label?.text ?? centre}</b>
      <Segmented
        size="small"
        aria-label="Neighbourhood"
        value={steps}
        options={[
          { value: 0, label: 'whole map' },
          { value: 1, label: '1 step', title: 'Only what it is linked to stays in full ink' },
          { value: 2, label: '2 steps' },
          { value: 3, label: '3 steps' },
        ]}
        onChange={onSteps}
      />
      <Select
        showSearch
        allowClear
        size="small"
        className="short"
        aria-label="What lies between it and"
        placeholder="what lies between it and …"
        popupMatchSelectWidth={false}
        value={to}
        options={options.filter(({ value }) => value !== centre)}
        optionFilterProp="label"
        onChange={(next?: string) => {
          setLast(centre);
          setTo(next);
        }}
      />
      <Select
        size="small"
        className="short"
        aria-label="Theme it belongs to"
        title="Moves it to another theme; undone like any decision"
        popupMatchSelectWidth={false}
        value={letter}
        options={[
          ...map.scene.parcels.map((parcel) => ({
            value: parcel.letter,
            label: `${parcel.letter} ${parcel.name}`,
          })),
          { value: NO_THEME, label: 'in no theme' },
        ]}
        onChange={(next: string) =>
          decide({ kind: 'placeConcepts', keys: [centre], letter: next === NO_THEME ? '' : next })
        }
      />
      {label && label.theme >= 0 && (
        <Button
          size="small"
          title={
            label.pinned
              ? 'Lets it go where there is room'
              : 'Keeps it where it stands; drag it within its parcel to put it elsewhere'
          }
          onClick={() =>
            decide(
              label.pinned
                ? { kind: 'unpinConcepts', keys: [centre] }
                : pinned(centre, label.x, label.y, state.settings.map.sheet),
            )
          }
        >
          {label.pinned ? 'Unpin' : 'Pin'}
        </Button>
      )}
      {to !== undefined && data && (
        <span role="status" className={styles.path}>
          {data.steps.length === 0
            ? 'No link leads there.'
            : data.steps.slice(1).map((step, i) => (
                <span key={step.key}>
                  {i === 0 && data.steps[0].label}{' '}
                  <button
                    type="button"
                    className="linklike"
                    title="Read the passages of this link"
                    onClick={() => select({ kind: 'link', keys: [data.steps[i].key, step.key] })}
                  >
                    — {step.label}
                  </button>
                </span>
              ))}
        </span>
      )}
    </div>
  );
}
