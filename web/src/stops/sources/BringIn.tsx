import { Button } from 'antd';
import { useRef, useState } from 'react';
import { READ_ENDINGS } from '@green-thicket/core/formats/read/read-result';
import { useStudy } from '../../pieces/study-context.ts';
import { useTellFault } from '../../pieces/use-fault.ts';
import { SAMPLE_TITLE } from '../../store/sample-title.ts';
import { chooseFiles } from './choose-files.ts';
import { chosenFiles } from '../../pieces/dropped-files.ts';
import { NETWORK_ENDINGS, useIntake } from './intake-context.ts';
import { PageByAddress } from './PageByAddress.tsx';
import { PasteText } from './PasteText.tsx';

/** The ways texts come in. */
export function BringIn() {
  const { addFiles, openNetwork } = useIntake();
  const { state } = useStudy();
  const tellFault = useTellFault();
  const addSurvey = (): void =>
    tellFault('The survey was not added', async () => {
      const { sampleSurvey } = await import('../../store/sample.ts');
      addFiles(chosenFiles([sampleSurvey()]));
    });
  const chooser = useRef<HTMLInputElement>(null);
  const [dialog, setDialog] = useState<'paste' | 'page'>();
  return (
    <>
      <h2 className="pane-title">Bring texts in</h2>
      <div className="stack">
        <Button type="primary" onClick={() => chooser.current?.click()}>
          Choose files
        </Button>
        <input
          ref={chooser}
          type="file"
          multiple
          hidden
          accept={READ_ENDINGS.join(',')}
          aria-label="Files to add"
          onChange={(event) => {
            const files = chosenFiles(event.target.files ?? []);
            event.target.value = '';
            if (files.length > 0) addFiles(files);
          }}
        />
        <div className="button-row">
          <Button
            size="small"
            onClick={() => chooseFiles({ folder: true }, addFiles)}
            title="All files of a folder and the folders in it"
          >
            A folder
          </Button>
          <Button size="small" aria-label="Paste a text" onClick={() => setDialog('paste')}>
            Paste
          </Button>
          <Button
            size="small"
            aria-label="Fetch a web page"
            title="The main text of a page, by its address"
            onClick={() => setDialog('page')}
          >
            Web page
          </Button>
        </div>
        <p className="quiet">
          Or drop them anywhere: texts, tables, office and PDF documents, slides, e-books, mails, chats, web
          pages, subtitles, archives.
        </p>
        {state.sources.length === 0 && (
          <button
            type="button"
            className="linklike"
            title="GraphML, JSON Graph, or a table with the columns source, target and weight, as many programs for networks write them"
            onClick={() =>
              chooseFiles({ accept: NETWORK_ENDINGS.join(','), several: false }, ([file]) =>
                openNetwork(file),
              )
            }
          >
            Or open a network of links without texts
          </button>
        )}
        {((state.sources.length === 0 && !state.network) || state.title === SAMPLE_TITLE) && (
          <button type="button" className="linklike" onClick={addSurvey}>
            Try it with the sample’s survey, a table of 120 answers
          </button>
        )}
      </div>
      {dialog === 'paste' && <PasteText onClose={() => setDialog(undefined)} />}
      {dialog === 'page' && <PageByAddress onClose={() => setDialog(undefined)} />}
    </>
  );
}
