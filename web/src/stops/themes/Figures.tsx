import { counted, percent } from '@green-thicket/core/base/wording';
import { inkOf } from '../../pieces/drawn-colours.ts';
import type { SteadinessView, ThemeFigures } from '@green-thicket/core/views/view-types';
import { useView, type View } from '../../engine/use-view.ts';
import { FigureTable, type FigureColumn } from '../../pieces/FigureTable.tsx';
import { useSelection } from '../../pieces/selection.ts';
import { TypicalPassages } from '../../reading/TypicalPassages.tsx';
import { HowFound } from '../../pieces/HowFound.tsx';
import styles from './Figures.module.css';

const TYPICAL = 4;
const keyOf = (row: ThemeFigures): string => row.letter;

/** A column of a figure that is told with two digits behind the point. */
const twoDigits = (
  key: 'coherence' | 'density' | 'centrality',
  title: string,
  hint: string,
  width: number,
): FigureColumn<ThemeFigures> => ({
  key,
  title,
  hint,
  width,
  value: (row) => row[key],
  render: (row) => row[key].toFixed(2),
});

/** What each theme is like by its figures; of the one that is picked its typical passages, and where it meets the others. */
export function Figures({ steadiness }: { steadiness: View<SteadinessView> }) {
  const { data, isPlaceholderData } = useView('themeFigures', null);
  const { selection, select } = useSelection();
  if (!data) return <p className="quiet">Working out the figures …</p>;
  if (data.rows.length === 0) return <p className="quiet">There are no themes yet.</p>;
  const bands = new Map(
    steadiness.isPlaceholderData ? [] : steadiness.data?.themes.map(({ letter, band }) => [letter, band]),
  );
  const picked =
    data.rows.find((row) => selection?.kind === 'theme' && row.letter === selection.letter) ?? data.rows[0];
  const columns: FigureColumn<ThemeFigures>[] = [
    {
      key: 'theme',
      title: 'Theme',
      width: 126,
      value: (row) => row.label,
      render: (row) => (
        <button
          type="button"
          className="linklike"
          onClick={() => select({ kind: 'theme', letter: row.letter })}
        >
          <b style={{ color: inkOf(row.letter) }}>{row.letter}</b> {row.label}
        </button>
      ),
    },
    {
      key: 'share',
      title: 'Strength',
      hint: 'Share of all stretches that speak to it',
      width: 64,
      value: (row) => row.share,
      render: (row) => percent(row.share, 1),
    },
    { key: 'mentions', title: 'Mentions', hint: 'Of its concepts', width: 66, value: (row) => row.mentions },
    {
      key: 'sources',
      title: 'Sources',
      hint: 'That speak to it',
      width: 72,
      value: (row) => row.sources,
      render: (row) => `${row.sources} of ${row.ofSources}`,
    },
    twoDigits(
      'coherence',
      'Coherence',
      'Mean NPMI of the pairs of its ten top concepts: how much its words belong together, −1 to 1',
      76,
    ),
    twoDigits(
      'density',
      'Density',
      'Mean strength of all pairs inside it (Callon, Courtial and Laville 1991): how closely knit it is',
      62,
    ),
    twoDigits(
      'centrality',
      'Centrality',
      'Strength of its links to other themes, by concept of its own: how much the rest hangs on it',
      70,
    ),
    {
      key: 'band',
      title: 'Comes back',
      hint: 'In halves of the sources, drawn again and again, with concepts chosen anew',
      width: 88,
      value: (row) => bands.get(row.letter) ?? '',
      render: (row) => bands.get(row.letter) ?? '…',
    },
  ];
  return (
    <div className={isPlaceholderData ? 'centre-body dimmed' : 'centre-body'}>
      <div className={styles.themeFigures} style={{ height: 34 + 31 * Math.min(9, data.rows.length) }}>
        <FigureTable
          label="Figures of the themes"
          rows={data.rows}
          rowKey={keyOf}
          rowClass={(row) => (row.letter === picked.letter ? styles.figuresPicked : '')}
          columns={columns}
        />
      </div>
      <Detail theme={picked} of={data.rows.length} />
    </div>
  );
}

function Detail({ theme, of }: { theme: ThemeFigures; of: number }) {
  const { select } = useSelection();
  const { letter } = theme;
  const typical = useView('typical', { letter, byGroup: false, limit: TYPICAL }).data;
  return (
    <section aria-label={`Theme ${letter}`} className={styles.figuresDetail}>
      <div>
        <h3>
          <b style={{ color: inkOf(letter) }}>{letter}</b> Typical passages
        </h3>
        <HowFound page="comparison" heading="Typical passages" />
        {typical?.groups.map(({ group, passages }) => (
          <TypicalPassages key={group} passages={passages} />
        ))}
        {typical?.groups[0].passages.length === 0 && <p className="quiet">No stretch speaks to it.</p>}
      </div>
      <div>
        <h3>Where it meets other themes</h3>
        <HowFound page="themes" heading="Figures, and groupings side by side" />
        {of > 1 && (
          <p className="quiet">
            Of {of} themes it is {ordinal(theme.densityRank)} by how closely knit it is, and{' '}
            {ordinal(theme.centralityRank)} by how much it is linked to the others.
          </p>
        )}
        {theme.meets.length === 0 && <p className="quiet">No stretch speaks to it and another theme.</p>}
        <ul className="plain-list">
          {theme.meets.map((other) => (
            <li key={other.letter}>
              <button
                type="button"
                className="linklike"
                title="Read the stretches that speak to both"
                onClick={() => select({ kind: 'stretches', letter, keys: [], also: other.letter })}
              >
                <b style={{ color: inkOf(other.letter) }}>{other.letter}</b> {other.label}:{' '}
                {counted(other.stretches, 'stretch', 'stretches')}
              </button>
              {other.bridge && (
                <button
                  type="button"
                  className={`linklike ${styles.figuresBridge}`}
                  title="Their strongest bridge"
                  onClick={() => other.bridge && select({ kind: 'link', keys: other.bridge.keys })}
                >
                  {other.bridge.label}
                </button>
              )}
            </li>
          ))}
        </ul>
      </div>
    </section>
  );
}

const ORDINALS = ['first', 'second', 'third'];
const ordinal = (rank: number): string => ORDINALS[rank - 1] ?? `${rank}th`;
