import { Button, Segmented } from 'antd';
import { LOOKS, useSelection } from '../pieces/selection.ts';
import { Branches } from './Branches.tsx';
import { Concordance } from './Concordance.tsx';
import { Dispersion } from './Dispersion.tsx';
import { LOOK_NAMES } from './look-names.ts';
import styles from './ReadingCentre.module.css';

/** The words behind a selection on the whole centre: in lines, where they stand, or what follows them. */
export function ReadingCentre({ back }: { back: string }) {
  const { selection, look, setLook } = useSelection();
  // Reading the passages of a branch leaves the branches as they are.
  const root = selection?.kind === 'following' ? selection.of : selection;
  return (
    <main className={`centre ${styles.readingCentre}`} aria-label="Reading">
      <div className="centre-bar">
        <Segmented
          aria-label="How to look at the words"
          value={look}
          options={LOOKS.map((each) => ({ value: each, label: LOOK_NAMES[each] }))}
          onChange={setLook}
        />
        <span className="centre-bar-end">
          <Button onClick={() => setLook(undefined)}>Back to {back}</Button>
        </span>
      </div>
      {!selection ? (
        <div className="empty-centre">
          <h2>Nothing is picked</h2>
          <p>Search the texts above, or go back and pick a concept, a link or a theme.</p>
        </div>
      ) : look === 'lines' ? (
        <Concordance selection={selection} />
      ) : look === 'where' ? (
        <Dispersion selection={selection} />
      ) : (
        root && <Branches key={JSON.stringify(root)} selection={root} />
      )}
    </main>
  );
}
