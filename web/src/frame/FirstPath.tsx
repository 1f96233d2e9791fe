import { Button } from 'antd';
import { useNavigate } from 'react-router';
import { STOPS, type Stop } from '@green-thicket/core/words/sentences';
import { useStudy } from '../pieces/study-context.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import { STOPS_BY_NAME } from '../stops/stops.ts';
import styles from './FirstPath.module.css';

/** What to look at and try at each stop, in a sentence or two. */
const SAID: Readonly<Record<Stop, string>> = {
  sources:
    'Texts come in here: drop files anywhere. Each row is a source; its columns, such as role, are attributes you can type into. The underlined words of the sentence above are the settings.',
  clean:
    'The text as it is read. Point at a step in the sentence to see what it takes out; the originals stay as they are.',
  concepts:
    'Words placed by meaning: further right, more sources use them; further up, the more selective the company they keep. Click one to read its passages; Delete drops it, Undo brings it back.',
  links:
    'What goes with what, and whether chance would explain it. Drag the cut-off; click a link to read the places where both are said.',
  themes:
    'Groups of linked concepts. Type into a name to give it yours, drag a concept to another theme, or press M on it. What comes back seldom is marked.',
  map: 'The whole at once. Click a word, a line or a parcel to read what was said; press V to keep the map in the Notebook.',
  compare:
    'Who speaks to which theme, how strongly and how surely. Every mark opens its passages. The Notebook makes a report of all of it.',
};

/** A first way through the stops: what to look at and try at each; left at any time, found again in the help. */
export function FirstPath({ stop, onLeave }: { stop: Stop; onLeave: () => void }) {
  const { id } = useStudy();
  const navigate = useNavigate();
  const tellFault = useTellFault();
  const at = STOPS.indexOf(stop);
  const next = STOPS.at(at + 1);
  const go = (to: Stop): void => tellFault('It was not opened', async () => navigate(`/study/${id}/${to}`));
  return (
    <section className={styles.firstPath} aria-label="A first way through">
      <p>
        <strong>{`${at + 1} of ${STOPS.length}, ${STOPS_BY_NAME[stop].name}.`}</strong> {SAID[stop]}
      </p>
      <span className="control-row">
        {at > 0 && (
          <Button size="small" onClick={() => go(STOPS[at - 1])}>
            {STOPS_BY_NAME[STOPS[at - 1]].name}
          </Button>
        )}
        {next !== undefined && at + 1 < STOPS.length && (
          <Button size="small" type="primary" onClick={() => go(next)}>
            {`On to ${STOPS_BY_NAME[next].name}`}
          </Button>
        )}
        <Button size="small" type="text" onClick={onLeave}>
          Leave
        </Button>
      </span>
    </section>
  );
}
