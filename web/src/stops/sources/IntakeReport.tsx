import type { RefusedFile } from '@green-thicket/core/formats/read/read-result';
import { counted } from '@green-thicket/core/base/wording';

const LISTED = 100;

/** A plain report of what came in and what did not, and why. */
export function IntakeReport({
  sources,
  refused,
  notes,
}: {
  sources: number;
  refused: readonly RefusedFile[];
  notes: readonly string[];
}) {
  return (
    <div className="intake-report">
      <p>{sources === 0 ? 'No new source came in.' : `${counted(sources, 'source')} came in.`}</p>
      {notes.slice(0, LISTED).map((note, i) => (
        <p key={i}>{note}</p>
      ))}
      {notes.length > LISTED && <p>… and {notes.length - LISTED} more remarks.</p>}
      {refused.length > 0 && (
        <>
          <p>{counted(refused.length, 'file')} did not:</p>
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
