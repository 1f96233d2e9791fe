import type { RefusedFile } from '@green-thicket/core/formats/read/read-result';
import { counted } from '@green-thicket/core/base/wording';

const LISTED = 100;

/** What came in and how much did not, in a line. */
export function intakeSaid(
  sources: number,
  refused: readonly RefusedFile[],
  notes: readonly string[],
): string {
  const first = sources === 0 ? 'No new source came in' : `${counted(sources, 'source')} came in`;
  const others = [
    ...(refused.length > 0 ? [`${counted(refused.length, 'file')} did not`] : []),
    ...(notes.length > 1 ? [`${counted(notes.length, 'remark')}`] : []),
  ];
  // One remark is as short as its announcement would be.
  const remark = notes.length === 1 ? ` ${notes[0]}` : '';
  return `${[first, ...others].join('; ')}.${remark}`;
}

/** What is to be said of what came in, and what did not and why. */
export function IntakeDetails({
  refused,
  notes,
}: {
  refused: readonly RefusedFile[];
  notes: readonly string[];
}) {
  return (
    <div className="intake-report">
      {notes.slice(0, LISTED).map((note, i) => (
        <p key={i}>{note}</p>
      ))}
      {notes.length > LISTED && <p>… and {notes.length - LISTED} more remarks.</p>}
      {refused.length > 0 && (
        <>
          <p>{counted(refused.length, 'file')} did not come in:</p>
          <ul>
            {refused.slice(0, LISTED).map(({ name, reason }, i) => (
              <li key={i}>
                <strong>{name}</strong>: {reason}
              </li>
            ))}
            {refused.length > LISTED && <li>… and {refused.length - LISTED} more.</li>}
          </ul>
        </>
      )}
    </div>
  );
}
