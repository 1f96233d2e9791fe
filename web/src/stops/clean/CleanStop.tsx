import { Switch } from 'antd';
import { useState } from 'react';
import { CLEANING_STEPS, type CleaningMark, type CleaningStep } from '@green-thicket/core/text/cleaning';
import type { CleaningView } from '@green-thicket/core/study/view-types';
import { useView } from '../../engine/use-view.ts';
import { useStudy } from '../../shell/study-context.ts';

const STEP_NAMES: Record<CleaningStep, { name: string; says: string }> = {
  addresses: { name: 'Web addresses and handles', says: 'taken out' },
  pattern: { name: 'Own pattern', says: 'taken out' },
  digits: { name: 'Numbers', says: 'taken out' },
  foldCase: { name: 'Capitals', says: 'read as small letters' },
};

/** Clean: the text itself fills the stage; what a step takes out or changes stays visible as a trace. */
export function CleanStop() {
  const { state, decide } = useStudy();
  const [chosen, setChosen] = useState<string>();
  const [pointed, setPointed] = useState<CleaningStep>();
  const [at, setAt] = useState(0);
  const source = state.sources.find((each) => each.id === chosen) ?? state.sources[0];
  const { data, isPlaceholderData } = useView(
    'cleaning',
    { sourceId: source?.id ?? '', at },
    source !== undefined,
  );
  const { cleaning } = state.settings;
  if (!source) {
    return (
      <>
        <section className="ledger" aria-label="Steps" />
        <main className="stage" aria-label="Clean">
          <div className="empty-stage">
            <h2>Nothing to clean yet</h2>
            <p>Add texts at Sources. Here you will see what each cleaning step takes out of them.</p>
          </div>
        </main>
      </>
    );
  }
  return (
    <>
      <section className="ledger" aria-label="Steps">
        <h2 className="pane-title">Steps, in order</h2>
        <ul className="plain-list">
          {CLEANING_STEPS.map((step) => (
            <li
              key={step}
              className={`step-line step-${step}${pointed === step ? ' pointed' : ''}`}
              onMouseEnter={() => setPointed(step)}
              onMouseLeave={() => setPointed(undefined)}
              onFocus={() => setPointed(step)}
              onBlur={() => setPointed(undefined)}
            >
              <span>
                <span className="step-name">{STEP_NAMES[step].name}</span>
                <span className="quiet">
                  {data
                    ? `${data.counts[step].toLocaleString('en-GB')} places ${cleaning[step] ? STEP_NAMES[step].says : 'would be ' + STEP_NAMES[step].says}`
                    : 'counting …'}
                </span>
              </span>
              <Switch
                size="small"
                checked={cleaning[step]}
                disabled={step === 'pattern' && cleaning.ownPattern === ''}
                aria-label={STEP_NAMES[step].name}
                title={
                  step === 'pattern' && cleaning.ownPattern === ''
                    ? 'Write the pattern in the sentence above first'
                    : undefined
                }
                onChange={(on) => decide({ kind: 'setCleaning', change: { [step]: on } })}
              />
            </li>
          ))}
        </ul>
        <p className="quiet">Counts are over all sources. Point at a step to see only its places.</p>
        <h2 className="pane-title">Sources</h2>
        <ul className="plain-list scroll-list">
          {state.sources.slice(0, 500).map((each) => (
            <li key={each.id}>
              <button
                type="button"
                className={each.id === source.id ? 'row-button here' : 'row-button'}
                aria-pressed={each.id === source.id}
                onClick={() => {
                  setChosen(each.id);
                  setAt(0);
                }}
              >
                {each.name}
              </button>
            </li>
          ))}
        </ul>
      </section>
      <main className="stage" aria-label="Clean" tabIndex={0}>
        {data && (
          <article
            className={`clean-text${isPlaceholderData ? ' dimmed' : ''}`}
            aria-label={`Text of ${source.name}`}
          >
            <h2>{source.name}</h2>
            <TracedText view={data} pointed={pointed} />
            {data.start + data.text.length < data.total && (
              <button
                type="button"
                className="linklike"
                onClick={() => setAt(data.start + data.text.length + 1000)}
              >
                Later in this source
              </button>
            )}
            {data.start > 0 && (
              <button
                type="button"
                className="linklike"
                onClick={() => setAt(Math.max(0, data.start - 1000))}
              >
                Earlier in this source
              </button>
            )}
          </article>
        )}
      </main>
    </>
  );
}

/** The original with traces of what each step does to it. */
function TracedText({ view, pointed }: { view: CleaningView; pointed: CleaningStep | undefined }) {
  const { text, start } = view;
  const shown: readonly CleaningMark[] = pointed
    ? view.marks.filter((mark) => mark.step === pointed)
    : view.marks;
  const parts: React.ReactNode[] = [];
  let at = 0;
  for (const mark of shown) {
    const from = Math.max(at, mark.start - start);
    const to = Math.min(text.length, mark.end - start);
    if (to <= from) continue;
    parts.push(text.slice(at, from));
    const piece = text.slice(from, to);
    parts.push(
      mark.step === 'foldCase' ? (
        <span key={from} className={pointed ? 'trace-case strong' : 'trace-case'}>
          {piece}
        </span>
      ) : (
        <del
          key={from}
          className={`trace trace-${mark.step}`}
          title={`${STEP_NAMES[mark.step].name}: ${STEP_NAMES[mark.step].says}`}
        >
          {piece}
        </del>
      ),
    );
    at = to;
  }
  parts.push(text.slice(at));
  return <div className="clean-body">{parts}</div>;
}
