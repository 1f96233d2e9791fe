import { Button, Input } from 'antd';
import { useState } from 'react';
import type { TopicChoices } from '@green-thicket/core/study/study';
import { counted, listed, percent } from '@green-thicket/core/base/wording';
import { largest } from '@green-thicket/core/base/extent';
import type { TopicsView } from '@green-thicket/core/views/view-types';
import { NumberBox } from '../../controls/control-inputs.tsx';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { Select } from '../../pieces/Select.tsx';
import { ThemeLetter } from '../../pieces/ThemeLetter.tsx';
import styles from './Topics.module.css';

/** Searches that agree by less tell of a toss: of planted topics that are found whole they agree by 0.8 and more. */
const DOUBTFUL = 0.7;

/** Topics by another method, laid beside the themes: where they agree, and what only one of them sees. */
export function Topics({ themes }: { themes: number }) {
  const { state, decide } = useStudy();
  const choices = state.topicChoices;
  const { data, isPlaceholderData } = useView('topics', null);
  const [isTrying, setTrying] = useState(false);
  const [isOwn, setOwn] = useState(false);
  const change = (changed: Partial<typeof choices>): void => decide({ kind: 'setTopics', change: changed });
  const count = choices.count ?? Math.max(2, themes);
  return (
    <div className={isPlaceholderData ? 'centre-body dimmed' : 'centre-body'}>
      <p className={styles.topicsLead}>
        Latent Dirichlet allocation takes each stretch of text for a mixture of topics, and a word may be in
        several; themes part the concepts by whose company they keep. What both find is the safer for it.{' '}
        {data && (
          <strong title="Adjusted mutual information of topics and themes over the concepts in themes: about 0 by chance, 1 when they part them alike (Vinh, Epps and Bailey 2010)">
            Agreement with the themes: {data.agreement.toFixed(2)}
          </strong>
        )}{' '}
        {data && (
          <span title="Adjusted mutual information over the words, of five searches that each began elsewhere; the likeliest of them is shown. Under 0.7 what a topic is hangs much on where the search began.">
            Five searches agree by {data.ofBeginnings.toFixed(2)}
            {data.ofBeginnings < DOUBTFUL && ': take single topics with care'}.
          </span>
        )}
      </p>
      <div className="centre-bar">
        <NumberBox
          key={count}
          label="Number of topics"
          value={count}
          range={{ min: 2, max: 50, whole: true }}
          onChange={(next) => change({ count: next })}
        />
        <Button size="small" aria-expanded={isTrying} onClick={() => setTrying(!isTrying)}>
          How many are good?
        </Button>
        <Select
          size="small"
          aria-label="Words of the topics"
          popupMatchSelectWidth={false}
          value={choices.asWritten ? 'written' : 'terms'}
          options={[
            { value: 'terms', label: 'terms, as concepts are made of' },
            { value: 'written', label: 'words as they are written' },
          ]}
          onChange={(words: string) => change({ asWritten: words === 'written' })}
        />
        <Button size="small" aria-expanded={isOwn} onClick={() => setOwn(!isOwn)}>
          Begin one with words of your own
        </Button>
        {choices.leftOut.length > 0 && (
          <button type="button" className="linklike" onClick={() => change({ leftOut: [] })}>
            {counted(choices.leftOut.length, 'word')} left out; take back
          </button>
        )}
      </div>
      {isOwn && (
        <OwnTopic
          onBegin={(words) => {
            change({ own: [...choices.own, words], count: Math.max(count, choices.own.length + 1) });
            setOwn(false);
          }}
        />
      )}
      {isTrying && <Numbers now={count} onPick={(next) => change({ count: next })} />}
      {!data && <p className="quiet">Sampling topics …</p>}
      {data && (
        <>
          <div className={styles.topics}>
            {data.topics.map((topic, i) => (
              <Topic key={i} topic={topic} number={i + 1} choices={choices} onChange={change} />
            ))}
          </div>
          <Mixtures data={data} />
        </>
      )}
    </div>
  );
}

