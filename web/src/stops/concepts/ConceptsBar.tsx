import { Segmented } from 'antd';
import { GroupChoice } from '../../pieces/GroupChoice.tsx';
import shared from './concepts.module.css';
import { useConceptsLook, type ConceptsLook } from './concepts-look.tsx';
import { AxisChoice } from './FigureChoices.tsx';

const FACES: readonly {
  readonly value: ConceptsLook['face'];
  readonly label: string;
  readonly help: string;
}[] = [
  {
    value: 'field',
    label: 'Field',
    help: 'Size: mentions. Faint words are left out. Drop a word on another to merge them; drag over empty ground to tick several; drag the dashed line to keep what is above it.',
  },
  {
    value: 'table',
    label: 'Table',
    help: 'Every candidate with its figures. Tick some to decide on all of them at once.',
  },
  {
    value: 'bars',
    label: 'Bars',
    help: 'The kept concepts by their mentions; those with as many share a rank.',
  },
  { value: 'cloud', label: 'Cloud', help: 'The kept concepts, the larger the more mentions.' },
  { value: 'matrix', label: 'Matrix', help: 'Sources by kept concepts. A cell opens its passages.' },
  {
    value: 'pairs',
    label: 'Pairs',
    help: 'Words side by side, as written; a pair opens its places. Frequent pairs that belong together may be phrases.',
  },
  {
    value: 'counts',
    label: 'Counts',
    help: 'What is in each source, or in each group, once the text is clean.',
  },
];

/** Which face of the concepts is shown, and what it shows. */
export function ConceptsBar() {
  const { look, change } = useConceptsLook();
  const { face, across, up, group, against } = look;
  return (
    <>
      <div className="centre-bar">
        <Segmented<ConceptsLook['face']>
          aria-label="Face"
          value={face}
          options={FACES.map(({ value, label }) => ({ value, label }))}
          onChange={(face) => change({ face })}
        />
      </div>
      {(face === 'field' || face === 'table') && (
        <div className="centre-bar">
          {face === 'field' && (
            <>
              <AxisChoice label="Across" value={across} onChange={(across) => change({ across })} />
              <AxisChoice label="Up" value={up} onChange={(up) => change({ up })} />
            </>
          )}

          <GroupChoice
            group={group}
            label="Distinctive of a group"
            placeholder="Distinct of …"
            title="What sets one group apart from the rest"
            onChoose={(next) => change({ group: next, against: undefined })}
          />
          {group && (
            <GroupChoice
              group={against}
              label="Against a group"
              placeholder="against the rest"
              title="What it is set against: another group, or all the rest"
              onChoose={(next) => change({ against: next })}
            />
          )}
        </div>
      )}
      <p className={`quiet ${shared.faceHelp}`}>{FACES.find(({ value }) => value === face)?.help}</p>
    </>
  );
}
