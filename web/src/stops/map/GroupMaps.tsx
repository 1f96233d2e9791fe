import { isBeyondChance } from '@green-thicket/core/base/beyond-chance';
import { useRef } from 'react';
import { largest } from '@green-thicket/core/base/extent';
import { counted } from '@green-thicket/core/base/wording';
import type { CompareView, MapView } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../pieces/selection.ts';
import { SaveMenu } from '../../pieces/SaveMenu.tsx';
import { drawingOfMaps, TintedMap } from './TintedMap.tsx';
import styles from './GroupMaps.module.css';

/** Maps side by side; of more groups the first are drawn. */
const MOST_MAPS = 12;
/** Least type on a small map, in map units: about ten pixels. */
const SMALL = 33;

const shareOf = (view: CompareView, group: number): ReadonlyMap<string, number> =>
  new Map(
    view.rows.map((row, r) => [
      row.keys.length === 0 ? row.letter : row.keys[0],
      view.comparison.groups[group].strengths[r].share,
    ]),
  );

/** Every group on the same ground, side by side: the same place for the same word. */
export function GroupMaps({ map }: { map: MapView }) {
  const { select } = useSelection();
  const themes = useView('compare', { rows: { kind: 'themes' } });
  const words = useView('compare', { rows: { kind: 'keys', keys: map.keys } });
  const board = useRef<HTMLDivElement>(null);
  if (!themes.data || !words.data) return <p className="quiet">Weighing the map by groups …</p>;
  const { groups } = themes.data.comparison;
  if (groups.length === 0) {
    return (
      <p className="quiet">
        Give the sources an attribute, such as role or place, at Sources; or choose what is compared at
        Compare.
      </p>
    );
  }
  const mostOf = ({ comparison }: CompareView): number =>
    largest(
      comparison.groups.flatMap(({ strengths }) => strengths.map(({ share }) => share)),
      1e-9,
    );
  const most = { mostTheme: mostOf(themes.data), mostWord: mostOf(words.data) };
  const { within, rows, comparison } = themes.data;
  const sure = new Set(rows.flatMap(({ letter }, r) => (isBeyondChance(comparison.q[r]) ? [letter] : [])));
  return (
    <div
      className={themes.isPlaceholderData || words.isPlaceholderData ? 'centre-body dimmed' : 'centre-body'}
    >
      <p className={styles.mapLead}>
        <span className="quiet">
          The same ground for each group: the fuller a parcel, the stronger its theme there; words are as
          large as the share of the group’s stretches that hold them. Thick borders and figures: groups differ
          in it beyond chance.
          {groups.length > MOST_MAPS && ` The first ${MOST_MAPS} of ${groups.length} groups.`}
        </span>
        <SaveMenu
          name={`maps by ${themes.data.attribute ?? 'group'}`}
          drawing={() =>
            drawingOfMaps(
              board.current,
              groups.map(({ group }) => group),
              map.scene.sheet,
            )
          }
        />
      </p>
      <div className={styles.boards} ref={board}>
        {groups.slice(0, MOST_MAPS).map(({ group, sources }, g) => {
          const [ofTheme, ofWord] = [themes.data, words.data].map((view) => shareOf(view as CompareView, g));
          return (
            <section key={group} aria-label={group}>
              <h2>
                {group} <span className="quiet">{counted(sources, 'source')}</span>
              </h2>
              <TintedMap
                scene={map.scene}
                keys={map.keys}
                title={group}
                smallest={SMALL}
                weights={{
                  ofTheme: (letter) => ofTheme.get(letter) ?? 0,
                  ofWord: (key) => ofWord.get(key) ?? 0,
                  ...most,
                  differs: (letter) => sure.has(letter),
                }}
                onTheme={(letter) => select({ kind: 'theme', letter }, within[g])}
                onWord={(key) => select({ kind: 'stretches', letter: '', keys: [key] }, within[g])}
              />
            </section>
          );
        })}
      </div>
    </div>
  );
}
