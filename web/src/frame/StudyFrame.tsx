import { Button } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { memo, useCallback, useEffect, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { describeDecision } from '@green-thicket/core/words/decisions';
import { networkInForce } from '@green-thicket/core/study/in-force';
import { redone, undone } from '@green-thicket/core/study/record';
import { STOPS, type Stop } from '@green-thicket/core/words/sentences';
import type { StopDescription } from '../stops/stop.ts';
import { STOPS_BY_NAME } from '../stops/stops.ts';
import { listEntries } from '../store/notebook.ts';
import { redo, undo } from '../store/studies.ts';
import { saveStudyFile } from '../keeping/save-study.ts';
import { ReadingCentre } from '../reading/ReadingCentre.tsx';
import { SearchBox } from '../reading/SearchBox.tsx';
import { Columns } from './Columns.tsx';
import { DecisionList } from './DecisionList.tsx';
import { EditableTitle } from './EditableTitle.tsx';
import { useFindingOnesWay } from './FindingOnesWay.tsx';
import { catchLostFocus } from '../pieces/focus-centre.ts';
import { FirstNotesContext, useFirstNotes } from '../pieces/FirstNote.tsx';
import { InTurn } from '../pieces/InTurn.tsx';
import { KeepFigures } from './KeepFigures.tsx';
import { KeptNote } from '../keeping/KeptNote.tsx';
import { Mark } from '../pieces/Mark.tsx';
import { MethodSentence } from './MethodSentence.tsx';
import { KeepView } from '../notebook/KeepView.tsx';
import { NoticeContext, type Notice } from '../pieces/notice.ts';
import { NoticeLine } from './NoticeLine.tsx';
import { Notebook } from '../notebook/Notebook.tsx';
import { useSelection } from '../pieces/selection.ts';
import { SkipLink } from './SkipLink.tsx';
import { StageFault } from './StageFault.tsx';
import { StatusLine } from './StatusLine.tsx';
import { useTellFault } from '../pieces/use-fault.ts';
import { outerTitle, StudyContext, type OpenStudy } from '../pieces/study-context.ts';
import { Trail } from './Trail.tsx';
import styles from './StudyFrame.module.css';

/** What the stops stand round the page for what must outlive a visit to another. */
function AroundAll({ children }: { children: ReactNode }) {
  return STOPS.reduceRight<ReactNode>((inner, stop) => {
    const { Around } = STOPS_BY_NAME[stop];
    return Around ? <Around>{inner}</Around> : inner;
  }, children);
}

/** An open study: its title and trail, the stop that is open, and the Reader. Drawn again only when the study moved on. */
export const StudyFrame = memo(function StudyFrame({ study, stop }: { study: OpenStudy; stop: Stop }) {
  const { id } = study;
  const { look: reading } = useSelection();
  const tellFault = useTellFault();
  const way = useFindingOnesWay(stop);
  const areNotesShown = useFirstNotes(way.isWalking || study.state.sources.length === 0);
  const [listing, setListing] = useState(false);
  const [noting, setNoting] = useState(false);
  const [notice, setNotice] = useState<{ readonly said: Notice; readonly at: Stop }>();
  const say = useCallback((said: Notice) => setNotice({ said, at: stop }), [stop]);
  const isSaid = notice !== undefined && (notice.at === stop || notice.said.stays);
  const entries = useLiveQuery(async () => (await listEntries(id)).length, [id]) ?? 0;
  const { name, Centre, ledger = 'stands' }: StopDescription = STOPS_BY_NAME[stop];
  const title = outerTitle(study);
  useEffect(() => {
    document.title = `${name} · ${title} – Green Thicket`;
    return () => {
      document.title = 'Green Thicket';
    };
  }, [name, title]);
  // Coming from the first page, what was pressed there is gone.
  useEffect(catchLostFocus, []);
  const { log } = study;
  const nextUndo = log.records.find((record) => record.seq === log.head);
  const redoTo = redone(log);
  const nextRedo = log.records.find((record) => record.seq === redoTo);
  // The first decision names the study; what it stands on is nothing to go back to.
  const canUndo = nextUndo !== undefined && undone(log) !== 0;
  const canRedo = nextRedo !== undefined && nextRedo.seq !== log.head;

  return (
    <StudyContext.Provider value={study}>
      <NoticeContext.Provider value={say}>
        <FirstNotesContext.Provider value={areNotesShown}>
          <AroundAll>
            {(study.state.sources.length > 0 || networkInForce(study.state)) && <KeepFigures />}
            <div className={styles.studyPage}>
              <SkipLink />
              <header className={styles.titleBar}>
                <Link to="/" className={styles.brand} aria-label="Green Thicket, first page">
                  <Mark size={26} />
                  <span>Green Thicket</span>
                </Link>
                <span className={styles.titleRule} aria-hidden="true" />
                <h1 className="visually-hidden">
                  {name} of {study.state.title}
                </h1>
                <EditableTitle />
                <SearchBox />
                <div className={styles.titleActions}>
                  <KeptNote />
                  <Button
                    ghost
                    disabled={!canUndo}
                    title={
                      canUndo ? `Undo: ${describeDecision(nextUndo.decision)} (Ctrl+Z)` : 'Nothing to undo'
                    }
                    onClick={() => tellFault('Nothing was undone', () => undo(id))}
                  >
                    Undo
                  </Button>
                  <Button
                    ghost
                    disabled={!canRedo}
                    title={
                      canRedo
                        ? `Redo: ${describeDecision(nextRedo.decision)} (Ctrl+Shift+Z)`
                        : 'Nothing to redo'
                    }
                    onClick={() => tellFault('Nothing was redone', () => redo(id))}
                  >
                    Redo
                  </Button>
                  <Button
                    ghost
                    title="Every decision with its time; go back to any"
                    onClick={() => setListing(true)}
                  >
                    Decisions
                  </Button>
                  <KeepView />
                  <Button
                    ghost
                    title="Excerpts, memos and kept views; and the report"
                    onClick={() => setNoting(true)}
                  >
                    Notebook{entries > 0 ? ` ${entries}` : ''}
                  </Button>
                  <Button
                    ghost
                    title="Save the study with its texts to a .thicket file"
                    onClick={() => tellFault('The study was not saved', () => saveStudyFile(id, title, log))}
                  >
                    Save study
                  </Button>
                  {way.button}
                </div>
              </header>
              <Trail stop={stop} />
              <MethodSentence stop={stop} />
              {isSaid && <NoticeLine notice={notice.said} onSeen={() => setNotice(undefined)} />}
              <StageFault />
              <Columns isWhole={reading !== undefined} ledger={ledger}>
                <InTurn key={reading ? 'look' : stop}>
                  {reading ? <ReadingCentre back={name} /> : <Centre />}
                </InTurn>
              </Columns>
              {way.path}
              <StatusLine />
              <Notebook open={noting} onClose={() => setNoting(false)} />
              <DecisionList open={listing} onClose={() => setListing(false)} />
            </div>
          </AroundAll>
        </FirstNotesContext.Provider>
      </NoticeContext.Provider>
    </StudyContext.Provider>
  );
});
