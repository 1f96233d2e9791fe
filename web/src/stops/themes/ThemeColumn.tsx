import { Dropdown } from 'antd';
import { useState } from 'react';
import { percent } from '@green-thicket/core/base/wording';
import { inkOf, tint } from '@green-thicket/core/map/palette';
import { STEADY_UNKNOWN } from '@green-thicket/core/words/figure-sentences';
import { FOUND_IN_FRESH } from '@green-thicket/core/themes/bands';
import type { SteadinessView, ThemeRow, ThemesView } from '@green-thicket/core/views/view-types';
import type { View } from '../../engine/use-view.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useNetwork } from '../../pieces/use-network.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { ConceptInTheme } from './ConceptInTheme.tsx';
import { DropPlace } from './DropPlace.tsx';
import { Joiners } from './Joiners.tsx';
import { drag, droppedOn, keysOf, setAside, titleOf } from './theme-decisions.ts';
import { useSplit } from './use-split.ts';
import styles from './ThemesStop.module.css';

/** A theme: its name, how sure it is, its concepts, and what can be done with it. */
export function ThemeColumn({
  theme,
  data,
  steadiness,
}: {
  theme: ThemeRow;
  data: ThemesView;
  steadiness: View<SteadinessView>;
}) {
  const { decide } = useStudy();
  const network = useNetwork();
  const ink = inkOf(theme.letter);
  const [isNoting, setNoting] = useState(false);
  // What stays as it is has nothing to come back.
  const isClosed = theme.by === 'locked' || (theme.by === 'begun' && !theme.grows);
  const figures = new Map(
    steadiness.isPlaceholderData || isClosed ? [] : steadiness.data?.concepts.map((each) => [each.key, each]),
  );
  return (
    <DropPlace
      label={`Theme ${theme.letter}`}
      className={styles.themeColumn}
      style={{ borderTopColor: ink, background: tint(ink, 0.05) }}
      onDropped={(what) => {
        const decision = droppedOn(what, theme.letter);
        if (decision) decide(decision);
      }}
    >
      <div className={styles.themeHead} style={{ color: ink }}>
        <span
          draggable
          className={styles.grip}
          title="Drag onto another theme to join them, or onto “Set aside”"
          onDragStart={(event) =>
            drag(event.dataTransfer, { kind: 'theme', letter: theme.letter }, theme.label)
          }
        >
          {theme.letter}
        </span>
        <ThemeName theme={theme} />
        <ThemeMenu theme={theme} data={data} onNote={() => setNoting(true)} />
      </div>
      <p className="quiet">
        {network ? `${percent(theme.share, 1)} of the links’ weight` : `strength ${percent(theme.share, 1)}`}
        {theme.by === 'locked' && ' · locked'}
        {theme.by === 'begun' && ' · begun by you'}
        {!isClosed && !network && (
          <>
            {theme.by === 'begun' ? ', growing · ' : ' · '}
            <ComesBack steadiness={steadiness} letter={theme.letter} />
          </>
        )}
        {theme.joined.length > 0 && ` · with ${theme.joined.join(', ')}`}
      </p>
      {(isNoting || theme.note !== '') && (
        <ThemeNote
          theme={theme}
          isOpen={isNoting}
          onOpen={() => setNoting(true)}
          onClose={() => setNoting(false)}
        />
      )}
      <ul className="plain-list">
        {theme.concepts.map((concept) => (
          <ConceptInTheme
            key={concept.key}
            concept={concept}
            letter={theme.letter}
            figures={figures.get(concept.key)}
            band={steadiness.data?.themes.find((each) => each.letter === theme.letter)?.band}
            data={data}
          />
        ))}
      </ul>
      {!network && <Joiners letter={theme.letter} />}
    </DropPlace>
  );
}

