import { Button, Slider } from 'antd';
import { useEffect, useState } from 'react';
import { largest } from '@green-thicket/core/base/extent';
import { counted } from '@green-thicket/core/base/wording';
import { ownValue } from '@green-thicket/core/base/records';
import { attributeNames } from '@green-thicket/core/study/groups';
import { shownSources } from '@green-thicket/core/study/subset';
import type { MapView, OverTimeView, Within } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { TintedMap } from './TintedMap.tsx';
import styles from './GroupMaps.module.css';

const TYPE = 17;
/** Milliseconds a period stays while it plays. */
const STAYS = 1200;

/** The ground through time: a period at a time, moved by hand or playing. */
export function TimeMap({ map }: { map: MapView }) {
  const { state } = useStudy();
  const dates = attributeNames(shownSources(state)).find(
    (name) => ownValue(state.attributeTypes, name) === 'date',
  );
  if (dates === undefined) {
    return (
      <p className="quiet">Give the sources a date at Sources, and the map can be moved through time here.</p>
    );
  }
  return <Through map={map} dates={dates} />;
}

function Through({ map, dates }: { map: MapView; dates: string }) {
  const { select } = useSelection();
  const asked = { dates, span: '', period: null, byGroup: false } as const;
  const themes = useView('overTime', { ...asked, rows: { kind: 'themes' } }).data;
  const words = useView('overTime', { ...asked, rows: { kind: 'keys', keys: map.keys } }).data;
  const spoken = (themes?.periods ?? []).flatMap((_, i) =>
    (themes?.courses[0]?.periods[i].windows ?? 0) > 0 ? [i] : [],
  );
  const [step, setStep] = useState(0);
  const [isPlaying, setPlaying] = useState(false);
  const last = spoken.length - 1;
  useEffect(() => {
    if (!isPlaying) return undefined;
    const timer = setInterval(() => setStep((now) => (now >= last ? 0 : now + 1)), STAYS);
    return () => clearInterval(timer);
  }, [isPlaying, last]);
  if (!themes || !words) return <p className="quiet">Laying the map out in time …</p>;
  if (spoken.length === 0) return <p className="quiet">No source has a date yet.</p>;
  const period = spoken[Math.min(step, last)];
  const name = themes.periods[period];
  const shares = (view: OverTimeView): ReadonlyMap<string, number> =>
    new Map(
      view.rows.map((row, r) => [
        row.keys.length === 0 ? row.letter : row.keys[0],
        view.courses[0].periods[period].strengths[r]?.share ?? 0,
      ]),
    );
  const most = (view: OverTimeView): number =>
    largest(
      view.courses[0].periods.flatMap(({ strengths }) => strengths.map(({ share }) => share)),
      1e-9,
    );
  const [ofTheme, ofWord] = [shares(themes), shares(words)];
  const within: Within = { groups: [], when: { dates, period: themes.period, value: name } };
  return (
    <div className="centre-body">
      <div className={styles.timeBar}>
        <Button size="small" aria-pressed={isPlaying} onClick={() => setPlaying(!isPlaying)}>
          {isPlaying ? 'Stop' : 'Play'}
        </Button>
        <Slider
          className={styles.timeSlider}
          ariaLabelForHandle="Period"
          min={0}
          max={last}
          value={Math.min(step, last)}
          tooltip={{ formatter: (value) => themes.periods[spoken[value ?? 0]] }}
          onChange={setStep}
        />
        <b role="status">
          {name}, {counted(themes.courses[0].periods[period].sources, 'source')}
        </b>
      </div>
      <div className={styles.wholeBoard}>
        <TintedMap
          scene={map.scene}
          keys={map.keys}
          title={name}
          smallest={TYPE}
          weights={{
            ofTheme: (letter) => ofTheme.get(letter) ?? 0,
            ofWord: (key) => ofWord.get(key) ?? 0,
            mostTheme: most(themes),
            mostWord: most(words),
          }}
          onTheme={(letter) => select({ kind: 'theme', letter }, within)}
          onWord={(key) => select({ kind: 'stretches', letter: '', keys: [key] }, within)}
        />
      </div>
    </div>
  );
}