/** Words a topic is to be begun with, typed with commas between. */
function OwnTopic({ onBegin }: { onBegin: (words: string[]) => void }) {
  const [text, setText] = useState('');
  const words = text
    .split(',')
    .map((word) => word.trim().toLowerCase())
    .filter((word) => word !== '');
  return (
    <div className="control-row">
      <Input
        size="small"
        autoFocus
        aria-label="Words of your own topic"
        placeholder="fare, wage, rent"
        maxLength={1000}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onPressEnter={() => words.length > 0 && onBegin(words)}
      />
      <Button size="small" type="primary" disabled={words.length === 0} onClick={() => onBegin(words)}>
        Begin it
      </Button>
    </div>
  );
}

/** Numbers of topics with how well each foretells what it has not seen, and how much its words belong together. */
function Numbers({ now, onPick }: { now: number; onPick: (count: number) => void }) {
  const { data } = useView('topicNumbers', null);
  if (!data) return <p className="quiet">Trying 2 to 20 topics …</p>;
  if (data.numbers.length === 0) return <p className="quiet">There is nothing to try topics on.</p>;
  const least = data.numbers.reduce((best, each) => (each.perplexity < best.perplexity ? each : best));
  const most = data.numbers.reduce((best, each) => (each.coherence > best.coherence ? each : best));
  return (
    <table className={`preview-table ${styles.numbers}`} aria-label="Numbers of topics">
      <thead>
        <tr>
          <th scope="col">topics</th>
          <th scope="col" title="Of words in stretches that were not learnt from; lower is better">
            perplexity
          </th>
          <th scope="col" title="Mean NPMI of the pairs of each topic’s ten first words; higher is better">
            coherence
          </th>
        </tr>
      </thead>
      <tbody>
        {data.numbers.map((each) => (
          <tr key={each.topics} className={each.topics === now ? styles.numberNow : undefined}>
            <td>
              <button type="button" className="linklike" onClick={() => onPick(each.topics)}>
                {each.topics}
              </button>
            </td>
            <td>
              {each.perplexity.toFixed(0)}
              {each === least && ' lowest'}
            </td>
            <td>
              {each.coherence.toFixed(2)}
              {each === most && ' highest'}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Topic({
  topic,
  number,
  choices,
  onChange,
}: {
  topic: TopicsView['topics'][number];
  number: number;
  choices: TopicChoices;
  onChange: (change: Partial<TopicChoices>) => void;
}) {
  const { selection, select } = useSelection();
  const most = largest(
    topic.words.map(({ share }) => share),
    1e-9,
  );
  const picked = selection?.kind === 'concept' ? selection.key : undefined;
  const found = topic.themes.filter(({ here, of }) => here >= of / 2);
  const keys = topic.words.map(({ key }) => key);
  const rename = (name: string): void => {
    if (keys.length === 0 || name.trim() === topic.name) return;
    const others = Object.entries(choices.names).filter(([word]) => word !== keys[0]);
    onChange({
      names: Object.fromEntries(name.trim() === '' ? others : [...others, [keys[0], name.trim()]]),
    });
  };
  return (
    <section className={styles.topic} aria-label={`Topic ${number}`}>
      <h3>
        {number}{' '}
        <input
          key={topic.name}
          className={styles.topicName}
          aria-label={`Name of topic ${number}`}
          placeholder={topic.isOwn ? 'begun by you' : 'name it'}
          maxLength={80}
          defaultValue={topic.name}
          onBlur={(event) => rename(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur();
          }}
        />
      </h3>
      <p className="quiet">
        {percent(topic.share)} of what is said ·{' '}
        {topic.isOwn ? (
          <button
            type="button"
            className="linklike"
            onClick={() => onChange({ own: choices.own.filter((_, i) => i !== number - 1) })}
          >
            leave it to the model
          </button>
        ) : (
          <button
            type="button"
            className="linklike"
            title="Leaves its first words out and models the rest again"
            onClick={() => onChange({ leftOut: [...new Set([...choices.leftOut, ...keys])] })}
          >
            drop it
          </button>
        )}
      </p>
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
