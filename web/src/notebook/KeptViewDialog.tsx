import { momentText } from '@green-thicket/core/base/wording';
import { Alert, Button, Modal } from 'antd';
import { useNavigate } from 'react-router';
import { figureQuestionOf } from '@green-thicket/core/views/report/figure-types';
import type { NotebookEntry } from '@green-thicket/core/study/notebook';
import type { FigureQuestion } from '@green-thicket/core/views/view-types';
import { useView } from '../engine/use-view.ts';
import { useReturnFocus } from '../pieces/use-return-focus.ts';
import { useStudy } from '../pieces/study-context.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import { ShownFigure } from './ShownFigure.tsx';
import styles from './Notebook.module.css';

const NONE: FigureQuestion = { kind: 'sources' };

/** A kept view as it was kept, beside what it would be now where that differs. */
export function KeptViewDialog({
  entry,
  onClose,
  onGone,
}: {
  entry: NotebookEntry;
  onClose: () => void;
  /** The page it was kept on is gone to. */
  onGone: () => void;
}) {
  useReturnFocus();
  const { id, log } = useStudy();
  const navigate = useNavigate();
  const tellFault = useTellFault();
  const { view } = entry;
  const asked = view && figureQuestionOf(view.asked);
  const now = useView('figure', asked ?? NONE, asked !== undefined);
  if (!view) return null;
  const then = view.figure;
  const isSame =
    then !== undefined && now.data !== undefined && JSON.stringify(then) === JSON.stringify(now.data);
  const when = momentText(entry.time, 'medium');
  const since = log.records.filter(({ seq }) => seq > view.seq).length;
  return (
    <Modal
      open
      title={then?.title ?? 'A kept view'}
      width="min(1240px, 94vw)"
      onCancel={onClose}
      footer={
        <Button
          onClick={() => {
            tellFault('The page was not opened', async () => navigate(`/study/${id}/${view.address}`));
            onGone();
          }}
        >
          Go to where it was kept
        </Button>
      }
    >
      {!asked && (
        <Alert
          type="warning"
          title="This version of Green Thicket can’t make this view again; it shows it as it was kept."
        />
      )}
      {now.isError && asked && (
        <Alert type="warning" title={`As it is now it can’t be made: ${now.error?.message ?? ''}`} />
      )}
      {isSame ? (
        <>
          <p className="quiet">Kept {when}. It would be the very same now.</p>
          <ShownFigure figure={then} />
        </>
      ) : (
        <div className={styles.thenAndNow}>
          <section aria-label="As it was kept">
            <h3>As it was kept, {when}</h3>
            {then ? (
              <ShownFigure figure={then} />
            ) : (
              <p className="quiet">Its picture was taken out when a source was withdrawn.</p>
            )}
          </section>
          <section aria-label="As it is now">
            <h3>
              As it is now{since > 0 ? `, ${since} ${since === 1 ? 'decision' : 'decisions'} later` : ''}
            </h3>
            {now.data ? (
              <ShownFigure figure={now.data} />
            ) : (
              asked && !now.isError && <p className="quiet">Making it again …</p>
            )}
          </section>
        </div>
      )}
    </Modal>
  );
}
