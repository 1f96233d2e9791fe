import { Button, Modal } from 'antd';
import { useMemo, useState } from 'react';
import { listed } from '@green-thicket/core/base/wording';
import type { NotebookEntry } from '@green-thicket/core/study/notebook';
import {
  REPORT_PART_NAMES,
  type ReportPart,
  type ReportQuestion,
} from '@green-thicket/core/views/report/report-types';
import { decisionsInWords } from '@green-thicket/core/words/decisions';
import { useView } from '../engine/use-view.ts';
import { useReturnFocus } from '../pieces/use-return-focus.ts';
import { useNetwork } from '../pieces/use-network.ts';
import { useStudy } from '../pieces/study-context.ts';
import { version } from '../pieces/version.ts';
import { PseudonymsDialog } from './PseudonymsDialog.tsx';
import { Blocks } from './Blocks.tsx';
import { ReportParts } from './ReportParts.tsx';
import { TYPES, useReportSaving, type ReportFile } from './use-report-saving.ts';
import styles from './ReportDialog.module.css';

const QUOTATIONS = 3;
/** Names told of those that are left. */
const MOST_LEFT = 12;
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
  const network = useNetwork();
  const [order, setOrder] = useState<readonly ReportPart[]>(
    network ? REPORT_PART_NAMES.filter((part) => !OF_GROUPS.has(part)) : REPORT_PART_NAMES,
  );
  const [chosen, setChosen] = useState<ReadonlySet<ReportPart>>(new Set(REPORT_PART_NAMES));
  const [isRenaming, setRenaming] = useState(false);
  const given = Object.keys(state.pseudonyms).length;
  const decisions = useMemo(() => decisionsInWords(log), [log]);
  const asked: ReportQuestion = {
    parts: order.filter((part) => chosen.has(part)),
    entries,
    decisions,
    version,
    quotations: QUOTATIONS,
  };
  const { data, isPlaceholderData } = useView('report', asked);
  const { saving, save, saveTables, saveAll } = useReportSaving(asked);
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
        ...(Object.keys(TYPES) as ReportFile[]).map((as) => (
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
          <ReportParts order={order} setOrder={setOrder} chosen={chosen} setChosen={setChosen} />
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
