import { Button, Checkbox, Modal } from 'antd';
import { useMemo, useState } from 'react';
import { listed } from '@green-thicket/core/base/wording';
import { withPictures, type DrawPng } from '@green-thicket/core/formats/write/document';
import { withFontFace } from '@green-thicket/core/formats/write/html-write';
import type { NotebookEntry } from '@green-thicket/core/study/notebook';
import {
  REPORT_PART_NAMES,
  REPORT_PARTS,
  type ReportPart,
  type ReportQuestion,
} from '@green-thicket/core/views/report/report-types';
import { decisionsInWords } from '@green-thicket/core/words/decisions';
import { useAsk } from '../engine/use-ask.ts';
import { useView } from '../engine/use-view.ts';
import { download, fileName } from '../pieces/download.ts';
import { embeddedFont, svgToPng } from '../pieces/export-picture.ts';
import { stepByKeys } from '../pieces/step-by-keys.ts';
import { useReturnFocus } from '../pieces/use-return-focus.ts';
import { useNetwork } from '../pieces/use-network.ts';
import { useStudy } from '../pieces/study-context.ts';
import { saveWorkbook } from '../pieces/save-table.ts';
import { useRenamer } from '../pieces/use-renamer.ts';
import { version } from '../pieces/version.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import { PseudonymsDialog } from './PseudonymsDialog.tsx';
import { Blocks } from './Blocks.tsx';
import styles from './ReportDialog.module.css';

const QUOTATIONS = 3;
/** Names told of those that are left. */
const MOST_LEFT = 12;
const TYPES = {
  html: 'text/html',
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  bib: 'application/x-bibtex',
} as const;

const drawPng: DrawPng = async (svg, scale) =>
  new Uint8Array(await (await svgToPng(svg, scale)).arrayBuffer());

/** Parts of which a network without texts has nothing. */
const OF_GROUPS: ReadonlySet<ReportPart> = new Set<ReportPart>(['comparison', 'apart']);

/** The report: chosen part by part, put in order, seen as it will be, and saved as a page, a text document and references. */
export function ReportDialog({
  entries,
  onClose,
}: {
  entries: readonly NotebookEntry[];
  onClose: () => void;
}) {
  useReturnFocus();
  const { state, log } = useStudy();
  const { renameAnyCase } = useRenamer();
  const ask = useAsk();
  const tellFault = useTellFault();
  const network = useNetwork();
  const [order, setOrder] = useState<readonly ReportPart[]>(
    network ? REPORT_PART_NAMES.filter((part) => !OF_GROUPS.has(part)) : REPORT_PART_NAMES,
  );
  const [chosen, setChosen] = useState<ReadonlySet<ReportPart>>(new Set(REPORT_PART_NAMES));
  const [isRenaming, setRenaming] = useState(false);
  const given = Object.keys(state.pseudonyms).length;
  const [saving, setSaving] = useState<keyof typeof TYPES>();
  const decisions = useMemo(() => decisionsInWords(log), [log]);
  const asked: ReportQuestion = {
    parts: order.filter((part) => chosen.has(part)),
    entries,
    decisions,
    version,
    quotations: QUOTATIONS,
  };
  const { data, isPlaceholderData } = useView('report', asked);
  const move = (part: ReportPart, by: number): void => {
    const at = order.indexOf(part);
    const to = at + by;
    if (to < 0 || to >= order.length) return;
    const next = order.filter((each) => each !== part);
    setOrder([...next.slice(0, to), part, ...next.slice(to)]);
  };
  const saveTables = (): void =>
    tellFault('Nothing was saved', async () => {
      const { sheets } = await ask('workbook', null);
      await saveWorkbook(`${renameAnyCase(state.title)} tables`, sheets);
    });
  const saveAll = (): void =>
    tellFault('Nothing was saved', async () => {
      const { bytes } = await ask('everythingFile', asked);
      download(
        fileName(`${renameAnyCase(state.title)} everything`, '.zip'),
        bytes as Uint8Array<ArrayBuffer>,
        'application/zip',
      );
    });
  const save = (as: keyof typeof TYPES): void => {
    setSaving(as);
    tellFault('The report was not saved', async () => {
      try {
        const name = fileName(`${renameAnyCase(state.title)} report`, `.${as}`);
        if (as === 'docx') {
          const { blocks } = await ask('report', asked);
          const { writeDocx } = await import('@green-thicket/core/formats/write/docx-write');
          download(name, writeDocx(await withPictures(blocks, await embeddedFont(), drawPng)), TYPES.docx);
          return;
        }
        const { bytes } = await ask('reportFile', { ...asked, as });
        const text = new TextDecoder().decode(bytes);
        download(name, as === 'html' ? withFontFace(text, await embeddedFont()) : text, TYPES[as]);
      } finally {
        setSaving(undefined);
      }
    });
  };
  return (
    <Modal
      open
      title="Report"
      width="min(1180px, 94vw)"
      onCancel={onClose}
      footer={[
        <Button
          key="all"
          title="Report, codebooks, project, network and tables in one archive"
          onClick={saveAll}
        >
          Save everything (.zip)
        </Button>,
        <Button
          key="xlsx"
          title="The tables, a sheet each, and one that explains the columns"
          onClick={saveTables}
        >
          Save .xlsx
        </Button>,
        ...(Object.keys(TYPES) as (keyof typeof TYPES)[]).map((as) => (
          <Button
            key={as}
            type={as === 'html' ? 'primary' : 'default'}
            loading={saving === as}
            disabled={asked.parts.length === 0}
            onClick={() => save(as)}
          >
            {`Save .${as}`}
          </Button>
        )),
      ]}
    >
      <div className={styles.reportPanes}>
        <div className={styles.reportChoices}>
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
          <div>
            <Button size="small" onClick={() => setRenaming(true)}>
              {given === 0 ? 'Pseudonyms' : `Pseudonyms (${given})`}
            </Button>
            {data && (
              <p className="quiet" aria-live="polite">
                {data.namesLeft.length === 0
                  ? 'No name is left in what is quoted.'
                  : `Names in what is quoted: ${listed(data.namesLeft.slice(0, MOST_LEFT))}${data.namesLeft.length > MOST_LEFT ? ` and ${data.namesLeft.length - MOST_LEFT} more` : ''}.`}
              </p>
            )}
          </div>
        </div>
        <div
          className={isPlaceholderData ? `${styles.reportPreview} dimmed` : styles.reportPreview}
          tabIndex={0}
          role="region"
          aria-label="The report as it will be"
          aria-busy={data === undefined || isPlaceholderData}
        >
          {data ? <Blocks blocks={data.blocks} /> : <p className="quiet">Writing the report …</p>}
        </div>
      </div>
      {isRenaming && <PseudonymsDialog onClose={() => setRenaming(false)} />}
    </Modal>
  );
}
