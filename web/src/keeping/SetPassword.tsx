import { App, Checkbox, Input, Modal } from 'antd';
import { useState, type RefObject } from 'react';
import { counted } from '@green-thicket/core/base/wording';
import { LONGEST_SHOWN, SHORTEST_PASSWORD, setPassword } from '../store/password.ts';
import { SHOWN_AS } from '../store/studies.ts';
import { PasswordField } from './PasswordField.tsx';
import { useStudy } from '../pieces/study-context.ts';
import { useReturnFocus } from '../pieces/use-return-focus.ts';
import shared from '../pieces/lists.module.css';

/** Gives the study a password, or another. */
export function SetPassword({
  back,
  onClose,
}: {
  /** Takes the focus once it is closed. */
  back: RefObject<HTMLElement | null>;
  onClose: () => void;
}) {
  useReturnFocus(back);
  const { id, saved, shownAs } = useStudy();
  const { modal } = App.useApp();
  const [password, setTyped] = useState('');
  const [again, setAgain] = useState('');
  const [name, setName] = useState(shownAs ?? SHOWN_AS);
  const [understood, setUnderstood] = useState(false);
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string>();
  const set = (): void => {
    if (password !== again) {
      setFault('The two are not the same. Type both again.');
      return;
    }
    setBusy(true);
    setFault(undefined);
    setPassword(id, password, name.trim() === '' ? SHOWN_AS : name.trim())
      .then((files) => {
        onClose();
        if (files.length === 0) return;
        modal.info({
          title: 'The study has its password now',
          content: (
            <>
              <p>
                {counted(files.length, 'file')} saved before {files.length === 1 ? 'opens' : 'open'} as{' '}
                {files.length === 1 ? 'it' : 'they'} did. Save the study anew and delete{' '}
                {files.length === 1 ? 'it' : 'them'}:
              </p>
              <ul className={shared.leftOutList}>
                {files.map((file) => (
                  <li key={file.name}>{file.name}</li>
                ))}
              </ul>
            </>
          ),
        });
      })
      .catch((error: unknown) => {
        setBusy(false);
        setFault(error instanceof Error ? error.message : String(error));
      });
  };
  return (
    <Modal
      open
      title={shownAs === undefined ? 'A password for this study' : 'Another password for this study'}
      okText="Set the password"
      cancelText="Cancel"
      okButtonProps={{ disabled: password.length < SHORTEST_PASSWORD || !understood, loading: busy }}
      onOk={set}
      onCancel={onClose}
      width={560}
    >
      <div className="stack">
        <p>
          Texts, decisions and Notebook are then kept encrypted in this browser, and so are the study’s files
          and copies from now on. The password is asked for each time the study is opened in a tab.
        </p>
        <PasswordField
          label={`Password, at least ${SHORTEST_PASSWORD} characters`}
          kind="new-password"
          autoFocus
          value={password}
          onChange={setTyped}
        />
        <PasswordField label="The same again" kind="new-password" value={again} onChange={setAgain} />
        <label className={shared.passwordField}>
          <span>Called, while it is locked</span>
          <Input value={name} onChange={(event) => setName(event.target.value)} maxLength={LONGEST_SHOWN} />
        </label>
        <p className="quiet">
          That name also stands in the window’s title and in the names of its files, in place of the study’s
          own. Not encrypted are tables, pictures and passages you save
          {saved.length > 0 ? ', files saved before,' : ','} and words you search for or select, which stand
          in the address and so in the browser’s history.
        </p>
        <Checkbox checked={understood} onChange={(event) => setUnderstood(event.target.checked)}>
          I know that a forgotten password can’t be helped: without it nobody can open the study again.
        </Checkbox>
        {fault && (
          <p className="control-fault" role="alert">
            {fault}
          </p>
        )}
      </div>
    </Modal>
  );
}
