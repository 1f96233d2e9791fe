import { Button } from 'antd';
import { useEffect, useRef } from 'react';
import { useNetwork } from '../pieces/use-network.ts';
import { useStudy } from '../pieces/study-context.ts';
import { useView } from '../engine/use-view.ts';
import type { Selection, SourceView } from '@green-thicket/core/views/view-types';
import { MarkedText } from './MarkedText.tsx';
import { NetworkReader } from './NetworkReader.tsx';
import { PassageList } from './PassageList.tsx';
import { SourceHead } from './SourceHead.tsx';
import { useSelection, type OpenSource } from '../pieces/selection.ts';
import styles from './Reader.module.css';
import shared from './reading.module.css';

/** The Reader: the passages behind whatever is selected, in the original words. */
export function Reader() {
  const { selection, open, openSource } = useSelection();
  const { state } = useStudy();
  if (useNetwork()) return <NetworkReader selection={selection} />;
  return (
    <aside className={styles.reader} aria-label="Reader">
      {open ? (
        <SourceInReader open={open} selection={selection} onClose={() => openSource(null)} />
      ) : selection ? (
        <PassageList key={JSON.stringify(selection)} selection={selection} />
      ) : (
        <div className={shared.readerEmpty}>
          <h2 className="pane-title">Reader</h2>
          <p>
            {state.sources.length === 0
              ? 'The words people said will stand here once there are sources.'
              : 'Pick a concept, a link, a theme or a mark anywhere, and its passages stand here in the original words.'}
          </p>
        </div>
      )}
    </aside>
  );
}

/** A whole source in its original words, opened at a place. */
function SourceInReader({
  open,
  selection,
  onClose,
}: {
  open: OpenSource;
  selection: Selection | null;
  onClose: () => void;
}) {
  const { state } = useStudy();
  const source = state.sources.find((each) => each.id === open.sourceId);
  const { data } = useView('source', { sourceId: open.sourceId, selection, at: open.at });
  const { openSource } = useSelection();
  if (!source) {
    return (
      <div className={shared.readerEmpty}>
        <p>This source is no longer in the study.</p>
        <Button onClick={onClose}>Back</Button>
      </div>
    );
  }
  return (
    <div>
      <div className={shared.readerHead}>
        <h2 className={`pane-title ${styles.readerSource}`}>
          <SourceHead source={source} />
        </h2>
        <Button size="small" onClick={onClose}>
          {selection ? 'Back to passages' : 'Close'}
        </Button>
      </div>
      {data && (
        <WholeText
          view={data}
          // Where no place is given, the first mark is the place.
          at={open.at >= 0 ? open.at : (data.marks[0]?.start ?? 0)}
          goTo={(at) => openSource({ sourceId: open.sourceId, at })}
        />
      )}
    </div>
  );
}

function WholeText({ view, at, goTo }: { view: SourceView; at: number; goTo: (at: number) => void }) {
  const { text, start, total, marks } = view;
  const here = useRef<HTMLParagraphElement>(null);
  useEffect(() => {
    here.current?.scrollIntoView({ block: 'center' });
  }, [at, start]);
  const paragraphs = splitParagraphs(text, start);
  const shown = paragraphs.findLastIndex((paragraph) => paragraph.start <= at);
  let next = 0;
  return (
    <div className={styles.wholeText}>
      {start > 0 && (
        <Button block onClick={() => goTo(Math.max(0, start - 1000))}>
          Earlier in this source
        </Button>
      )}
      {paragraphs.map((paragraph, i) => {
        const from = next;
        while (next < marks.length && marks[next].start < paragraph.start + paragraph.text.length) next++;
        return (
          <p
            key={paragraph.start}
            ref={i === shown ? here : undefined}
            className={i === shown ? `${shared.passageText} here` : shared.passageText}
          >
            <MarkedText text={paragraph.text} start={paragraph.start} marks={marks.slice(from, next)} />
          </p>
        );
      })}
      {start + text.length < total && (
        <Button block onClick={() => goTo(start + text.length + 1000)}>
          Later in this source
        </Button>
      )}
    </div>
  );
}

/** The paragraphs of a text with their places in the original. */
function splitParagraphs(text: string, start: number): { start: number; text: string }[] {
  return Array.from(text.matchAll(/[^\n]+(?:\n(?!\s*\n)[^\n]+)*/g), (match) => ({
    start: start + match.index,
    text: match[0],
  }));
}
