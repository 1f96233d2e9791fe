import { Button } from 'antd';
import { useState } from 'react';
import { focusCentre } from '../pieces/focus-centre.ts';
import type { Notice } from '../pieces/notice.ts';
import styles from './NoticeLine.module.css';

/** What happened, in a line over the work, with its details on a click; it goes when it was looked at. */
export function NoticeLine({ notice: { words, details }, onSeen }: { notice: Notice; onSeen: () => void }) {
  const [open, setOpen] = useState(false);
  return (
    <section className={styles.noticeLine} aria-label="What happened">
      <p>
        <span role="status">{words}</span>
        {details !== undefined && (
          <button type="button" className="linklike" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? 'Fewer details' : 'Details'}
          </button>
        )}
        <Button
          size="small"
          onClick={() => {
            onSeen();
            focusCentre();
          }}
        >
          Seen
        </Button>
      </p>
      {open && <div className={styles.noticeDetails}>{details}</div>}
    </section>
  );
}
