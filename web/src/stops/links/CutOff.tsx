import { Slider } from 'antd';
import { useState } from 'react';
import { counted, inFigures, listed } from '@green-thicket/core/base/wording';
import { largest, least } from '@green-thicket/core/base/extent';
import type { LinkSettings } from '@green-thicket/core/network/links';
import type { LinksView } from '@green-thicket/core/views/view-types';
import { useStudy } from '../../pieces/study-context.ts';
import styles from './LinksStop.module.css';

/** Steps of the slider over the strengths there are. */
const STEPS = 200;
/** Concepts named that would fall out. */
const NAMED = 8;

/** The concepts that have a link above a cut-off, and how many links there are. */
function standingAbove({ strength, source, target }: LinksView['standable'], cutOff: number) {
  const concepts = new Set<number>();
  let links = 0;
  for (let i = 0; i < strength.length; i++) {
    if (strength[i] <= cutOff) continue;
    links++;
    concepts.add(source[i]).add(target[i]);
  }
  return { links, concepts };
}

/** The cut-off, dragged or moved by keys: what would stand is said at once, and decided when it is let go. */
export function CutOff({ data, settings }: { data: LinksView; settings: LinkSettings }) {
  const { decide } = useStudy();
  const { cutOff, minimumTogether } = settings;
  // What is dragged holds until the cut-off it began at is another.
  const [draft, setDraft] = useState({ from: cutOff, at: cutOff });
  const at = draft.from === cutOff ? draft.at : cutOff;
  const low = Math.min(cutOff, least(data.strengths, cutOff));
  const high = Math.max(cutOff, largest(data.strengths, cutOff));
  const now = standingAbove(data.standable, cutOff);
  const then = at === cutOff ? now : standingAbove(data.standable, at);
  const gone = [...now.concepts].filter((concept) => !then.concepts.has(concept));
  const come = [...then.concepts].filter((concept) => !now.concepts.has(concept));
  const named = (concepts: readonly number[]): string =>
    listed([
      ...concepts.slice(0, NAMED).map((concept) => data.labels[concept]),
      ...(concepts.length > NAMED ? [`${concepts.length - NAMED} more`] : []),
    ]);
  const above = data.strengths.filter((strength) => strength > at).length;
  return (
    <figcaption className={`quiet ${styles.cutOff}`}>
      <Slider
        className={styles.slider}
        ariaLabelForHandle="Cut-off"
        min={Number(low.toFixed(2))}
        max={Number(high.toFixed(2))}
        step={Math.max(0.01, Number(((high - low) / STEPS).toFixed(2)))}
        value={at}
        tooltip={{ formatter: (value) => `above ${value}` }}
        onChange={(value) => setDraft({ from: cutOff, at: value })}
        onChangeComplete={(value) => {
          if (value !== cutOff) decide({ kind: 'setLinks', change: { cutOff: value } });
        }}
      />
      <span role="status">
        Above {at}: {inFigures(above)} of {counted(data.strengths.length, 'pair')} that share{' '}
        {minimumTogether > 1 ? `${minimumTogether} windows or more` : 'a window'}, of which{' '}
        <strong>{counted(then.links, 'link')}</strong> would stand, of{' '}
        {counted(then.concepts.size, 'concept')}.{gone.length > 0 && ` Without a link then: ${named(gone)}.`}
        {come.length > 0 && ` Linked again: ${named(come)}.`}
      </span>
    </figcaption>
  );
}
