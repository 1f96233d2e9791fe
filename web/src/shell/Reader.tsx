import { App, Button } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { useStudy } from './study-context.ts';
import { useView } from '../engine/use-view.ts';
import type { PassagesView, Selection, SourceView } from '@green-thicket/core/study/view-types';
import { comparedAttribute, groupsOf, type StudySource } from '@green-thicket/core/study/study';
import { workingSources } from '@green-thicket/core/study/subset';
import { counted } from '@green-thicket/core/study/sentences';
import { keepEntry } from '../store/studies.ts';
import { MarkedText } from './MarkedText.tsx';
import { useTellFault } from './use-fault.ts';
import { LOOK_NAMES } from '../reading/look-names.ts';
import { LOOKS, useSelection, type OpenSource } from './selection.ts';

const FIRST_PASSAGES = 30;

/** The Reader: the passages behind whatever is selected, in the original words. */
export function Reader() {
  const { selection, open, openSource } = useSelection();
  const { state } = useStudy();
  return (
    <aside className="reader" aria-label="Reader">
      {open ? (
        <SourceInReader open={open} selection={selection} onClose={() => openSource(null)} />
      ) : selection ? (
        <PassageList key={JSON.stringify(selection)} selection={selection} />
      ) : (
        <div className="reader-empty">
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

/** A source's name without its ending, and its attributes, as the head of a passage. */
function SourceHead({ source }: { source: StudySource }) {
  return (
    <>
      <strong>{source.name.replace(/\.[a-z]{2,8}$/i, '')}</strong>
      {Object.values(source.attributes)
        .filter((value) => value !== '')
        .slice(0, 3)
        .map((value, i) => (
          <span key={i}>{value}</span>
        ))}
    </>
  );
}

function PassageList({ selection }: { selection: Selection }) {
  const { id } = useStudy();
  const [limit, setLimit] = useState(FIRST_PASSAGES);
  const { data, isPlaceholderData } = useView('passages', { selection, limit });
  const { state } = useStudy();
  const { openSource, select, look, setLook } = useSelection();
  const { message } = App.useApp();
  const tellFault = useTellFault();
  if (!data) return <p className="reader-empty">Finding passages …</p>;
  const keepPassage = (
    { start, end, text, marks }: PassagesView['rows'][number],
    source: StudySource,
  ): void =>
    void tellFault('The passage was not kept', async () => {
      // What it was found by is its first tag, so that it can be found by that again.
      const tags = [...new Set(marks.map((mark) => mark.key).filter((key) => key !== ''))].slice(0, 3);
      await keepEntry(id, {
        note: '',
        tags,
        excerpt: { sourceId: source.id, sourceName: source.name, start, end, quote: text },
      });
      void message.success('Kept in the Notebook.');
    });
  const sourceOf = new Map(state.sources.map((source) => [source.id, source]));
  return (
    <div className={isPlaceholderData ? 'dimmed' : undefined}>
      <div className="reader-head">
        <h2 className="pane-title">{data.title}</h2>
        <Button size="small" type="text" aria-label="Close the passages" onClick={() => select(null)}>
          ✕
        </Button>
      </div>
      <p className="reader-count">
        {data.windows === 0
          ? (data.fault ?? (data.unit === 'place' ? 'It stands nowhere.' : 'No window has this.'))
          : `${counted(data.windows, data.unit)} in ${counted(data.total, 'passage')} of ${counted(data.sources, 'source')}`}
      </p>
      <p className="look-links">
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
      {data.rows.map((passage) => {
        const source = sourceOf.get(passage.sourceId);
        if (!source) return null;
        const letter = passage.marks[0]?.letter;
        return (
          <article key={`${passage.sourceId}-${passage.start}`} className="passage" data-letter={letter}>
            <header>
              <button
                type="button"
                className="passage-source"
                title="Open the source at this place"
                onClick={() => openSource({ sourceId: passage.sourceId, at: passage.start })}
              >
                <SourceHead source={source} />
                <span>¶ {passage.paragraph}</span>
              </button>
              <button
                type="button"
                className="passage-keep linklike"
                title="Keep this passage in the Notebook"
                onClick={() => keepPassage(passage, source)}
              >
                Keep
              </button>
            </header>
            <p className="passage-text">
              <MarkedText text={passage.text} start={passage.start} marks={passage.marks} />
              {passage.shortened && <span className="quiet"> … (part of a longer passage)</span>}
            </p>
          </article>
        );
      })}
      {data.rows.length < data.total && (
        <Button block onClick={() => setLimit(limit * 4)}>
          Show more of {data.total.toLocaleString('en-GB')} passages
        </Button>
      )}
      <WhereItIsSaid perSource={data.perSource} />
    </div>
  );
}

/** Windows in each source, sources in the order of their groups; a bar opens its source. */
function WhereItIsSaid({ perSource }: Pick<PassagesView, 'perSource'>) {
  const { state } = useStudy();
  const sources = workingSources(state);
  const { openSource } = useSelection();
  const most = Math.max(...perSource, 1);
  const attribute = comparedAttribute(state);
  const { names, groupOf } = attribute
    ? groupsOf(sources, attribute)
    : { names: [], groupOf: new Int32Array(sources.length) };
  if (perSource.length !== sources.length || perSource.every((count) => count === 0)) return null;
  const shown = [...names.map((name, group) => ({ name, group })), { name: 'no value', group: -1 }]
    .map(({ name, group }) => ({
      name,
      indices: sources.map((_, i) => i).filter((i) => groupOf[i] === group),
    }))
    .filter(({ indices }) => indices.length > 0);
  const groups = shown.length > 0 ? shown : [{ name: '', indices: sources.map((_, i) => i) }];
  return (
    <section className="where" aria-label="Where it is said">
      <h3 className="pane-title">Where it is said</h3>
      {groups.map(({ name, indices }) => (
        <div key={name} className="where-group">
          <div className="where-bars">
            {indices.slice(0, 400).map((i) => (
              <button
                type="button"
                key={sources[i].id}
                disabled={perSource[i] === 0}
                title={`${sources[i].name}: ${counted(perSource[i], 'window')}`}
                aria-label={`${sources[i].name}: ${counted(perSource[i], 'window')}`}
                onClick={() => openSource({ sourceId: sources[i].id, at: -1 })}
              >
                <span style={{ height: `${perSource[i] === 0 ? 1 : 4 + 30 * (perSource[i] / most)}px` }} />
              </button>
            ))}
          </div>
          <span className="where-name">{name}</span>
        </div>
      ))}
    </section>
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
      <div className="reader-empty">
        <p>This source is no longer in the study.</p>
        <Button onClick={onClose}>Back</Button>
      </div>
    );
  }
  return (
    <div>
      <div className="reader-head">
        <h2 className="pane-title reader-source">
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
    <div className="whole-text">
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
            className={i === shown ? 'passage-text here' : 'passage-text'}
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
