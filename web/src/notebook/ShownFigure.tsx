import { useEffect, useMemo } from 'react';
import type { Figure } from '@green-thicket/core/views/view-types';
import styles from './Blocks.module.css';

/** A drawing kept as text, shown as a picture. */
export function Drawing({ svg, alt }: { svg: string; alt: string }) {
  const address = useMemo(() => URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' })), [svg]);
  useEffect(() => () => URL.revokeObjectURL(address), [address]);
  return <img className={styles.reportDrawing} src={address} alt={alt} />;
}

/** A table of a figure or a report. */
export function PrintedTable({
  caption,
  head,
  rows,
}: {
  caption: string;
  head: readonly string[];
  rows: readonly (readonly (string | number)[])[];
}) {
  return (
    <div className={styles.printedWide} tabIndex={0} role="region" aria-label={caption}>
      <table className={styles.printedTable}>
        <caption>{caption}</caption>
        <thead>
          <tr>
            {head.map((name, column) => (
              <th
                key={column}
                scope="col"
                className={
                  column > 0 && typeof rows[0]?.[column] === 'number' ? styles.printedNumber : undefined
                }
              >
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i}>
              {row.map((value, column) =>
                column === 0 ? (
                  <th key={column} scope="row">
                    {value}
                  </th>
                ) : (
                  <td key={column} className={typeof value === 'number' ? styles.printedNumber : undefined}>
                    {value}
                  </td>
                ),
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** A figure: its picture, its numbers, and what it rests on. */
export function ShownFigure({ figure: { title, note, picture, table } }: { figure: Figure }) {
  return (
    <figure className={styles.reportFigure}>
      {picture && <Drawing {...picture} />}
      {table && <PrintedTable caption={picture ? `The numbers: ${title}` : title} {...table} />}
      <figcaption>{note}</figcaption>
    </figure>
  );
}
