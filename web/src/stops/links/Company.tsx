import { largest } from '@green-thicket/core/base/extent';
import { counted, percent } from '@green-thicket/core/base/wording';
import { DRAWN, inkOf } from '../../pieces/drawn-colours.ts';
import type { CompanyView } from '@green-thicket/core/views/view-types';
import { useState } from 'react';
import { useView } from '../../engine/use-view.ts';
import { Select } from '../../pieces/Select.tsx';
import { useSelection } from '../../pieces/selection.ts';
import { ThemeLetter } from '../../pieces/ThemeLetter.tsx';
import { TwoConcepts } from './TwoConcepts.tsx';
import { useShownFigure } from '../../pieces/shown-figure.ts';
import { HowFound } from '../../pieces/HowFound.tsx';
import styles from './Company.module.css';

/** Companions drawn at first. */
const FIRST = 24;
const BAR = 190;

/** The company of a concept as bars, with counts, interval, chance and every measure; or two concepts side by side. */
export function Company({
  concept,
  options,
}: {
  concept: string | null;
  options: { value: string; label: string }[];
}) {
  const { selection } = useSelection();
  const asked = concept ?? (selection?.kind === 'link' ? selection.keys[0] : null);
  const [second, setSecond] = useState<string>();
  const linked = selection?.kind === 'link' ? selection.keys[1] : undefined;
  const other = second ?? linked;
  if (asked === null) {
    return (
      <div className="empty-centre">
        <h2>Whose company?</h2>
        <p>Pick a concept at the left, or a link in the list, and see what it stands with and how surely.</p>
      </div>
    );
  }
  return (
    <div className={styles.company}>
      <div className="centre-bar">
        <span>beside</span>
        <Select
          showSearch
          allowClear
          size="small"
          className="short"
          aria-label="Beside another concept"
          placeholder="no other"
          value={other === asked ? undefined : other}
          options={options.filter(({ value }) => value !== asked)}
          optionFilterProp="label"
          onChange={setSecond}
        />
      </div>
      {other !== undefined && other !== asked ? (
        <TwoConcepts keys={[asked, other]} />
      ) : (
        <Bars concept={asked} />
      )}
    </div>
  );
}

function Bars({ concept }: { concept: string }) {
  useShownFigure({ kind: 'company', key: concept });
  const { data, isPlaceholderData } = useView('company', { concept, limit: 2000 });
  const [limit, setLimit] = useState(FIRST);
  if (!data) return <p className="quiet">Looking at its company …</p>;
  if (data.rows.length === 0) return <p className="quiet">It shares no window with another concept.</p>;
  const shown = data.rows.slice(0, limit);
  const most = largest(
    shown.map(({ high }) => high),
    0.01,
  );
  return (
    <div className={isPlaceholderData ? 'dimmed' : undefined}>
      <p className="quiet">
        {data.label} stands in {counted(data.windows, 'window')} of {counted(data.sources, 'source')}. A bar
        is the share of them that hold the other too, the line its 95 % interval over sources, the tick what
        chance would make. <HowFound page="links" heading="Chance" />
      </p>
      <table className={styles.companyTable} aria-label={`Company of ${data.label}`}>
        <thead>
          <tr>
            <th scope="col">Concept</th>
            <th scope="col">Share of its windows</th>
            <th scope="col">Windows</th>
            <th scope="col" title="How much oftener than by chance, −1 to 1">
              NPMI
            </th>
            <th scope="col" title="Share of the windows with either that have both">
              Jaccard
            </th>
            <th scope="col" title="Windows with both against those of each">
              Cosine
            </th>
            <th scope="col" title="Log-likelihood, signed">
              G²
            </th>
            <th scope="col" title="Chance, adjusted for testing many pairs">
              q
            </th>
          </tr>
        </thead>
        <tbody>
          {shown.map((row) => (
            <CompanyRow key={row.key} row={row} concept={concept} most={most} />
          ))}
        </tbody>
      </table>
      {limit < data.rows.length && (
        <button type="button" className="linklike" onClick={() => setLimit(limit * 3)}>
          Show more of {data.rows.length}
        </button>
      )}
    </div>
  );
}

function CompanyRow({
  row,
  concept,
  most,
}: {
  row: CompanyView['rows'][number];
  concept: string;
  most: number;
}) {
  const { selection, select } = useSelection();
  const ink = row.letter === '' ? DRAWN.moss : inkOf(row.letter);
  const isHere =
    selection?.kind === 'link' && selection.keys.includes(concept) && selection.keys.includes(row.key);
  const at = (share: number): number => (BAR * Math.min(share, most)) / most;
  return (
    <tr className={`${row.stands ? '' : styles.companyFaint} ${isHere ? styles.companyHere : ''}`}>
      <th scope="row">
        <button
          type="button"
          className="linklike"
          title={
            row.stands ? 'A link; read its passages' : 'No link: it may be chance, or they meet too seldom'
          }
          onClick={() => select({ kind: 'link', keys: [concept, row.key] })}
        >
          <ThemeLetter letter={row.letter} /> {row.label}
        </button>
      </th>
      <td>
        <svg
          width={BAR}
          height={14}
          role="img"
          aria-label={`${percent(row.share)}, interval ${percent(row.low)} to ${percent(row.high)}, by chance ${percent(row.expected)}`}
        >
          <title>{`${percent(row.share, 1)} (${percent(row.low, 1)} to ${percent(row.high, 1)}); by chance ${percent(row.expected, 1)}`}</title>
          <rect y={3} width={at(row.share)} height={8} fill={ink} opacity={row.stands ? 0.75 : 0.35} />
          <line x1={at(row.low)} x2={at(row.high)} y1={7} y2={7} stroke={DRAWN.ink} opacity={0.6} />
          <line
            x1={at(row.expected)}
            x2={at(row.expected)}
            y1={0}
            y2={14}
            stroke={DRAWN.rust}
            strokeWidth={1.5}
          />
        </svg>
      </td>
      <td title={`${row.meetings} separate meetings in ${row.sources} sources`}>{row.both}</td>
      <td>{row.npmi.toFixed(2)}</td>
      <td>{row.jaccard.toFixed(2)}</td>
      <td>{row.cosine.toFixed(2)}</td>
      <td>{row.g2.toFixed(1)}</td>
      <td>{row.q < 0.001 ? '< 0.001' : row.q.toFixed(3)}</td>
    </tr>
  );
}