/** What can be done with a theme. */
function ThemeMenu({ theme, data, onNote }: { theme: ThemeRow; data: ThemesView; onNote: () => void }) {
  const { decide } = useStudy();
  const network = useNetwork();
  const { select } = useSelection();
  const split = useSplit();
  const { letter } = theme;
  const others = data.themes.filter((each) => each.letter !== letter);
  return (
    <Dropdown
      trigger={['click']}
      autoFocus
      menu={{
        'aria-label': `Theme ${letter}`,
        items: [
          { key: 'read', label: network ? 'See its links' : 'Read its passages' },
          { key: 'note', label: theme.note === '' ? 'Say what it is' : 'Change what it is said to be' },
          theme.by === 'locked'
            ? { key: 'unlock', label: 'Unlock: leave it to the grouping' }
            : { key: 'lock', label: `Lock: keep just these ${theme.concepts.length}` },
          ...(theme.by === 'begun' ? [{ key: 'end', label: 'Leave it to the grouping' }] : []),
          { key: 'split', label: 'Split it' },
          ...(others.length > 0
            ? [
                {
                  key: 'join',
                  label: 'Join it to',
                  children: others.map((each) => ({ key: `join ${each.letter}`, label: titleOf(each) })),
                },
              ]
            : []),
          ...(theme.joined.length > 0
            ? [{ key: 'part', label: `Part ${theme.joined.join(', ')} from it again` }]
            : []),
          { key: 'aside', label: 'Set aside, and group the rest again' },
        ],
        onClick: ({ key }) => {
          if (key === 'read') select({ kind: 'theme', letter });
          else if (key === 'note') onNote();
          else if (key === 'lock') decide({ kind: 'lockTheme', letter, keys: keysOf(theme) });
          else if (key === 'unlock') decide({ kind: 'unlockTheme', letter });
          else if (key === 'end') decide({ kind: 'endTheme', letter });
          else if (key === 'split') split(theme, data.nextLetter);
          else if (key === 'part') decide({ kind: 'partTheme', letter });
          else if (key === 'aside') decide(setAside(theme));
          else decide({ kind: 'joinThemes', letters: [letter], into: key.slice('join '.length) });
        },
      }}
    >
      <button type="button" className={styles.more} aria-haspopup="menu" aria-label={`Theme ${letter}: more`}>
        ⋯
      </button>
    </Dropdown>
  );
}

/** In words, how steady a theme is over the sources. */
function ComesBack({
  steadiness: { data, isPlaceholderData },
  letter,
}: {
  steadiness: View<SteadinessView>;
  letter: string;
}) {
  const found = isPlaceholderData ? undefined : data?.themes.find((theme) => theme.letter === letter);
  if (data?.draws === 0 && !isPlaceholderData) return <span title={STEADY_UNKNOWN}>of one source</span>;
  if (!found || !data) return <>hearing halves of the sources …</>;
  return (
    <span
      title={`Would other sources have shown it? Halves of the sources were drawn ${data.draws} times, and concepts chosen and grouped anew. In ${Math.round(data.draws * found.comesBack)} of them half of its concepts stand together. Of themes that come back so, fresh halves of real and made-up collections showed ${FOUND_IN_FRESH[found.band]} of 100.`}
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
    <input
      className={styles.themeName}
      aria-label={`Name of theme ${theme.letter}`}
      title={theme.label}
      value={draft ?? theme.label}
      maxLength={80}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={finish}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
        if (event.key === 'Escape') setDraft(undefined);
      }}
    />
  );
}

/** What a theme is, in the researcher's words; kept when the field is left. */
function ThemeNote({
  theme,
  isOpen,
  onOpen,
  onClose,
}: {
  theme: ThemeRow;
  isOpen: boolean;
  onOpen: () => void;
  onClose: () => void;
}) {
  const { decide } = useStudy();
  if (!isOpen) {
    return (
      <button
        type="button"
        className={styles.definition}
        aria-label={`Definition of theme ${theme.letter}: ${theme.note}`}
        onClick={onOpen}
      >
        {theme.note}
      </button>
    );
  }
  return (
    <textarea
      autoFocus
      rows={3}
      maxLength={2000}
      className={styles.definitionField}
      aria-label={`What theme ${theme.letter} is`}
      placeholder="What is in it, and what is not"
      defaultValue={theme.note}
      onBlur={(event) => {
        const note = event.target.value;
        if (note.trim() !== theme.note) decide({ kind: 'noteTheme', letter: theme.letter, note });
        onClose();
      }}
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.currentTarget.value = theme.note;
        event.currentTarget.blur();
      }}
    />
  );
}
