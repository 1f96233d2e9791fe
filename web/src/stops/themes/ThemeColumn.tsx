import { Dropdown } from 'antd';
import { useLayoutEffect, useRef, useState, type CSSProperties, type RefObject } from 'react';
import { largest } from '@green-thicket/core/base/extent';
import { percent } from '@green-thicket/core/base/wording';
import { inkOf, tint } from '../../pieces/drawn-colours.ts';
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

/** A theme: its name, how sure it is, its concepts in lines, or, opened, one by one with all that can be done with them. */
export function ThemeColumn({
  theme,
  data,
  steadiness,
  isOpen,
  onOpen,
}: {
  theme: ThemeRow;
  data: ThemesView;
  steadiness: View<SteadinessView>;
  /** Whether it stands in full, over its neighbours, which stay where they are. */
  isOpen: boolean;
  onOpen: (isOpen: boolean) => void;
}) {
  const { decide } = useStudy();
  const network = useNetwork();
  const { selection, select } = useSelection();
  const isPicked = selection?.kind === 'theme' && selection.letter === theme.letter;
  const cell = useRef<HTMLDivElement>(null);
  const room = useRoomFor(cell, isOpen);
  const ink = inkOf(theme.letter);
  const [isNoting, setNoting] = useState(false);
  // What stays as it is has nothing to come back.
  const isClosed = theme.by === 'locked' || (theme.by === 'begun' && !theme.grows);
  const figures = new Map(
    steadiness.isPlaceholderData || isClosed ? [] : steadiness.data?.concepts.map((each) => [each.key, each]),
  );
  const band = steadiness.data?.themes.find((each) => each.letter === theme.letter)?.band;
  const shown = isOpen ? theme.concepts : theme.concepts.slice(0, wordsShown(data.themes.length));
  const left = theme.concepts.length - shown.length;
  return (
    <div ref={cell} className={styles.themeCell} style={room?.cell}>
      <DropPlace
        label={`Theme ${theme.letter}`}
        className={isOpen ? `${styles.themeColumn} ${styles.isOpen}` : styles.themeColumn}
        style={{
          borderTopColor: ink,
          background: `linear-gradient(${tint(ink, 0.05)} 0 0) var(--paper)`,
          ...room?.column,
        }}
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
          <button
            type="button"
            className={styles.more}
            aria-expanded={isOpen}
            aria-label={isOpen ? `Close theme ${theme.letter}` : `Open theme ${theme.letter}`}
            title={
              isOpen
                ? 'Close the column'
                : 'Open its full column: how sure each concept is, and what would join'
            }
            onClick={() => onOpen(!isOpen)}
          >
            {isOpen ? '×' : '▾'}
          </button>
          <ThemeMenu theme={theme} data={data} onNote={() => setNoting(true)} />
        </div>
        <button
          type="button"
          className={isPicked ? `${styles.themeFigure} here` : styles.themeFigure}
          aria-pressed={isPicked}
          title={
            network
              ? 'See its links'
              : 'Its strength: the share of stretches of text that speak to it. Read its passages'
          }
          onClick={() => select({ kind: 'theme', letter: theme.letter })}
        >
          <span
            className={styles.themeStrength}
            style={{
              width: `${
                (100 * theme.share) /
                largest(
                  data.themes.map(({ share }) => share),
                  1e-9,
                )
              }%`,
              background: ink,
            }}
          />
          {network ? `${percent(theme.share, 1)} of the links’ weight` : percent(theme.share, 1)}
          {theme.by === 'locked' && ' · locked'}
          {theme.by === 'begun' && ' · begun by you'}
          {!isClosed && !network && (
            <>
              {theme.by === 'begun' ? ', growing · ' : ' · '}
              <ComesBack steadiness={steadiness} letter={theme.letter} />
            </>
          )}
          {theme.joined.length > 0 && ` · with ${theme.joined.join(', ')}`}
        </button>
        {(isNoting || theme.note !== '') && (
          <ThemeNote
            theme={theme}
            isOpen={isNoting}
            onOpen={() => setNoting(true)}
            onClose={() => setNoting(false)}
          />
        )}
        <ul className={isOpen ? 'plain-list' : styles.wordsInLine}>
          {shown.map((concept) => (
            <ConceptInTheme
              key={concept.key}
              concept={concept}
              letter={theme.letter}
              figures={figures.get(concept.key)}
              band={band}
              data={data}
              isInLine={!isOpen}
            />
          ))}
          {left > 0 && (
            <li className={styles.wordOfLine}>
              <button type="button" className="linklike" onClick={() => onOpen(true)}>
                {left} more
              </button>
            </li>
          )}
        </ul>
        {!network && isOpen && <Joiners letter={theme.letter} />}
      </DropPlace>
    </div>
  );
}

/** Words shown of all themes together where they stand in lines, and of each at least. */
const [WORDS_IN_ALL, WORDS_OF_EACH] = [300, 12];
const wordsShown = (themes: number): number => Math.max(WORDS_OF_EACH, Math.floor(WORDS_IN_ALL / themes));

/**
 * Where a column that opens stands: over its neighbours from its place on, upwards in the lower half, and no taller than the centre.
 * Its place stays as large as it was, so that nothing else moves.
 */
function useRoomFor(
  cell: RefObject<HTMLDivElement | null>,
  isOpen: boolean,
): { readonly cell: CSSProperties; readonly column: CSSProperties } | undefined {
  const [room, setRoom] = useState<{ readonly cell: CSSProperties; readonly column: CSSProperties }>();
  const closedHeight = useRef(0);
  useLayoutEffect(() => {
    const place = cell.current;
    const body = place?.closest('.centre-body');
    if (!place || !body) return;
    if (!isOpen) {
      closedHeight.current = place.offsetHeight;
      setRoom(undefined);
      return;
    }
    const top = place.offsetTop - body.scrollTop;
    const height = closedHeight.current || place.offsetHeight;
    const below = body.clientHeight - top;
    const above = top + height;
    setRoom({
      cell: { minHeight: height },
      column:
        below >= above
          ? { top: 0, maxHeight: Math.max(below, height) }
          : { bottom: 0, maxHeight: Math.max(above, height) },
    });
  }, [cell, isOpen]);
  return isOpen ? room : undefined;
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
  if (!found || !data) return <>steadiness to come</>;
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
    <textarea
      rows={1}
      className={styles.themeName}
      aria-label={`Name of theme ${theme.letter}`}
      title={theme.label}
      value={draft ?? theme.label}
      maxLength={80}
      // A name is one line, however many it is shown in.
      onChange={(event) => setDraft(event.target.value.replace(/\s*\n\s*/g, ' '))}
      onBlur={finish}
      onKeyDown={(event) => {
        if (event.key === 'Enter') {
          event.preventDefault();
          event.currentTarget.blur();
        }
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
