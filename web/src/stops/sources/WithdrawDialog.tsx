import { App, Modal } from 'antd';
import { useState } from 'react';
import { counted, momentText } from '@green-thicket/core/base/wording';
import type { StudySource } from '@green-thicket/core/study/study';
import { useStudy } from '../../pieces/study-context.ts';
import { useTellFault } from '../../pieces/use-fault.ts';
import { withdrawSources, type Withdrawn } from '../../store/withdrawing.ts';
import { useReturnFocus } from '../../pieces/use-return-focus.ts';

/** Takes sources out for good, as where a participant withdraws; says before what that means, and after what went. */
export function WithdrawDialog({
  sources,
  onWithdrawn,
  onClose,
}: {
  sources: readonly StudySource[];
  onWithdrawn: () => void;
  onClose: () => void;
}) {
  useReturnFocus();
  const { id, state } = useStudy();
  const { modal } = App.useApp();
  const tellFault = useTellFault();
  const [busy, setBusy] = useState(false);
  const wholes = new Set(sources.map((source) => source.part?.of ?? source.id));
  const others = state.sources.filter(
    (each) => wholes.has(each.part?.of ?? each.id) && !sources.some(({ id: own }) => own === each.id),
  );
  const withdraw = (): void => {
    setBusy(true);
    tellFault('Nothing was withdrawn', async () => {
      try {
        const gone = await withdrawSources(id, sources);
        onWithdrawn();
        onClose();
        modal.info({ title: 'Withdrawn for good', content: <WhatWent gone={gone} />, width: 520 });
      } finally {
        setBusy(false);
      }
    });
  };
  return (
    <Modal
      open
      title={`Withdraw ${counted(sources.length, 'source')} for good?`}
      okText="Withdraw for good"
      okButtonProps={{ danger: true, loading: busy }}
      cancelText="Keep"
      onOk={withdraw}
      onCancel={onClose}
    >
      <p>
        {sources
          .slice(0, 5)
          .map((source) => source.name)
          .join(', ')}
        {sources.length > 5 && ` and ${sources.length - 5} more`}: texts, attributes, every decision about
        them and excerpts in the Notebook go, and nothing brings them back. The study is written anew without
        them, so that nothing stays in this browser’s files.
      </p>
      {others.length > 0 && (
        <p>
          {counted(others.length, 'other source')} cut from the same text{' '}
          {others.length === 1 ? 'goes' : 'go'} too:{' '}
          {others
            .slice(0, 5)
            .map((source) => source.name)
            .join(', ')}
          .
        </p>
      )}
      <p className="quiet">
        Words you decided on (a merged name, a speaker’s role), memos and the title stay: look through them if
        they name somebody. A pseudonym goes when its name is said nowhere any more. Files that were saved
        before keep the texts; they are listed afterwards.
      </p>
    </Modal>
  );
}

function WhatWent({ gone }: { gone: Withdrawn }) {
  return (
    <>
      <p>
        {counted(gone.sources, 'source')} and {counted(gone.excerpts, 'excerpt')} went.
      </p>
      {gone.files.length === 0 ? (
        <p>No file that was saved from here holds them.</p>
      ) : (
        <>
          <p>
            These files were saved while they were in the study and hold them still; delete or replace them:
          </p>
          <ul>
            {gone.files.map((file) => (
              <li key={file.name}>
                {file.name}, {momentText(file.time, 'exact')}
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}
