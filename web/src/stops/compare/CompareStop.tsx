import { attributeNames } from '@green-thicket/core/study/groups';
import { shownSources } from '@green-thicket/core/study/subset';
import { Button, Segmented } from 'antd';
import { useView } from '../../engine/use-view.ts';
import { InTurn } from '../../pieces/InTurn.tsx';
import { Select } from '../../pieces/Select.tsx';
import { useShownFigure } from '../../pieces/shown-figure.ts';
import { useNetwork } from '../../pieces/use-network.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { Apart } from './Apart.tsx';
import { Course } from './Course.tsx';
import { FACES, FACE_NAMES, SHOWN, useLooked, type Face, type Shown } from './faces.ts';
import { Marks } from './Marks.tsx';
import { OverTime } from './OverTime.tsx';
import { Profiles } from './Profiles.tsx';
import { Tone } from './Tone.tsx';
import { Voices } from './Voices.tsx';
import styles from './CompareStop.module.css';
import { FirstNote } from '../../pieces/FirstNote.tsx';

/** Faces whose rows may be other things than themes. */
const WITH_ROWS: ReadonlySet<Face> = new Set(['marks', 'table', 'time', 'course']);

/** Faces of which the marks are kept. */
const KEPT_AS_MARKS: ReadonlySet<Face> = new Set(['profiles', 'course', 'voices']);

/** Compare: who speaks to what, how strongly and how surely; every mark opens its passages. */
export function CompareStop() {
  const { id, state, decide } = useStudy();
  const [looked, look] = useLooked(id);
  const network = useNetwork();
  const { face, rows, shown } = looked;
  const themes = useView('themes', null).data?.themes;
  useShownFigure(KEPT_AS_MARKS.has(face) ? { kind: 'strength', rows } : undefined);
  const hasColumns =
    attributeNames(shownSources(state)).length > 0 || state.settings.compare.columns !== 'attribute';
  const isEmpty =
    state.sources.length === 0 || (themes !== undefined && (themes.length === 0 || !hasColumns));
  return (
    <InTurn>
      <main className="centre" aria-label="Compare">
        <FirstNote of="centre" />
        {isEmpty ? (
          <div className="empty-centre">
            <h2>{network ? 'Nothing to compare' : 'Nothing to compare yet'}</h2>
            <p>
              {network
                ? 'Strength is what sources say, and this study is a network without any. To lay two groupings of it side by side, see Themes.'
                : state.sources.length === 0
                  ? 'Add texts at Sources first.'
                  : themes?.length === 0
                    ? 'There are no themes yet; see Themes for what would help.'
                    : 'Give the sources an attribute, such as role or place, at Sources; or compare them one by one.'}
            </p>
            {!network && !hasColumns && themes !== undefined && themes.length > 0 && (
              <p>
                <Button onClick={() => decide({ kind: 'setCompare', change: { columns: 'sources' } })}>
                  Compare every source by itself
                </Button>
              </p>
            )}
          </div>
        ) : (
          <>
            <div className={`centre-bar ${styles.faceBar}`}>
              <Segmented
                size="small"
                aria-label="How to look at it"
                value={face}
                options={FACE_NAMES.map((value) => ({
                  value,
                  label: FACES[value].label,
                  title: FACES[value].title,
                }))}
                onChange={(next) => look({ face: next })}
              />
              {WITH_ROWS.has(face) && (
                <Select
                  size="small"
                  aria-label="Rows"
                  title="What is compared"
                  popupMatchSelectWidth={false}
                  value={rows.kind === 'concepts' && rows.letter !== '' ? `of ${rows.letter}` : rows.kind}
                  options={[
                    { value: 'themes', label: 'themes' },
                    { value: 'concepts', label: 'most mentioned concepts' },
                    { value: 'links', label: 'strongest links' },
                    ...(themes ?? []).map(({ letter, label }) => ({
                      value: `of ${letter}`,
                      label: `concepts of ${letter} ${label}`,
                    })),
                  ]}
                  onChange={(value: string) =>
                    look({
                      rows: value.startsWith('of ')
                        ? { kind: 'concepts', letter: value.slice(3) }
                        : value === 'concepts'
                          ? { kind: 'concepts', letter: '' }
                          : { kind: value === 'links' ? 'links' : 'themes' },
                    })
                  }
                />
              )}
              {(face === 'marks' || face === 'table') && (
                <Select
                  size="small"
                  aria-label="What is shown"
                  popupMatchSelectWidth={false}
                  value={shown}
                  options={(Object.keys(SHOWN) as Shown[]).map((value) => ({ value, label: SHOWN[value] }))}
                  onChange={(next: Shown) => look({ shown: next })}
                />
              )}
            </div>
            {(face === 'marks' || face === 'table') && (
              <Marks rows={rows} shown={shown} isTable={face === 'table'} />
            )}
            {face === 'time' && <OverTime rows={rows} />}
            {face === 'apart' && <Apart />}
            {face === 'course' && <Course rows={rows} />}
            {face === 'profiles' && <Profiles />}
            {face === 'tone' && <Tone />}
            {face === 'voices' && <Voices />}
          </>
        )}
      </main>
    </InTurn>
  );
}
