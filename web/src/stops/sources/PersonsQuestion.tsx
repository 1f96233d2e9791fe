import { Button } from 'antd';
import { inFigures } from '@green-thicket/core/base/wording';
import type { GuessedPersons } from '@green-thicket/core/study/persons';
import { useView } from '../../engine/use-view.ts';
import { useStudy } from '../../pieces/study-context.ts';
import styles from './DateQuestion.module.css';

/** The attribute who speaks is kept in where nothing says it yet. */
const PERSON = 'person';

const saidOf = (guess: GuessedPersons): string => {
  const people = `${inFigures(guess.people)} people speak in several sources`;
  if (guess.by === 'attribute') return `By ${guess.attribute}, ${people}.`;
  const [first, second] = guess.example;
  return guess.by === 'names'
    ? `By their names, ${people}, such as ${first} and ${second}.`
    : `By who says most, ${people}, such as ${first} and ${second}.`;
};

/** Asks, once for the study, whether sources that look like one person's are: then they count as one. */
export function PersonsQuestion() {
  const { state, decide } = useStudy();
  const { data } = useView('guessedPersons', null);
  const guess = data?.guess;
  if (state.settings.sources.person !== null || !guess) return null;
  const tell = (): void =>
    decide(
      guess.by === 'attribute'
        ? { kind: 'setSources', change: { person: guess.attribute } }
        : { kind: 'tellPersons', attribute: PERSON, persons: guess.persons },
    );
  return (
    <p className={styles.centreNote} role="alert">
      {saidOf(guess)} Shall what one person said count as one, in intervals and tests too?{' '}
      <Button size="small" onClick={tell}>
        Count them as one
      </Button>{' '}
      <Button size="small" onClick={() => decide({ kind: 'setSources', change: { person: '' } })}>
        Each is somebody else’s
      </Button>
    </p>
  );
}
