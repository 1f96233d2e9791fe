import { Button } from 'antd';
import { counted } from '@green-thicket/core/base/wording';
import type { MailPartKind } from '@green-thicket/core/text/mail/mail-parts';
import { useView } from '../../engine/use-view.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { useTrim } from './use-trim.ts';
import styles from './WorthALook.module.css';

const NAMES: Readonly<Record<MailPartKind, string>> = {
  headers: 'mail headers',
  quoted: 'quoted replies',
  signature: 'signatures',
  footer: 'list footers',
};

/** Parts of mails that their writers did not write: what is left out, and what stands in the texts still. */
export function MailParts() {
  const { decide } = useStudy();
  const { data } = useView('mail', null);
  const trim = useTrim();
  if (!data || data.parts.length === 0) return null;
  const attributes = Object.keys(data.heads);
  return (
    <div className={styles.note}>
      <p className={styles.lead}>
        {counted(data.mails, 'source')} {data.mails === 1 ? 'is a mail' : 'are mails'}.
      </p>
      <ul className="plain-list">
        {data.parts.map(({ kind, sourceIds, out, words }) => {
          const isOut = out.length === sourceIds.length;
          return (
            <li key={kind} className={styles.row}>
              <span>
                {NAMES[kind]} in {counted(sourceIds.length, 'source')}, {counted(words, 'word')}
                {isOut ? ': not read' : ''}
              </span>
              <Button
                size="small"
                aria-label={isOut ? `Put back ${NAMES[kind]}` : `Leave out ${NAMES[kind]}`}
                onClick={() => trim({ kind: 'mail', parts: [kind] }, sourceIds, isOut)}
              >
                {isOut ? 'Put back' : 'Leave out'}
              </Button>
            </li>
          );
        })}
        {attributes.length > 0 && (
          <li className={styles.row}>
            <span>the headers say {attributes.join(', ')}</span>
            <Button size="small" onClick={() => decide({ kind: 'setValues', values: data.heads })}>
              Note as attributes
            </Button>
          </li>
        )}
      </ul>
    </div>
  );
}
