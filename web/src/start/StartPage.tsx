import { App, Button, Modal, Popconfirm } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { lazy, Suspense, useRef } from 'react';
import { Link } from 'react-router';
import type { StudyFigures } from '../store/database.ts';
import { persistence } from '../store/persistence.ts';
import { createStudy, deleteStudy, listStudies, type ListedStudy } from '../store/studies.ts';
import { CopiesOnStart } from './CopiesOnStart.tsx';
import { useOpening } from './use-opening.tsx';
import { ErasingNote } from '../keeping/ErasingNote.tsx';
import { Mark } from '../pieces/Mark.tsx';
import { counted, momentText, percent } from '@green-thicket/core/base/wording';
import { GroundChoice } from '../pieces/GroundChoice.tsx';
import { FileDrop } from '../pieces/FileDrop.tsx';
import { useTellFault } from '../pieces/use-fault.ts';
import styles from './StartPage.module.css';
import shared from '../pieces/lists.module.css';

/** Fields to type into are no part of the first page: few files have a password. */
const AskPassword = lazy(async () => ({ default: (await import('../keeping/AskPassword.tsx')).AskPassword }));

/** The address studies are usually kept at; each address keeps its own. */
const USUAL_ADDRESS = 'http://127.0.0.1:4680';

/** The first page: the studies kept here, the sample, an empty study, or one from a file. */
export function StartPage() {
  const studies = useLiveQuery(listStudies);
  const input = useRef<HTMLInputElement>(null);
  const { busy, asked, begin, openFile, onFiles } = useOpening();
  return (
    <main className={styles.startPage}>
      <FileDrop
        says="Let go to open the study file, or to begin a study with these files"
        onFiles={onFiles}
      />
      <div className={styles.startCard}>
        <div className={styles.startTitle}>
          <Mark size={44} />
          <h1>Green Thicket</h1>
        </div>
        <p className={styles.startLead}>
          Find the concepts a collection of texts turns on, the themes they form, and who speaks to which –
          always one click from the words people said.
        </p>
        <p className="quiet">Everything stays in this browser. No text leaves this machine.</p>
        <div className={styles.startActions}>
          <Button
            type="primary"
            size="large"
            disabled={busy}
            onClick={() =>
              begin(async () => (await import('../store/sample.ts')).createSampleStudy(), 'map', true)
            }
          >
            Open the sample study
          </Button>
          <Button
            size="large"
            disabled={busy}
            onClick={() => begin(() => createStudy('Untitled study'), 'sources')}
          >
            Start an empty study
          </Button>
          <Button size="large" disabled={busy} onClick={() => input.current?.click()}>
            Open a study file
          </Button>
          <input
            ref={input}
            type="file"
            accept=".thicket"
            aria-label="Study file"
            hidden
            onChange={(event) => {
              const file = event.target.files?.[0];
              event.target.value = '';
              if (file) openFile(file);
            }}
          />
        </div>
        <p className={`quiet ${styles.startDrop}`}>
          Or drop texts, documents, a table or a study file anywhere on this page. There is{' '}
          <button
            type="button"
            className="linklike"
            disabled={busy}
            onClick={() =>
              begin(async () => (await import('../store/sample.ts')).createGermanSampleStudy(), 'map')
            }
          >
            a sample in German
          </button>{' '}
          too.
        </p>
        {studies && studies.length > 0 && <KeptStudies studies={studies} />}
        <ErasingNote />
        {studies?.length === 0 && window.location.origin !== USUAL_ADDRESS && (
          <p className="quiet">
            No study is kept at this address ({window.location.origin}). Each address keeps its own; yours may
            be at <a href={USUAL_ADDRESS}>{USUAL_ADDRESS}</a>.
          </p>
        )}
        <GroundChoice />
        <CopiesOnStart onOpen={openFile} busy={busy} />
        {asked && (
          <Modal open title="This study file has a password" footer={null} onCancel={asked.leave} width={460}>
            <Suspense>
              <AskPassword open={asked.open} />
            </Suspense>
          </Modal>
        )}
      </div>
      <WhatComesOut />
    </main>
  );
}

