import { useState } from 'react';
import { percent } from '@green-thicket/core/base/wording';
import type { SteadinessView, ThemeRow } from '@green-thicket/core/views/view-types';
import type { Band } from '@green-thicket/core/themes/redraw';
import { inkOf, tint } from '@green-thicket/core/map/palette';
import { useView, type View } from '../../engine/use-view.ts';
import { InTurn } from '../../pieces/InTurn.tsx';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { ThemeLedger } from '../ThemeLedger.tsx';
import { Coverage } from './Coverage.tsx';
import { ResolutionChart } from './ResolutionChart.tsx';
import styles from './ThemesStop.module.css';

/** Themes: a column each with its concepts and how steady they are; type to name; a curve of the resolutions. */
export function ThemesStop() {
  const { state } = useStudy();
  const { data, isPlaceholderData } = useView('themes', null);
  // A hundred groupings more: they come behind all else.
  const steadiness = useView('steadiness', null);
  const together = new Map(
    steadiness.isPlaceholderData ? [] : steadiness.data?.concepts.map((each) => [each.key, each.together]),
  );
  const { selection, select } = useSelection();
  const picked = selection?.kind === 'concept' ? selection.key : undefined;
  return (
    <InTurn>
      <ThemeLedger>
        <Coverage />
      </ThemeLedger>
      <main className="stage" aria-label="Themes">
        {data && data.themes.length === 0 ? (
          <div className="empty-stage">
            <h2>No themes yet</h2>
            <p>
              A theme needs at least three concepts that are linked. More text, more links or a lower
              resolution would help.
            </p>
          </div>
        ) : state.sources.length === 0 ? (
          <div className="empty-stage">
            <h2>No themes yet</h2>
            <p>Add texts at Sources; themes form by themselves.</p>
          </div>
        ) : (
          <div className={isPlaceholderData ? 'stage-body dimmed' : 'stage-body'}>
            <div className={styles.themeColumns}>
              {data?.themes.map((theme) => (
                <section
                  key={theme.letter}
                  className={styles.themeColumn}
                  aria-label={`Theme ${theme.letter}`}
                  style={{ borderTopColor: inkOf(theme.letter), background: tint(inkOf(theme.letter), 0.05) }}
                >
                  <ThemeName theme={theme} />
                  <p className="quiet">
                    strength {(100 * theme.share).toFixed(1)} %{' · '}
                    <ComesBack steadiness={steadiness} letter={theme.letter} />
                  </p>
                  <ul className="plain-list">
                    {theme.concepts.map((concept) => (
                      <li key={concept.key}>
                        <button
                          type="button"
                          className={concept.key === picked ? 'row-button here' : 'row-button'}
                          aria-pressed={concept.key === picked}
                          title={
                            together.has(concept.key)
                              ? `With ${percent(together.get(concept.key) ?? 0)} of its theme on average, when sources are drawn anew`
                              : undefined
                          }
                          onClick={() => select({ kind: 'concept', key: concept.key })}
                        >
                          <span className="row-name">{concept.label}</span>
                          <span className="row-figure">
                            {together.has(concept.key)
                              ? Math.round(100 * (together.get(concept.key) ?? 0))
                              : '…'}
                          </span>
                          <span
                            className="row-bar"
                            style={{
                              width: `${100 * (together.get(concept.key) ?? 0)}%`,
                              background: inkOf(theme.letter),
                            }}
                          />
                        </button>
                      </li>
                    ))}
                  </ul>
                </section>
              ))}
            </div>
            {data && data.loose.length > 0 && (
              <p className={styles.looseLine}>
                <span className="quiet">In no theme:</span>{' '}
                {data.loose.map((concept) => (
                  <button
                    key={concept.key}
                    type="button"
                    className="linklike"
                    onClick={() => select({ kind: 'concept', key: concept.key })}
                  >
                    {concept.label}
                  </button>
                ))}
              </p>
            )}
            {data && data.sweep.length > 0 && (
              <InTurn>
                <ResolutionChart sweep={data.sweep} resolution={data.resolution} />
              </InTurn>
            )}
          </div>
        )}
      </main>
    </InTurn>
  );
}

/** Of themes of each band, the share in per cent that fresh sources of the same kind showed too (docs/method/themes.md). */
const FOUND_AGAIN: Readonly<Record<Band, number>> = {
  'nearly always': 97,
  mostly: 79,
  'now and then': 54,
  seldom: 25,
};

/** In words, how steady a theme is over the sources. */
function ComesBack({
  steadiness: { data, isPlaceholderData },
  letter,
}: {
  steadiness: View<SteadinessView>;
  letter: string;
}) {
  const found = isPlaceholderData ? undefined : data?.themes.find((theme) => theme.letter === letter);
  if (!found || !data) return <>drawing sources anew …</>;
  return (
    <span
      title={`The sources were drawn anew ${data.draws} times. In ${Math.round(data.draws * found.comesBack)} of them a theme shares half or more of its concepts with this one. Of made-up collections’ themes that come back so, ${FOUND_AGAIN[found.band]} % were found in other sources of the same kind.`}
    >
      comes back {found.band}
    </span>
  );
}

/** A theme's name, typed where it stands; an empty name brings back the one made of its concepts. */
function ThemeName({ theme }: { theme: ThemeRow }) {
  const { decide } = useStudy();
  const [draft, setDraft] = useState<string>();
  const finish = (): void => {
    if (draft !== undefined && draft.trim() !== theme.label) {
      decide({ kind: 'renameTheme', letter: theme.letter, name: draft });
    }
    setDraft(undefined);
  };
  return (
    <div className={styles.themeName} style={{ color: inkOf(theme.letter) }}>
      <b>{theme.letter}</b>
      <input
        aria-label={`Name of theme ${theme.letter}`}
        value={draft ?? theme.label}
        maxLength={80}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={finish}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur();
          if (event.key === 'Escape') setDraft(undefined);
        }}
      />
    </div>
  );
}
