import { counted } from '@green-thicket/core/base/wording';
import { asksChance } from '@green-thicket/core/network/measures';
import { Segmented } from 'antd';
import { useState, type CSSProperties } from 'react';
import { useView } from '../../engine/use-view.ts';
import { InTurn } from '../../pieces/InTurn.tsx';
import { useSelection } from '../../pieces/selection.ts';
import { useShownFigure } from '../../pieces/shown-figure.ts';
import { useNetwork } from '../../pieces/use-network.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { Became } from './Became.tsx';
import { Beside } from './Beside.tsx';
import { RepeatsNote } from '../RepeatsNote.tsx';
import { Figures } from './Figures.tsx';
import { HowMany } from './HowMany.tsx';
import { SaveThemes } from './SaveThemes.tsx';
import { ThemeColumn } from './ThemeColumn.tsx';
import { Topics } from './Topics.tsx';
import { Trays } from './Trays.tsx';
import styles from './ThemesStop.module.css';
import { FirstNote } from '../../pieces/FirstNote.tsx';

/** As many beside each other as make two rows; up to three stand in one. */
const besideEachOther = (themes: number): CSSProperties & Record<`--${string}`, number> => ({
  '--beside': themes <= 3 ? themes : Math.ceil(themes / 2),
});

/** The theme that stands open: the one picked last, or opened by itself; none once nothing is picked any more. */
function useOpened(): [string | undefined, (letter: string | undefined) => void] {
  const { selection } = useSelection();
  const picked = selection?.kind === 'theme' ? selection.letter : undefined;
  const [state, setState] = useState<{ readonly letter?: string; readonly picked?: string }>({});
  if (picked !== state.picked) setState({ letter: picked ?? (selection ? state.letter : undefined), picked });
  return [state.letter, (letter) => setState({ letter, picked })];
}

/** Themes: how many there may be, all of them with their words, one open in full, and trays for what is in none. */
export function ThemesStop() {
  const { state, decide } = useStudy();
  const network = useNetwork();
  useShownFigure({ kind: 'themes' });
  const { data, isPlaceholderData } = useView('themes', null);
  // A hundred groupings more: they come behind all else.
  const steadiness = useView('steadiness', null);
  const [face, setFace] = useState<'themes' | 'figures' | 'beside' | 'topics'>('themes');
  const [opened, open] = useOpened();
  const isEmpty = data !== undefined && data.themes.length === 0;
  return (
    <InTurn>
      <main className="centre" aria-label="Themes">
        <FirstNote of="centre" />
        {state.sources.length === 0 && !network ? (
          <div className="empty-centre">
            <h2>No themes yet</h2>
            <p>Add texts at Sources; themes form by themselves.</p>
          </div>
        ) : (
          data && (
            <>
              <HowMany
                data={face === 'themes' && data.sweep.length > 0 && !isEmpty ? data : undefined}
                end={!isEmpty && <SaveThemes />}
              >
                <Segmented
                  aria-label="How to look at the themes"
                  value={face}
                  options={[
                    { value: 'themes', label: 'Themes' },
                    ...(network ? [] : [{ value: 'figures' as const, label: 'Figures' }]),
                    { value: 'beside', label: 'Side by side' },
                    ...(network ? [] : [{ value: 'topics' as const, label: 'Topics: a second opinion' }]),
                  ]}
                  onChange={setFace}
                />
              </HowMany>
              {face === 'figures' && <Figures steadiness={steadiness} />}
              {face === 'beside' && <Beside data={data} />}
              {face === 'topics' && <Topics themes={data.themes.length} />}
              {face === 'themes' && (
                <div className={isPlaceholderData ? 'centre-body dimmed' : 'centre-body'}>
                  <Became data={data} isSettled={!isPlaceholderData} />
                  {!network && <RepeatsNote />}
                  {isEmpty ? (
                    <div className="empty-centre">
                      <h2>No themes yet</h2>
                      <p>
                        A theme needs at least three concepts that are linked.{' '}
                        {network ? 'A' : 'More text, more links or a'} lower resolution would help; or begin
                        one with words of your own below.
                      </p>
                      {data.perhaps.length > 0 && (
                        <p>
                          {counted(data.perhaps.length, 'group')} of concepts may hold together, on pairs too
                          unsure to be links: read them below, under Perhaps, and begin a theme with what you
                          find one.
                        </p>
                      )}
                      {!network && asksChance(state.settings.links) && (
                        <p>
                          In few or short texts hardly any two words share more than chance has it.{' '}
                          <button
                            type="button"
                            className="linklike"
                            title="Links then stand whether or not chance would explain them; the list of links says which may be chance"
                            onClick={() => decide({ kind: 'setLinks', change: { maximumQ: 1 } })}
                          >
                            Let links stand that may be chance
                          </button>{' '}
                          or{' '}
                          <button type="button" className="linklike" onClick={() => setFace('topics')}>
                            ask a topic model
                          </button>
                          , which makes do with less.
                        </p>
                      )}
                    </div>
                  ) : (
                    <div className={styles.themeColumns} style={besideEachOther(data.themes.length)}>
                      {data.themes.map((theme) => (
                        <ThemeColumn
                          key={theme.letter}
                          theme={theme}
                          data={data}
                          steadiness={steadiness}
                          isOpen={opened === theme.letter}
                          onOpen={(isOpen) => open(isOpen ? theme.letter : undefined)}
                        />
                      ))}
                    </div>
                  )}
                </div>
              )}
              {face === 'themes' && <Trays data={data} />}
            </>
          )
        )}
      </main>
    </InTurn>
  );
}
