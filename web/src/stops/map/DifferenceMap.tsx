import { isBeyondChance } from '@green-thicket/core/base/beyond-chance';
import { useRef, useState } from 'react';
import { largest } from '@green-thicket/core/base/extent';
import { DRAWN } from '../../pieces/drawn-colours.ts';
import type { MapView } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { Select } from '../../pieces/Select.tsx';
import { useSelection } from '../../pieces/selection.ts';
import { SaveMenu } from '../../pieces/SaveMenu.tsx';
import { drawingOfMaps, TintedMap } from './TintedMap.tsx';
import { HowFound } from '../../pieces/HowFound.tsx';
import styles from './GroupMaps.module.css';

const TYPE = 17;

/** What each of two groups says more of, on the same ground, with what is beyond chance marked. */
export function DifferenceMap({ map }: { map: MapView }) {
  const { select } = useSelection();
  const themes = useView('compare', { rows: { kind: 'themes' } });
  const groups = themes.data?.comparison.groups ?? [];
  const names = groups.map(({ group }) => group);
  const [first, setFirst] = useState<string>();
  const [second, setSecond] = useState<string>();
  const a = Math.max(0, names.indexOf(first ?? ''));
  const chosen = names.indexOf(second ?? '');
  const b = chosen >= 0 && chosen !== a ? chosen : a === 0 ? 1 : 0;
  const apart = useView(
    'apart',
    { group: names[a] ?? '', against: names[b] ?? '', of: 'concepts', letter: '', limit: 2000 },
    names.length > 1,
  );
  const board = useRef<HTMLDivElement>(null);
  if (!themes.data) return <p className="quiet">Comparing …</p>;
  if (names.length < 2)
    return <p className="quiet">Two groups are needed; choose what is compared at Compare.</p>;
  const { rows, comparison } = themes.data;
  const differences = new Map(
    rows.map(({ letter }, r) => [letter, groups[a].strengths[r].share - groups[b].strengths[r].share]),
  );
  const surely = new Map(rows.map(({ letter }, r) => [letter, isBeyondChance(comparison.q[r])]));
  const words = new Map((apart.data?.rows ?? []).map((row) => [row.keys[0], row]));
  const side = (weight: number): number => (weight < 0 ? b : a);
  return (
    <div
      className={themes.isPlaceholderData || apart.isPlaceholderData ? 'centre-body dimmed' : 'centre-body'}
    >
      <div className="centre-bar">
        <b style={{ color: DRAWN.moss }}>more:</b>
        <Select
          size="small"
          className="short"
          aria-label="First group"
          value={names[a]}
          options={names.map((name) => ({ value: name, label: name }))}
          onChange={setFirst}
        />
        <b style={{ color: DRAWN.rust }}>more:</b>
        <Select
          size="small"
          className="short"
          aria-label="Second group"
          value={names[b]}
          options={names.filter((_, g) => g !== a).map((name) => ({ value: name, label: name }))}
          onChange={setSecond}
        />
        <SaveMenu
          name={`map of ${names[a]} and ${names[b]}`}
          drawing={() =>
            drawingOfMaps(board.current, [`${names[a]} (+) and ${names[b]} (−)`], map.scene.sheet)
          }
        />
      </div>
      <p className="quiet">
        Parcels say how many points more of its stretches speak to a theme; words by their log-odds. What has
        a dashed border, or is grey, may be chance.{' '}
        <HowFound page="map" heading="Groups on the same ground" />
      </p>
      <div className={styles.wholeBoard} ref={board}>
        <TintedMap
          scene={map.scene}
          keys={map.keys}
          title={`${names[a]} against ${names[b]}`}
          smallest={TYPE}
          inks={[DRAWN.moss, DRAWN.rust]}
          weights={{
            ofTheme: (letter) => differences.get(letter) ?? 0,
            ofWord: (key) => words.get(key)?.logOdds ?? 0,
            mostTheme: largest([...differences.values()].map(Math.abs), 1e-9),
            mostWord: largest(
              [...words.values()].map(({ logOdds }) => Math.abs(logOdds)),
              1e-9,
            ),
            isSure: (what) =>
              'letter' in what
                ? (surely.get(what.letter) ?? false)
                : isBeyondChance(words.get(what.key)?.q ?? 1),
          }}
          onTheme={(letter) =>
            select({ kind: 'theme', letter }, themes.data?.within[side(differences.get(letter) ?? 0)])
          }
          onWord={(key) =>
            select(
              { kind: 'stretches', letter: '', keys: [key] },
              themes.data?.within[side(words.get(key)?.logOdds ?? 0)],
            )
          }
        />
      </div>
    </div>
  );
}
