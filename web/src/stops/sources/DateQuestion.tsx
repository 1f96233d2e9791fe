import { Button } from 'antd';
import { dateOrderOf } from '@green-thicket/core/study/attributes';
import { useStudy } from '../../pieces/study-context.ts';
import { ownValue } from '@green-thicket/core/base/records';
import styles from './DateQuestion.module.css';

/** Asks, once for the study, how dates are written whose day and month could be either way round. */
export function DateQuestion() {
  const { state, decide } = useStudy();
  if (state.settings.sources.dateOrder !== null) return null;
  const dates = Object.entries(state.attributeTypes)
    .filter(([, type]) => type === 'date')
    .flatMap(([attribute]) => state.sources.map((source) => ownValue(source.attributes, attribute) ?? ''));
  if (dateOrderOf(dates) !== 'open') return null;
  const example = dates.find((value) => dateOrderOf([value]) === 'open') ?? '';
  return (
    <p className={styles.centreNote} role="alert">
      Dates such as {example} can be read two ways. How are they written?{' '}
      <Button size="small" onClick={() => decide({ kind: 'setSources', change: { dateOrder: 'dmy' } })}>
        Day first
      </Button>{' '}
      <Button size="small" onClick={() => decide({ kind: 'setSources', change: { dateOrder: 'mdy' } })}>
        Month first
      </Button>
    </p>
  );
}
