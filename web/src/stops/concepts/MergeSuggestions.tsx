import { inFigures } from '@green-thicket/core/base/wording';
import { Button } from 'antd';
import type { SuggestionReason } from '@green-thicket/core/concepts/suggestions';
import { byCodeUnits } from '@green-thicket/core/base/order';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import styles from './MergeSuggestions.module.css';
import shared from './concepts.module.css';

const REASONS: Record<SuggestionReason, string> = {
  spelling: 'differ by a hyphen, a space or an accent',
  variety: 'are British and American spellings',
  slip: 'differ by one letter',
  compound: 'are a compound and its last part',
  abbreviation: 'are a phrase and its initials',
  synonym: 'are synonyms, by WordNet',
};

/** Candidates that may be one concept: each can be merged, refused for good, or looked at in its lines. */
export function MergeSuggestions() {
  const { state, decide } = useStudy();
  const { select } = useSelection();
  const { data, isPlaceholderData } = useView('suggestions', { refused: state.refusedMerges });
  if (!data) return <p className="quiet">Looking for one concept said otherwise …</p>;
  if (data.suggestions.length === 0) {
    return <p className="quiet">No two words look like one concept said otherwise.</p>;
  }
  const word = (key: string, mentions: number) => (
    <button
      type="button"
      className="linklike"
      title="Read its passages"
      onClick={() => select({ kind: 'concept', key })}
    >
      {key} <span className="quiet">{inFigures(mentions)}</span>
    </button>
  );
  return (
    <ul
      className={`plain-list ${shared.scrollList}${isPlaceholderData ? ' dimmed' : ''}`}
      aria-label="Suggested merges"
    >
      {data.suggestions.map(({ into, key, reason, mentions }) => (
        <li key={`${into}\t${key}`} className={styles.suggestion}>
          <span>
            {word(into, mentions[0])} · {word(key, mentions[1])}
          </span>
          <span className="quiet">{REASONS[reason]}</span>
          <span className="control-row">
            <Button
              size="small"
              aria-label={`Merge ${key} into ${into}`}
              onClick={() => decide({ kind: 'mergeConcepts', into, keys: [key] })}
            >
              Merge
            </Button>
            <Button
              size="small"
              aria-label={`See ${key} and ${into} in their lines`}
              title="Every line with either, side by side"
              onClick={() => select({ kind: 'several', keys: [into, key], how: 'any' }, undefined, 'lines')}
            >
              See both
            </Button>
            <Button
              size="small"
              type="text"
              aria-label={`Keep ${key} and ${into} apart`}
              title="Never suggest it again"
              onClick={() => {
                const [first, second] = [into, key].sort(byCodeUnits);
                decide({ kind: 'refuseMerge', keys: [first, second] });
              }}
            >
              Not the same
            </Button>
          </span>
        </li>
      ))}
    </ul>
  );
}
