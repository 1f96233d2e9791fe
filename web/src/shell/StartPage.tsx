import { App, Button, Popconfirm } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { readStudyFile } from '@green-thicket/core/formats/study-file';
import { createStudy, deleteStudy, importStudy, listStudies } from '../store/studies.ts';
import { Mark } from './Mark.tsx';

/** The first page: the studies kept here, the sample, an empty study, or one from a file. */
export function StartPage() {
  const studies = useLiveQuery(listStudies);
  const navigate = useNavigate();
  const { message, modal } = App.useApp();
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);

  const begin = async (make: () => Promise<string>, stop: string): Promise<void> => {
    setBusy(true);
    try {
      await navigate(`/study/${await make()}/${stop}`);
    } catch (error) {
      modal.error({
        title: 'The study was not opened',
        content: error instanceof Error ? error.message : String(error),
      });
    } finally {
      setBusy(false);
    }
  };

  return (
    <main className="start-page">
      <div className="start-card">
        <div className="start-title">
          <Mark size={44} />
          <h1>Green Thicket</h1>
        </div>
        <p className="start-lead">
          Find the concepts a collection of texts turns on, the themes they form, and who speaks to which –
          always one click from the words people said.
        </p>
        <p className="quiet">Everything stays in this browser. No text leaves this machine.</p>
        <div className="start-actions">
          <Button
            type="primary"
            size="large"
            disabled={busy}
            onClick={() =>
              void begin(async () => (await import('../store/sample.ts')).createSampleStudy(), 'map')
            }
          >
            Open the sample study
          </Button>
          <Button
            size="large"
            disabled={busy}
            onClick={() => void begin(() => createStudy('Untitled study'), 'sources')}
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
              if (!file) return;
              void begin(
                async () => importStudy(readStudyFile(new Uint8Array(await file.arrayBuffer()))),
                'map',
              );
            }}
          />
        </div>
        {studies && studies.length > 0 && (
          <section aria-labelledby="kept-studies">
            <h2 id="kept-studies">Kept in this browser</h2>
            <ul className="start-list">
              {studies.map((study) => (
                <li key={study.id}>
                  <Link to={`/study/${study.id}/map`}>{study.title}</Link>
                  <span className="quiet">changed {new Date(study.changed).toLocaleString('en-GB')}</span>
                  <Popconfirm
                    title="Delete this study from the browser?"
                    description="Its texts and decisions go for good. Save it to a file first if you may want it back."
                    okText="Delete"
                    cancelText="Keep"
                    onConfirm={() =>
                      void deleteStudy(study.id).then(() => message.info(`${study.title} was deleted.`))
                    }
                  >
                    <Button size="small" type="text" aria-label={`Delete ${study.title}`}>
                      Delete
                    </Button>
                  </Popconfirm>
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
    </main>
  );
}
