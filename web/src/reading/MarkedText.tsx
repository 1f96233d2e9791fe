import { Fragment, type ReactNode } from 'react';
import type { MarkRow } from '@green-thicket/core/views/view-types';
import { inkOf } from '../pieces/drawn-colours.ts';

/**
 * Original text with marks in it. Text is only ever text: nothing in it is read as HTML.
 *
 * @param start character of the original at which `text` begins; marks are in places of the original
 */
export function MarkedText({
  text,
  start,
  marks,
}: {
  text: string;
  start: number;
  marks: readonly MarkRow[];
}) {
  const parts: ReactNode[] = [];
  let at = 0;
  for (const mark of marks) {
    const from = Math.max(at, mark.start - start);
    const to = Math.min(text.length, mark.end - start);
    if (to <= from) continue;
    parts.push(<Fragment key={`t${at}`}>{text.slice(at, from)}</Fragment>);
    parts.push(
      <mark key={`m${from}`} style={mark.letter ? { borderBottomColor: inkOf(mark.letter) } : undefined}>
        {text.slice(from, to)}
      </mark>,
    );
    at = to;
  }
  parts.push(<Fragment key="rest">{text.slice(at)}</Fragment>);
  return <>{parts}</>;
}
