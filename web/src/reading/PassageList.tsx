import { App, Button } from 'antd';
import { Fragment, useState } from 'react';
import { counted, inFigures } from '@green-thicket/core/base/wording';
import type { HangsOn } from '@green-thicket/core/study/notebook';
import type { StudySource } from '@green-thicket/core/study/study';
import type { PassageOrder, PassagesView, Selection } from '@green-thicket/core/views/view-types';
import { useView } from '../engine/use-view.ts';
import { MarkedText } from './MarkedText.tsx';
import { LOOKS, useSelection } from '../pieces/selection.ts';
import { useStudy } from '../pieces/study-context.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import { keepEntry } from '../store/notebook.ts';
import { whyNowhere } from '../pieces/never-show.ts';
import { ConceptMeaning } from './ConceptMeaning.tsx';
import { ConceptVerdict } from './ConceptVerdict.tsx';
import { LOOK_NAMES } from './look-names.ts';
import { NotesOn } from './NotesOn.tsx';
import { PassageChoices } from './PassageChoices.tsx';
import { SourceHead } from './SourceHead.tsx';
import { WhereItIsSaid } from './WhereItIsSaid.tsx';
import styles from './PassageList.module.css';
import shared from './reading.module.css';

const FIRST_PASSAGES = 30;

/** The passages behind a selection, with what may be asked of them. */
export function PassageList({ selection }: { selection: Selection }) {
  const { state } = useStudy();
  const { select, within, look, setLook } = useSelection();
  const [limit, setLimit] = useState(FIRST_PASSAGES);
  const ranked = selection.kind === 'theme' || selection.kind === 'cell';
  const [order, setOrder] = useState<PassageOrder>(ranked ? 'marks' : 'text');
  const { data, isPlaceholderData } = useView('passages', {
    selection,
    limit,
    order,
    ...(within ? { within } : {}),
  });
  if (!data) return <p className={shared.readerEmpty}>Finding passages …</p>;
  const about: HangsOn | undefined =
    selection.kind === 'concept'
      ? { kind: 'concept', key: selection.key, name: data.title }
      : selection.kind === 'theme'
        ? { kind: 'theme', key: selection.letter, name: data.title }
        : undefined;
  const sourceOf = new Map(state.sources.map((source) => [source.id, source]));
  const windowsIn = new Map<string, number>();
  for (const row of data.rows) windowsIn.set(row.sourceId, (windowsIn.get(row.sourceId) ?? 0) + 1);
  return (
    <div className={isPlaceholderData ? 'dimmed' : undefined}>
      <div className={shared.readerHead}>
        <h2 className="pane-title">{data.title}</h2>
        <Button size="small" type="text" aria-label="Close the passages" onClick={() => select(null)}>
          ✕
        </Button>
      </div>
      <p className={styles.readerCount}>
        {(selection.kind === 'concept' && data.windows === 0 && whyNowhere(state, selection.key)) ||
          countText(data)}
      </p>
      {selection.kind === 'concept' && (
        <>
          <ConceptVerdict conceptKey={selection.key} />
          <ConceptMeaning conceptKey={selection.key} />
        </>
      )}
      {about && <NotesOn key={about.key} on={about} />}
      {/* What no theme reaches is stretches, not mentions that could stand in lines. */}
      {selection.kind !== 'missed' && (
        <p className={shared.lookLinks}>
          {LOOKS.map((each) => (
            <button
              key={each}
              type="button"
              className="linklike"
              aria-pressed={look === each}
              onClick={() => setLook(each)}
            >
              {LOOK_NAMES[each]}
            </button>
          ))}
        </p>
      )}
      <PassageChoices
        selection={selection}
        order={order}
        onOrder={setOrder}
        title={data.title}
        empty={data.total === 0}
      />
      {data.rows.map((passage, i) => {
        const source = sourceOf.get(passage.sourceId);
        if (!source) return null;
        // In the order of the texts each source is named once, over its passages.
        const begins = order === 'text' && data.rows[i - 1]?.sourceId !== passage.sourceId;
        return (
          <Fragment key={`${passage.sourceId}-${passage.start}`}>
            {begins && (
              <h3 className={styles.passageGroup}>
                <SourceHead source={source} />
              </h3>
            )}
            <PassageRow passage={passage} source={source} isNamed={order === 'marks'} />
          </Fragment>
        );
      })}
      {data.rows.length < data.total && (
        <Button block onClick={() => setLimit(limit * 4)}>
          Show more of {inFigures(data.total)} passages
        </Button>
      )}
      <WhereItIsSaid perSource={data.perSource} />
    </div>
  );
}

/** A passage, with the way into its source and into the Notebook. */
function PassageRow({
  passage,
  source,
  isNamed,
}: {
  passage: PassagesView['rows'][number];
  source: StudySource;
  /** Whether it says which source it is of. */
  isNamed: boolean;
}) {
  const { id } = useStudy();
  const { openSource } = useSelection();
  const { message } = App.useApp();
  const tellFault = useTellFault();
  const { start, end, text, marks } = passage;
  const keepPassage = (): void =>
    tellFault('The passage was not kept', async () => {
      // What it was found by is its first tag, so that it can be found by that again.
      const tags = [...new Set(marks.map((mark) => mark.key).filter((key) => key !== ''))].slice(0, 3);
      await keepEntry(id, {
        note: '',
        tags,
        excerpt: { sourceId: source.id, sourceName: source.name, start, end, quote: text },
      });
      void message.success('Kept in the Notebook.');
    });
  return (
    <article className={styles.passage} data-letter={passage.marks[0]?.letter}>
      <header>
        <button
          type="button"
          className={styles.passageSource}
          title="Open the source at this place"
          onClick={() => openSource({ sourceId: passage.sourceId, at: passage.start })}
        >
          {isNamed && <SourceHead source={source} />}
          <span>¶ {passage.paragraph}</span>
        </button>
        <button
          type="button"
          className={`${styles.passageKeep} linklike`}
          title="Keep this passage in the Notebook"
          onClick={() => keepPassage()}
        >
          Keep
        </button>
      </header>
      <p className={shared.passageText}>
        <MarkedText text={passage.text} start={passage.start} marks={passage.marks} />
        {passage.shortened && <span className="quiet"> … (part of a longer passage)</span>}
      </p>
    </article>
  );
}

/** How much there is: mentions and windows, since either may be the number that was clicked. */
function countText({ windows, mentions, unit, total, sources, fault }: PassagesView): string {
  if (windows === 0)
    return (
      fault ??
      (unit === 'place'
        ? 'It stands nowhere.'
        : `No ${unit} has this: what many sources repeat, and interviewers’ words, are in none. “In lines” shows every mention.`)
    );
  const where = `in ${counted(total, 'passage')} of ${counted(sources, 'source')}`;
  if (unit === 'place') return `${counted(windows, unit)} ${where}`;
  return `${counted(windows, unit, unit === 'stretch' ? 'stretches' : 'windows')} ${where}, ${counted(mentions, 'mention')}`;
}
