import { Dropdown } from 'antd';
import { percent } from '@green-thicket/core/base/wording';
import { bandOfMember, EVERYWHERE, isLess, type Band } from '@green-thicket/core/themes/bands';
import type { SteadinessView, ThemeRow, ThemesView } from '@green-thicket/core/views/view-types';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { decisionByKey, KEYS_SAID } from '../../pieces/key-decisions.ts';
import { begin, drag, titleOf } from './theme-decisions.ts';
import styles from './ThemesStop.module.css';

/** A concept leans where it is with another theme more than with its own. */
type Figures = SteadinessView['concepts'][number];
export type Concept = ThemeRow['concepts'][number];

/** Whether a concept is in so much of the text, and in more than speaks to its theme, that it says little of it. */
const isEverywhere = ({ ofStretches }: Pick<Concept, 'ofStretches'>, themeShare: number): boolean =>
  ofStretches >= EVERYWHERE && ofStretches > themeShare;

/** What is less sure about a concept than about its theme, in a word or two; nothing where it is as sure. */
function unsureOf(
  concept: Pick<Concept, 'placed' | 'ofStretches'>,
  figures: Figures | undefined,
  { share, band: ofTheme }: { readonly share: number; readonly band: Band | undefined },
): string {
  if (concept.placed) return 'yours';
  if (isEverywhere(concept, share)) return `in ${percent(concept.ofStretches)} of stretches`;
  if (!figures) return '';
  if (figures.lean !== '' && figures.leaning > figures.together) return `leans ${figures.lean}`;
  const band = bandOfMember(figures.together);
  // The theme itself says how often it comes back: what is no less sure than that is not said again of each.
  return band === 'mostly' || !isLess(band, ofTheme ?? 'nearly always') ? '' : band;
}

/** A concept of a theme: read with a click, moved by dragging, by its menu or by keys; marked only where it is unsure. */
export function ConceptInTheme({
  concept,
  letter,
  figures,
  band,
  data,
  isInLine = false,
}: {
  concept: Concept;
  letter: string;
  figures: Figures | undefined;
  /** How often its theme comes back; undefined until that is known. */
  band: Band | undefined;
  data: ThemesView;
  /** Whether it is one word of a line and says what is unsure by a mark alone. */
  isInLine?: boolean;
}) {
  const { decide } = useStudy();
  const { selection, select } = useSelection();
  const isPicked = selection?.kind === 'concept' && selection.key === concept.key;
  const themeShare = data.themes.find((theme) => theme.letter === letter)?.share ?? 0;
  const unsure = unsureOf(concept, figures, { share: themeShare, band });
  const why = [
    isInLine && unsure !== '' && (concept.placed ? 'Put here by you.' : `Less sure: ${unsure}.`),
    isEverywhere(concept, themeShare) &&
      `It is in ${percent(concept.ofStretches)} of all stretches of text, so it keeps nearly everybody’s company and says little of this theme.`,
    figures &&
      `Where it is chosen again it is with ${percent(figures.together)} of its theme on average, when halves of the sources are drawn.`,
    figures && figures.lean !== '' && `With ${percent(figures.leaning)} of ${figures.lean}.`,
    concept.foundIn !== undefined &&
      `The grouping alone would have it in ${concept.foundIn === '' ? 'no theme' : concept.foundIn}.`,
    `${KEYS_SAID}; M moves it.`,
  ].filter((each) => typeof each === 'string');
  const rowClass = [
    isInLine ? styles.themeWord : 'row-button',
    isPicked && 'here',
    isInLine && concept.placed && styles.isYours,
    unsure !== '' && !concept.placed && styles.isUnsure,
  ].filter(Boolean);
  return (
    <li className={isInLine ? styles.wordOfLine : styles.concept}>
      <button
        type="button"
        draggable
        className={rowClass.join(' ')}
        aria-pressed={isPicked}
        title={why.join(' ')}
        onDragStart={(event) =>
          drag(event.dataTransfer, { kind: 'concept', key: concept.key }, concept.label)
        }
        onClick={() => select({ kind: 'concept', key: concept.key })}
        onKeyDown={(event) => {
          if (event.key.toLowerCase() === 'm' && !event.ctrlKey && !event.metaKey) {
            event.currentTarget.parentElement?.querySelector<HTMLElement>('[aria-haspopup]')?.click();
            return;
          }
          const decision = decisionByKey(event, concept.key);
          if (decision) decide(decision);
        }}
      >
        <span className="row-name">{concept.label}</span>
        {isInLine ? (
          unsure !== '' && !concept.placed && <span className="row-figure">?</span>
        ) : (
          <span className={concept.placed ? `row-figure ${styles.yours}` : 'row-figure'}>{unsure}</span>
        )}
      </button>
      <MoveMenu concept={concept} letter={letter} data={data} />
    </li>
  );
}

/** Where a concept can go. */
export function MoveMenu({
  concept,
  letter,
  data,
}: {
  concept: Pick<Concept, 'key' | 'label' | 'placed' | 'foundIn'>;
  letter: string;
  data: ThemesView;
}) {
  const { decide } = useStudy();
  const { key, label, placed, foundIn } = concept;
  const found = foundIn ?? letter;
  return (
    <Dropdown
      trigger={['click']}
      autoFocus
      menu={{
        'aria-label': `Move ${label}`,
        items: [
          ...data.themes
            .filter((theme) => theme.letter !== letter)
            .map((theme) => ({ key: `to ${theme.letter}`, label: `Into ${titleOf(theme)}` })),
          { key: 'new', label: 'Into a new theme' },
          ...(letter === '' ? [] : [{ key: 'out', label: 'Out of every theme' }]),
          ...(placed
            ? [
                {
                  key: 'free',
                  label: `Leave it to the grouping${found === '' ? ' (no theme)' : ` (${found})`}`,
                },
              ]
            : []),
        ],
        onClick: ({ key: chosen }) => {
          if (chosen === 'new') decide(begin(data, [key], true));
          else if (chosen === 'out') decide({ kind: 'placeConcepts', keys: [key], letter: '' });
          else if (chosen === 'free') decide({ kind: 'freeConcepts', keys: [key] });
          else decide({ kind: 'placeConcepts', keys: [key], letter: chosen.slice('to '.length) });
        },
      }}
    >
      <button type="button" className={styles.more} aria-haspopup="menu" aria-label={`Move ${label}`}>
        ⋯
      </button>
    </Dropdown>
  );
}
