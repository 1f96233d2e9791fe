import { Button, Checkbox } from 'antd';
import { REPORT_PARTS, type ReportPart } from '@green-thicket/core/views/report/report-types';
import { stepByKeys } from '../pieces/step-by-keys.ts';
import styles from './ReportDialog.module.css';

/** The parts of the report in their order: ticked or not, moved by buttons and by keys. */
export function ReportParts({
  order,
  setOrder,
  chosen,
  setChosen,
}: {
  order: readonly ReportPart[];
  setOrder: (order: readonly ReportPart[]) => void;
  chosen: ReadonlySet<ReportPart>;
  setChosen: (chosen: ReadonlySet<ReportPart>) => void;
}) {
  const move = (part: ReportPart, by: number): void => {
    const at = order.indexOf(part);
    const to = at + by;
    if (to < 0 || to >= order.length) return;
    const next = order.filter((each) => each !== part);
    setOrder([...next.slice(0, to), part, ...next.slice(to)]);
  };
  return (
    <ul className="plain-list" aria-label="Parts of the report">
      {order.map((part) => (
        <li
          key={part}
          className={styles.reportPart}
          onKeyDown={(event) => {
            const step = stepByKeys(event);
            const { target } = event;
            if (step === 0 || !(target instanceof HTMLElement)) return;
            move(part, step);
            // What is moved in the page loses the focus.
            requestAnimationFrame(() => target.focus());
          }}
        >
          <Checkbox
            aria-keyshortcuts="Alt+ArrowUp Alt+ArrowDown"
            title="Alt+↑ and Alt+↓ move it"
            checked={chosen.has(part)}
            onChange={({ target }) => {
              const next = new Set(chosen);
              if (target.checked) next.add(part);
              else next.delete(part);
              setChosen(next);
            }}
          >
            {REPORT_PARTS[part]}
          </Checkbox>
          <span>
            <Button
              size="small"
              type="text"
              tabIndex={-1}
              aria-label={`Up: ${REPORT_PARTS[part]}`}
              onClick={() => move(part, -1)}
            >
              ↑
            </Button>
            <Button
              size="small"
              type="text"
              tabIndex={-1}
              aria-label={`Down: ${REPORT_PARTS[part]}`}
              onClick={() => move(part, 1)}
            >
              ↓
            </Button>
          </span>
        </li>
      ))}
    </ul>
  );
}
