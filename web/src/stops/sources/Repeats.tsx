import { Button, Modal } from 'antd';
import { useState } from 'react';
import { counted, percent } from '@green-thicket/core/base/wording';
import type { RepeatRow, RepeatsView } from '@green-thicket/core/views/sources/collection-view-types';
import { shownSources } from '@green-thicket/core/study/subset';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { useTrim } from './use-trim.ts';
import styles from './WorthALook.module.css';

const PLACES = { top: 'at the top', foot: 'at the foot', within: 'within the text' } as const;

/** Lines and blocks that stand in many sources: how many, and a way to look at them and take them out. */
export function Repeats() {
  const { data } = useView('repeats', null);
  const [isOpen, setOpen] = useState(false);
  if (!data) return <p className="quiet">Looking for what repeats …</p>;
  if (data.repeats.length === 0) return <p className="quiet">No line stands in many sources.</p>;
  const words = data.repeats.reduce((sum, repeat) => sum + repeat.words, 0);
  const count = data.repeats.length;
  return (
    <p className={styles.warningNote}>
      {counted(count, 'passage')} {count === 1 ? 'stands' : 'stand'} in many sources, the same or nearly:{' '}
      {counted(words, 'word')}, {percent(words / Math.max(1, data.words), 1)} of what is read.{' '}
      <Button size="small" onClick={() => setOpen(true)}>
        Look at what repeats
      </Button>
      {isOpen && <RepeatsDialog data={data} onClose={() => setOpen(false)} />}
    </p>
  );
}

function RepeatsDialog({ data, onClose }: { data: RepeatsView; onClose: () => void }) {
  const { state } = useStudy();
  const trim = useTrim();
  const sources = shownSources(state);
  const takeOut = (repeats: readonly RepeatRow[]): void =>
    trim(
      { kind: 'repeats', keys: repeats.flatMap(({ keys }) => keys) },
      sources.map(({ id }) => id),
    );
  return (
    <Modal
      open
      width={760}
      title="What stands in many sources"
      footer={
        <Button danger onClick={() => takeOut(data.repeats)}>
          Take all of it out
        </Button>
      }
      onCancel={onClose}
      styles={{ body: { maxHeight: '66vh', overflowY: 'auto' } }}
    >
      <p className="quiet">
        Headers, footers, licences and questions asked of everyone make themes that nobody spoke of. What is
        taken out is not read; the originals keep it, and undo brings it back.
      </p>
      <ul className="plain-list">
        {data.repeats.map((repeat) => (
          <RepeatItem
            key={repeat.keys.join('\n')}
            repeat={repeat}
            of={sources.length}
            onTakeOut={() => takeOut([repeat])}
            onClose={onClose}
          />
        ))}
      </ul>
    </Modal>
  );
}

function RepeatItem({
  repeat,
  of,
  onTakeOut,
  onClose,
}: {
  repeat: RepeatRow;
  of: number;
  onTakeOut: () => void;
  onClose: () => void;
}) {
  const { openSource } = useSelection();
  const { state } = useStudy();
  const name = state.sources.find(({ id }) => id === repeat.first.sourceId)?.name ?? '';
  return (
    <li className={styles.repeat}>
      <p className={styles.repeatText}>
        {repeat.before !== '' && <span className="quiet">… {repeat.before} </span>}
        <mark>{repeat.text}</mark>
        {repeat.after !== '' && <span className="quiet"> {repeat.after} …</span>}
      </p>
      <p className={styles.row}>
        <span>
          {PLACES[repeat.place]} in {repeat.sources} of {counted(of, 'source')},{' '}
          {counted(repeat.words, 'word')}; as in{' '}
          <button
            type="button"
            className="linklike"
            onClick={() => {
              onClose();
              openSource({ sourceId: repeat.first.sourceId, at: repeat.first.start });
            }}
          >
            {name}
          </button>
        </span>
        <Button size="small" onClick={onTakeOut}>
          Take out
        </Button>
      </p>
    </li>
  );
}
