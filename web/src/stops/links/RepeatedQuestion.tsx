import { Button } from 'antd';
import { counted, inFigures } from '@green-thicket/core/base/wording';
import { useView } from '../../engine/use-view.ts';
import { useStudy } from '../../pieces/study-context.ts';
import styles from './LinksStop.module.css';

/** Letters of an example that are shown. */
const SHOWN = 120;

/** Asks, once for the study, whether sentences that many sources repeat shall make links. */
export function RepeatedQuestion() {
  const { state, decide } = useStudy();
  const { data } = useView('repeatedSentences', null);
  if (state.settings.windows.repeated !== undefined || !data || data.count === 0) return null;
  const { count, places, sources, example } = data;
  const short = example.length > SHOWN ? `${example.slice(0, SHOWN)} …` : example;
  const answer = (repeated: boolean): void => decide({ kind: 'setWindows', change: { repeated } });
  return (
    <p className={styles.question} role="alert">
      {counted(count, 'sentence')} {count === 1 ? 'stands' : 'stand'} word for word in many sources, in{' '}
      {counted(places, 'place')}, such as “{short}” in {inFigures(sources)}.{' '}
      {count === 1 ? 'It makes' : 'They make'} no links: nobody put these words together anew.{' '}
      <Button size="small" onClick={() => answer(false)}>
        Leave it so
      </Button>{' '}
      <Button size="small" onClick={() => answer(true)}>
        Let {count === 1 ? 'it' : 'them'} make links
      </Button>
    </p>
  );
}
