import { inFigures } from '@green-thicket/core/base/wording';
import { Input, Modal } from 'antd';
import { useRef, useState } from 'react';
import { fetchPage, type FetchedPage } from '../../engine/fetch-page.ts';
import { useTellFault } from '../../pieces/use-fault.ts';
import { useIntake } from './intake-context.ts';
import { useReturnFocus } from '../../pieces/use-return-focus.ts';
import styles from './PageByAddress.module.css';

const SHOWN = 600;

/** A web page by its address: fetched, looked at, and then added with its main text and title. */
export function PageByAddress({ onClose }: { onClose: () => void }) {
  useReturnFocus();
  const { addText } = useIntake();
  const tellFault = useTellFault();
  const [address, setAddress] = useState('');
  const [page, setPage] = useState<FetchedPage>();
  const [fault, setFault] = useState<string>();
  const control = useRef<AbortController>(undefined);
  const [busy, setBusy] = useState(false);
  const get = (): void => {
    look().catch(reportError);
  };
  const look = async (): Promise<void> => {
    setFault(undefined);
    setBusy(true);
    control.current = new AbortController();
    try {
      setPage(await fetchPage(address.trim(), control.current.signal));
    } catch (error) {
      if (!control.current.signal.aborted) setFault(error instanceof Error ? error.message : String(error));
    } finally {
      setBusy(false);
    }
  };
  const add = (fetched: FetchedPage): void =>
    tellFault('Nothing was added', async () => {
      const name = fetched.title === '' ? address.trim() : fetched.title;
      const reason = await addText(name, fetched.text);
      if (reason === undefined) onClose();
      else setFault(reason);
    });
  const close = (): void => {
    control.current?.abort();
    onClose();
  };
  return (
    <Modal
      open
      title="Fetch a web page"
      okText={page ? 'Add as a source' : 'Fetch it'}
      okButtonProps={{ disabled: address.trim() === '', loading: busy }}
      cancelText={busy ? 'Stop' : 'Cancel'}
      onOk={() => (page ? add(page) : get())}
      onCancel={close}
      width={640}
    >
      <div className="stack">
        <Input
          autoFocus
          aria-label="Address of the page"
          placeholder="https://…"
          value={address}
          maxLength={2000}
          onChange={(event) => {
            setAddress(event.target.value);
            setPage(undefined);
          }}
          onPressEnter={get}
        />
        <p className="quiet">
          This asks the page’s own server for it, from this machine. None of your texts leave the machine.
        </p>
        {fault && (
          <p className="control-fault" role="alert">
            {fault}
          </p>
        )}
        {page && (
          <section aria-label="The page’s main text">
            <h3>{page.title === '' ? 'No title' : page.title}</h3>
            <p className={styles.fetchedText}>
              {page.text.slice(0, SHOWN)}
              {page.text.length > SHOWN && ' …'}
            </p>
            <p className="quiet">{inFigures(page.text.length)} characters</p>
          </section>
        )}
      </div>
    </Modal>
  );
}
