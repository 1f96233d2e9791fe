import { App, Button, Input, Modal, Popconfirm } from 'antd';
import { useRef, useState } from 'react';
import { readPasted } from '@green-thicket/core/study/intake';
import { counted } from '@green-thicket/core/study/sentences';
import { attributeNames, groupsOf, type StudySource } from '@green-thicket/core/study/study';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../shell/selection.ts';
import { useStudy } from '../../shell/study-context.ts';
import { addSources } from '../../store/studies.ts';
import { useAddFiles } from './use-add-files.tsx';

/** Rows beyond this many are shown on demand; thousands of inputs would make the page slow. */
const FIRST_ROWS = 300;

/** Sources: the collection as rows with their lengths; attributes are columns edited in place. */
export function SourcesStop() {
  const { state, decide } = useStudy();
  const { data } = useView('sources', null);
  const { openSource } = useSelection();
  const addFiles = useAddFiles();
  const chooser = useRef<HTMLInputElement>(null);
  const [pasting, setPasting] = useState(false);
  const [rows, setRows] = useState(FIRST_ROWS);
  const { message } = App.useApp();
  const attributes = attributeNames(state.sources);
  const words = data && data.words.length === state.sources.length ? data.words : undefined;
  const most = words ? Math.max(...words, 1) : 1;

  const remove = (ids: readonly string[], what: string): void => {
    decide({ kind: 'removeSources', ids });
    void message.info(`${what} removed. Undo brings it back.`);
  };

  return (
    <>
      <section className="ledger" aria-label="Collection">
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
            accept=".txt,.md,.markdown,.text,text/plain"
            aria-label="Files to add"
            onChange={(event) => {
              const files = Array.from(event.target.files ?? []);
              event.target.value = '';
              if (files.length > 0) void addFiles(files);
            }}
          />
          <Button onClick={() => setPasting(true)}>Paste a text</Button>
          <p className="quiet">Or drop .txt and .md files anywhere. Each becomes a source.</p>
        </div>
        {state.sources.length > 0 && (
          <>
            <h2 className="pane-title">Attributes</h2>
            <AddAttribute known={attributes} />
            <ul className="plain-list">
              {attributes.map((name) => (
                <li key={name} className="attribute-line">
                  <span>
                    {name}{' '}
                    <span className="quiet">
                      {counted(groupsOf(state.sources, name).names.length, 'value')}
                    </span>
                  </span>
                  <Popconfirm
                    title={`Remove ${name} from every source?`}
                    description="Undo brings it back."
                    okText="Remove"
                    cancelText="Keep"
                    onConfirm={() => decide({ kind: 'removeAttribute', attribute: name })}
                  >
                    <Button size="small" type="text" aria-label={`Remove the attribute ${name}`}>
                      ✕
                    </Button>
                  </Popconfirm>
                </li>
              ))}
            </ul>
          </>
        )}
      </section>
      <main className="stage" aria-label="Sources">
        {state.sources.length === 0 ? (
          <div className="empty-stage">
            <h2>No sources yet</h2>
            <p>
              Drop text files here, choose them, or paste a text. Interviews, answers, notes: one file each.
            </p>
          </div>
        ) : (
          <table className="source-table">
            <caption>
              {counted(state.sources.length, 'source')}
              {data &&
                `, ${data.words.reduce((sum, each) => sum + each, 0).toLocaleString('en-GB')} words in ${data.sentences.toLocaleString('en-GB')} sentences`}
            </caption>
            <thead>
              <tr>
                <th scope="col">Source</th>
                <th scope="col">Words</th>
                {attributes.map((name) => (
                  <th scope="col" key={name}>
                    {name}
                  </th>
                ))}
                <th>
                  <span className="visually-hidden">Remove</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {state.sources.slice(0, rows).map((source, i) => (
                <tr key={source.id}>
                  <th scope="row">
                    <button
                      type="button"
                      className="linklike"
                      title="Read it"
                      onClick={() => openSource({ sourceId: source.id, at: 0 })}
                    >
                      {source.name}
                    </button>
                  </th>
                  <td className="length-cell">
                    <span
                      className="length-bar"
                      style={{ width: `${words ? (30 * words[i]) / most : 0}px` }}
                    />
                    {words ? words[i].toLocaleString('en-GB') : '…'}
                  </td>
                  {attributes.map((name) => (
                    <td key={name}>
                      <AttributeCell source={source} attribute={name} />
                    </td>
                  ))}
                  <td>
                    <Button
                      size="small"
                      type="text"
                      aria-label={`Remove ${source.name}`}
                      onClick={() => remove([source.id], source.name)}
                    >
                      ✕
                    </Button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {state.sources.length > rows && (
          <Button block onClick={() => setRows(rows * 3)}>
            Show more of {state.sources.length.toLocaleString('en-GB')} sources
          </Button>
        )}
        <PasteText open={pasting} onClose={() => setPasting(false)} />
      </main>
    </>
  );
}

/** An attribute's value, edited in place; Enter goes to the source below. */
function AttributeCell({ source, attribute }: { source: StudySource; attribute: string }) {
  const { decide } = useStudy();
  const value = source.attributes[attribute] ?? '';
  const [draft, setDraft] = useState<string>();
  const finish = (): void => {
    if (draft !== undefined && draft.trim() !== value) {
      decide({ kind: 'setAttribute', ids: [source.id], attribute, value: draft.trim() });
    }
    setDraft(undefined);
  };
  return (
    <input
      className="cell-input"
      title={value}
      aria-label={`${attribute} of ${source.name}`}
      data-attribute={attribute}
      value={draft ?? value}
      maxLength={1000}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={finish}
      onKeyDown={(event) => {
        if (event.key === 'Escape') setDraft(undefined);
        if (event.key !== 'Enter') return;
        const column = [...document.querySelectorAll<HTMLInputElement>('.cell-input')].filter(
          (cell) => cell.dataset.attribute === attribute,
        );
        const below = column[column.indexOf(event.currentTarget) + 1];
        if (below) below.focus();
        else event.currentTarget.blur();
      }}
    />
  );
}

function AddAttribute({ known }: { known: readonly string[] }) {
  const { state, decide } = useStudy();
  const [name, setName] = useState('');
  const add = (): void => {
    const attribute = name.trim();
    if (attribute === '' || known.includes(attribute)) return;
    decide({ kind: 'setAttribute', ids: state.sources.map((source) => source.id), attribute, value: '' });
    setName('');
  };
  return (
    <Input
      aria-label="New attribute"
      placeholder="New: role, place, date …"
      value={name}
      maxLength={60}
      onChange={(event) => setName(event.target.value)}
      onPressEnter={add}
      suffix={
        <Button size="small" type="text" disabled={name.trim() === ''} onClick={add}>
          Add
        </Button>
      }
    />
  );
}

function PasteText({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { id, state } = useStudy();
  const { modal } = App.useApp();
  const [name, setName] = useState('');
  const [text, setText] = useState('');
  const [fault, setFault] = useState<string>();
  const add = async (): Promise<void> => {
    const given = name.trim() === '' ? `Pasted text ${state.sources.length + 1}` : name.trim();
    const intake = readPasted(given, text);
    const known = state.sources.some((source) => source.id === intake.added[0]?.source.id);
    if (intake.refused.length > 0 || known) {
      setFault(known ? 'The same text is in the study already.' : intake.refused[0].reason);
      return;
    }
    try {
      await addSources(id, intake.added);
      setName('');
      setText('');
      setFault(undefined);
      onClose();
    } catch (error) {
      modal.error({
        title: 'Nothing was added',
        content: error instanceof Error ? error.message : String(error),
      });
    }
  };
  return (
    <Modal
      open={open}
      title="Paste a text"
      okText="Add as a source"
      onOk={() => void add()}
      onCancel={onClose}
      width={640}
    >
      <div className="stack">
        <Input
          aria-label="Name of the source"
          placeholder="Name of the source"
          value={name}
          onChange={(event) => setName(event.target.value)}
          maxLength={200}
        />
        <Input.TextArea
          aria-label="Text"
          placeholder="Paste the text here"
          rows={12}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        {fault && (
          <p className="control-fault" role="alert">
            {fault}
          </p>
        )}
      </div>
    </Modal>
  );
}
