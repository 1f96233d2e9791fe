import { Link } from 'react-router';
import { percent } from '@green-thicket/core/base/wording';
import { useView } from '../engine/use-view.ts';
import { useStudy } from '../pieces/study-context.ts';

/** From this share of the words on, what repeats may make links and themes by itself. */
const MUCH = 0.02;

/** Says where much of what is read stands in many sources: what is linked there may be words that were copied. */
export function RepeatsNote() {
  const { id } = useStudy();
  const { data } = useView('repeats', null);
  const words = data?.repeats.reduce((sum, repeat) => sum + repeat.words, 0) ?? 0;
  if (!data || words < MUCH * data.words) return null;
  return (
    <p className="quiet" data-repeats="">
      {percent(words / data.words, 0)} of what is read are passages that stand in many sources. Links and
      themes made of them may be words that were copied. <Link to={`/study/${id}/sources`}>Look at them</Link>
      , at Sources.
    </p>
  );
}
