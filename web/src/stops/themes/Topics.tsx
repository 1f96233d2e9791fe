import { useState } from 'react';
import { counted, listed, percent } from '@green-thicket/core/base/wording';
import { largest } from '@green-thicket/core/base/extent';
import type { TopicsView } from '@green-thicket/core/views/view-types';
import { NumberBox } from '../../controls/control-inputs.tsx';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { ThemeLetter } from '../../pieces/ThemeLetter.tsx';
import styles from './Topics.module.css';

/** Topics by another method, laid beside the themes: where they agree, and what only one of them sees. */
export function Topics({ themes }: { themes: number }) {
  const [count, setCount] = useState(Math.max(2, themes));
  const { data, isPlaceholderData } = useView('topics', { topics: count });
  return (
    <div className={isPlaceholderData ? 'stage-body dimmed' : 'stage-body'}>
      <p className={styles.topicsLead}>
        Latent Dirichlet allocation takes each stretch of text for a mixture of topics, and a word may be in
        several; themes part the concepts by whose company they keep. What both find is the safer for it.{' '}
        <NumberBox
          label="Number of topics"
          value={count}
          range={{ min: 2, max: 50, whole: true }}
          onChange={setCount}
        />{' '}
        {data && (
          <strong title="Adjusted mutual information of topics and themes over the concepts in themes: about 0 by chance, 1 when they part them alike (Vinh, Epps and Bailey 2010)">
            Agreement with the themes: {data.agreement.toFixed(2)}
          </strong>
        )}
      </p>
      {!data && <p className="quiet">Sampling topics …</p>}
      {data && (
        <>
          <div className={styles.topics}>
            {data.topics.map((topic, i) => (
              <Topic key={i} topic={topic} number={i + 1} />
            ))}
          </div>
          <Mixtures data={data} />
        </>
      )}
    </div>
  );
}

function Topic({ topic, number }: { topic: TopicsView['topics'][number]; number: number }) {
  const { selection, select } = useSelection();
  const most = largest(
    topic.words.map(({ share }) => share),
    1e-9,
  );
  const picked = selection?.kind === 'concept' ? selection.key : undefined;
  const found = topic.themes.filter(({ here, of }) => here >= of / 2);
  return (
    <section className={styles.topic} aria-label={`Topic ${number}`}>
      <h3>
        {number} <span className="quiet">{percent(topic.share)} of what is said</span>
      </h3>
      <p className="quiet">
        {found.length === 0
          ? 'No theme has half its concepts here.'
          : `Theme ${listed(found.map(({ letter, here, of }) => `${letter} (${here} of ${of})`))}`}
      </p>
      <ul className="plain-list">
        {topic.words.map(({ key, label, share, letter }) => (
          <li key={key}>
            <button
              type="button"
              className={key === picked ? 'row-button here' : 'row-button'}
              aria-pressed={key === picked}
              title={letter === '' ? 'In no theme' : `In theme ${letter}`}
              onClick={() => select({ kind: 'concept', key })}
            >
              <ThemeLetter letter={letter} />
              <span className="row-name">{label}</span>
              <span className="row-figure">{percent(share, 1)}</span>
              <span className="row-bar" style={{ width: `${(100 * share) / most}%` }} />
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

const LISTED = 500;

/** Each source's mixture of topics. */
function Mixtures({ data }: { data: TopicsView }) {
  const { state } = useStudy();
  const { openSource } = useSelection();
  const nameOf = new Map(state.sources.map(({ id, name }) => [id, name]));
  const topics = data.topics.length;
  return (
    <details className={styles.mixtures}>
      <summary>The mixture of topics in each of {counted(data.sourceIds.length, 'source')}</summary>
      <table className="preview-table">
        <thead>
          <tr>
            <th scope="col">Source</th>
            {data.topics.map((_, t) => (
              <th key={t} scope="col">
                {t + 1}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {data.sourceIds.slice(0, LISTED).map((id, s) => (
            <tr key={id}>
              <th scope="row">
                <button
                  type="button"
                  className="linklike"
                  onClick={() => openSource({ sourceId: id, at: 0 })}
                >
                  {nameOf.get(id)}
                </button>
              </th>
              {data.topics.map((_, t) => (
                <td key={t}>{percent(data.mixture[s * topics + t])}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {data.sourceIds.length > LISTED && (
        <p className="quiet">… and {data.sourceIds.length - LISTED} more.</p>
      )}
    </details>
  );
}
