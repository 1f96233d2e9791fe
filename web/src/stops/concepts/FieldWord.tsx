import { memo } from 'react';
import type { FigureName } from '@green-thicket/core/words/figure-sentences';
import { KEYS_SAID } from '../../pieces/key-decisions.ts';
import { scaledType } from '../../pieces/scaled-type.ts';
import { FIGURE_FACES, type FiguredRow } from './figures.ts';
import styles from './WordField.module.css';

/** A word in the field. The field hears what is done to it, so that it is drawn again only when it changes. */
export const FieldWord = memo(function FieldWord({
  row,
  x,
  y,
  type,
  across,
  up,
  picked,
  ticked,
  target,
}: {
  row: FiguredRow;
  x: number;
  y: number;
  type: number;
  across: FigureName;
  up: FigureName;
  picked: boolean;
  ticked: boolean;
  target: boolean;
}) {
  const said = (figure: FigureName): string =>
    `${FIGURE_FACES[figure].title.toLowerCase()} ${FIGURE_FACES[figure].show(row)}`;
  return (
    <text
      role="button"
      tabIndex={-1}
      aria-label={row.label}
      aria-pressed={picked}
      data-concept={row.key}
      className={`${styles.fieldWord} is-${row.status}${picked ? ' here' : ''}${ticked ? ` ${styles.isTicked}` : ''}${target ? ' target' : ''}`}
      {...scaledType(x, y + type * 0.33, type)}
      textAnchor="middle"
    >
      {row.label}
      <title>{`${row.label}: ${said(across)}, ${said(up)}, ${row.mentions} mentions. ${KEYS_SAID}, T ticks it.`}</title>
    </text>
  );
});
