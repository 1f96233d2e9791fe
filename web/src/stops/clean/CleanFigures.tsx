import { inFigures } from '@green-thicket/core/base/wording';
import { Segmented } from 'antd';
import { useState } from 'react';
import { packCloud } from '@green-thicket/core/map/cloud';
import type { TextPlace, WordFigures } from '@green-thicket/core/views/view-types';
import { useAsk } from '../../engine/use-ask.ts';
import { useView } from '../../engine/use-view.ts';
import { useTellFault } from '../../pieces/use-fault.ts';
import { FONTS } from '../../theme.ts';
import { DRAWN } from '../../pieces/drawn-colours.ts';
import { scaledType } from '../../pieces/scaled-type.ts';
import styles from './CleanFigures.module.css';

const BARS = 20;
const CLOUD = { width: 360, height: 330 };

/** Before and after by figures: words, different words, and the most frequent of each, as bars or as a packed cloud. */
export function CleanFigures({ onShow }: { onShow: (title: string, places: readonly TextPlace[]) => void }) {
  const { data, isPlaceholderData } = useView('cleaningFigures', null);
  const [face, setFace] = useState<'bars' | 'cloud'>('bars');
  const ask = useAsk();
  const tellFault = useTellFault();
  const show = (word: string, cleaned: boolean): void =>
    tellFault('The word could not be looked up', async () => {
      const { places } = await ask('wordPlaces', { word, cleaned });
      onShow(`“${word}”`, places);
    });
  if (!data) return <p className="quiet">Counting words …</p>;
  const sides = [
    { name: 'As it came', figures: data.before, cleaned: false },
    { name: 'Cleaned', figures: data.after, cleaned: true },
  ];
  return (
    <div className={isPlaceholderData ? 'dimmed' : undefined}>
      <Segmented
        size="small"
        aria-label="Bars or cloud"
        value={face}
        options={[
          { value: 'bars', label: 'Bars' },
          { value: 'cloud', label: 'Cloud' },
        ]}
        onChange={setFace}
      />
      <div className={styles.figuresSides}>
        {sides.map(({ name, figures, cleaned }) => (
          <section key={name} aria-label={name}>
            <h2 className="pane-title">{name}</h2>
            <p>
              <strong>{inFigures(figures.words)}</strong> words,{' '}
              <strong>{inFigures(figures.different)}</strong> different
            </p>
            {face === 'bars' ? (
              <WordBars figures={figures} onPick={(word) => show(word, cleaned)} />
            ) : (
              <WordCloud figures={figures} onPick={(word) => show(word, cleaned)} />
            )}
          </section>
        ))}
      </div>
    </div>
  );
}

function WordBars({ figures, onPick }: { figures: WordFigures; onPick: (word: string) => void }) {
  const most = figures.top[0]?.count ?? 1;
  return (
    <ol className={`plain-list ${styles.wordBars}`}>
      {figures.top.slice(0, BARS).map(({ word, count }) => (
        <li key={word}>
          <button type="button" title="Show it in the text" onClick={() => onPick(word)}>
            <span className={styles.wordBarName}>{word}</span>
            <span className={styles.wordBar} style={{ width: `${(100 * count) / most}px` }} />
            <span className="row-figure">{inFigures(count)}</span>
          </button>
        </li>
      ))}
    </ol>
  );
}

function WordCloud({ figures, onPick }: { figures: WordFigures; onPick: (word: string) => void }) {
  const words = packCloud(
    figures.top.map(({ word, count }) => ({ text: word, weight: count })),
    CLOUD,
  );
  return (
    <svg
      className={styles.wordCloud}
      viewBox={`0 0 ${CLOUD.width} ${CLOUD.height}`}
      role="group"
      aria-label="The most frequent words; the larger, the more frequent"
    >
      {words.map(({ index, text, x, y, size }) => (
        <text
          key={text}
          {...scaledType(x, y, size)}
          fontFamily={FONTS.sans}
          fontWeight={650}
          fill={DRAWN.moss}
          textAnchor="middle"
          dominantBaseline="central"
          role="button"
          tabIndex={0}
          onClick={() => onPick(text)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') onPick(text);
          }}
        >
          {text}
          <title>{`${text}: ${inFigures(figures.top[index].count)}`}</title>
        </text>
      ))}
    </svg>
  );
}