/** What a study is for, in a picture of the sample and three sentences. */
function WhatComesOut() {
  return (
    <aside className={styles.outcome} aria-labelledby="what-comes-out">
      <h2 id="what-comes-out">What comes out of a study</h2>
      <img
        src="/sample-map.webp"
        width={560}
        height={482}
        alt="The sample’s concept map: seven themes as parcels of land, each with its concepts as words and thin lines between those that keep company."
      />
      <ol>
        <li>The concepts the texts turn on, found for you and yours to change.</li>
        <li>Themes they form, with how often each comes back in halves of the sources.</li>
        <li>A map, comparisons by group and over time, and a report with the method written out.</li>
      </ol>
      <p className="quiet">Each figure and each word opens the passages it stands on.</p>
    </aside>
  );
}

/** A study's figures in a line. */
function figuresLine({ sources, words, concepts, links, themes, reached }: StudyFigures): string {
  const found = themes === 0 ? 'no theme yet' : counted(themes, 'theme');
  if (links !== undefined)
    return `a network of ${counted(concepts, 'concept')} and ${counted(links, 'link')} · ${found}`;
  const ofTexts = `${counted(sources, 'source')} · ${counted(words, 'word')} · ${counted(concepts, 'concept')}`;
  return `${ofTexts} · ${found}${themes === 0 ? '' : `, reach ${percent(reached)}`}`;
}

function KeptStudies({ studies }: { studies: readonly ListedStudy[] }) {
  const { message } = App.useApp();
  const tellFault = useTellFault();
  return (
    <section aria-labelledby="kept-studies">
      <h2 id="kept-studies">Kept in this browser</h2>
      <ul className={shared.startList}>
        {studies.map((study) => (
          <li key={study.id}>
            <span className={styles.keptStudy}>
              <Link to={`/study/${study.id}/map`}>{study.title}</Link>
              {study.figures && <span className="quiet">{figuresLine(study.figures)}</span>}
            </span>
            <span className="quiet">
              {study.changed === undefined
                ? 'locked with a password'
                : `changed ${momentText(study.changed, 'medium')}`}
            </span>
            <Popconfirm
              title="Delete this study for good?"
              description={
                <span className={styles.popconfirmText}>
                  Its texts, decisions and Notebook are deleted from this browser’s files. Files you saved or
                  copied keep them, and so may a backup of this machine; what a disk itself keeps of deleted
                  files is beyond a browser. Save it to a file first if you may want it back.
                </span>
              }
              okText="Delete"
              cancelText="Keep"
              onConfirm={() =>
                tellFault('The study was not deleted', async () => {
                  await deleteStudy(study.id);
                  void message.info(`${study.title} was deleted.`);
                })
              }
            >
              <Button size="small" type="text" aria-label={`Delete ${study.title}`}>
                Delete
              </Button>
            </Popconfirm>
          </li>
        ))}
      </ul>
      <HowKept />
    </section>
  );
}

const inMegabytes = (bytes: number): string =>
  bytes < 1e9 ? `${Math.max(1, Math.round(bytes / 1e6))} MB` : `${Math.round(bytes / 1e9)} GB`;

/** Whether the browser has promised to keep the studies, and how much room is left. */
function HowKept() {
  const kept = useLiveQuery(persistence);
  if (!kept) return null;
  const { promised, used, free } = kept;
  return (
    <p className="quiet" aria-label="How studies are kept">
      {promised
        ? 'This browser has promised not to clear them by itself.'
        : 'This browser has not promised to keep them: when the disk is full, or its data are cleared, they may go. Save them to files.'}
      {used !== undefined && free !== undefined && ` ${inMegabytes(used)} in use, ${inMegabytes(free)} free.`}
    </p>
  );
}
