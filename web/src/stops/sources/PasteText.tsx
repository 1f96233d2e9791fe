import { Input, Modal } from 'antd';
import { useState } from 'react';
import { useStudy } from '../../pieces/study-context.ts';
import { useTellFault } from '../../pieces/use-fault.ts';
import { useIntake } from './intake-context.ts';
import { useReturnFocus } from '../../pieces/use-return-focus.ts';

/** A text from the clipboard as a source. */
export function PasteText({ onClose }: { onClose: () => void }) {
  useReturnFocus();
  const { state } = useStudy();
  const { addText } = useIntake();
  const tellFault = useTellFault();
  const [name, setName] = useState('');
  const [text, setText] = useState('');
  const [fault, setFault] = useState<string>();
  const add = (): void =>
    tellFault('Nothing was added', async () => {
      const given = name.trim() === '' ? `Pasted text ${state.sources.length + 1}` : name.trim();
      const reason = await addText(given, text);
      if (reason === undefined) onClose();
      else setFault(reason);
    });
  return (
    <Modal open title="Paste a text" okText="Add as a source" onOk={add} onCancel={onClose} width={640}>
      <div className="stack">
        <Input
          autoFocus
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
