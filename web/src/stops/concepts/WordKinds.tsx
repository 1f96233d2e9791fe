import { Checkbox, Segmented } from 'antd';
import { useMemo, useState } from 'react';
import { counted, inFigures } from '@green-thicket/core/base/wording';
import { WORD_KINDS, type WordKind } from '@green-thicket/core/text/words/parts-of-speech';
import { useView } from '../../engine/use-view.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { Select } from '../../pieces/Select.tsx';
import { ownValue } from '@green-thicket/core/base/records';
import { NameKinds } from './NameKinds.tsx';
import { useRows } from '../../pieces/use-rows.ts';
import styles from './WordKinds.module.css';
import shared from './concepts.module.css';

const ROW = 34;

/** Each kind in plain words with an example, and the setting that lets its words be concepts. */
const KIND_TEXTS: Readonly<
  Record<WordKind, { label: string; says: string; setting?: 'nouns' | 'verbs' | 'adjectives' | 'names' }>
> = {
  noun: { label: 'Nouns', says: 'things, people, ideas: a driver, the rain', setting: 'nouns' },
  verb: { label: 'Verbs', says: 'doings and states: wait, feel', setting: 'verbs' },
  adjective: { label: 'Adjectives', says: 'what something is like: late, safe', setting: 'adjectives' },
  name: { label: 'Names', says: 'people, places, organisations: Nadia, Mill Hill', setting: 'names' },
  other: { label: 'Other words', says: 'how, when, how much: slowly, twice' },
};

/** The kinds of words with the words taken for each; a wrong one is put right for the study. */
export function WordKinds() {
  const { state, decide } = useStudy();
  const { data, isPlaceholderData } = useView('wordKinds', null);
  const [shown, setShown] = useState<WordKind>();
  const [namesBy, setNamesBy] = useState<'kind' | 'word'>('kind');
  const byKind = useMemo(() => {
    const lists = new Map(
      WORD_KINDS.map((kind) => [kind, (data?.rows ?? []).filter((row) => row.kind === kind)]),
    );
    return (kind: WordKind) => lists.get(kind) ?? [];
  }, [data]);
  const rows = shown ? byKind(shown) : [];
  const { scroller, virtual } = useRows(rows.length, ROW);
  const { concepts } = state.settings;
  return (
    <>
      <ul
        className={`plain-list ${shown ? styles.kindsRow : styles.kindsList}${isPlaceholderData ? ' dimmed' : ''}`}
      >
        {WORD_KINDS.map((kind) => {
          const { label, says, setting } = KIND_TEXTS[kind];
          return (
            <li key={kind}>
              <Checkbox
                checked={setting ? concepts[setting] : false}
                disabled={!setting}
                aria-label={`${label} may be concepts`}
                title={setting ? 'Whether they may be concepts' : 'No concepts, but parts of phrases'}
                onChange={(event) =>
                  setting && decide({ kind: 'setConcepts', change: { [setting]: event.target.checked } })
                }
              />
              <button
                type="button"
                className="linklike"
                title={says}
                aria-expanded={shown === kind}
                onClick={() => setShown(shown === kind ? undefined : kind)}
              >
                {label}
              </button>{' '}
              <span className="quiet">
                {/* What each holds is told while none is open; then its words need the room. */}
                {data ? (shown ? inFigures(byKind(kind).length) : counted(byKind(kind).length, 'word')) : '…'}
                {!shown && ` · ${says}`}
              </span>
            </li>
          );
        })}
      </ul>
      {shown === 'name' && (
        <Segmented<typeof namesBy>
          size="small"
          aria-label="Names whole or word by word"
          value={namesBy}
          options={[
            { value: 'kind', label: 'Whole' },
            { value: 'word', label: 'Word by word' },
          ]}
          onChange={setNamesBy}
        />
      )}
      {shown === 'name' && namesBy === 'kind' && <NameKinds />}
      {shown && !(shown === 'name' && namesBy === 'kind') && (
        <div
          ref={scroller}
          className={shared.scrollList}
          role="group"
          aria-label={`Words taken for ${KIND_TEXTS[shown].label.toLowerCase()}`}
          tabIndex={-1}
        >
          {data && rows.length === 0 && <p className="quiet">No word was taken for this.</p>}
          <ul className={`plain-list ${shared.ledgerRows}`} style={{ height: virtual.getTotalSize() }}>
            {virtual.getVirtualItems().map(({ index, start }) => {
              const row = rows[index];
              return (
                <li key={row.word} className={styles.kindRow} style={{ transform: `translateY(${start}px)` }}>
                  <span
                    className="row-name"
                    title={row.term === row.word ? undefined : `counts for ${row.term}`}
                  >
                    {row.word}
                    {ownValue(state.wordKinds, row.word) && <span className={shared.rowFlag}> by you</span>}
                  </span>
                  <span className="row-figure">{inFigures(row.mentions)}</span>
                  <Select<WordKind | 'found'>
                    size="small"
                    variant="borderless"
                    aria-label={`What ${row.word} is`}
                    value={row.kind}
                    popupMatchSelectWidth={false}
                    options={[
                      ...WORD_KINDS.map((kind) => ({
                        value: kind,
                        label: KIND_TEXTS[kind].label.toLowerCase(),
                      })),
                      ...(ownValue(state.wordKinds, row.word)
                        ? [{ value: 'found' as const, label: 'as it was found' }]
                        : []),
                    ]}
                    onChange={(as) =>
                      decide({ kind: 'setWordKind', words: [row.word], as: as === 'found' ? null : as })
                    }
                  />
                </li>
              );
            })}
          </ul>
        </div>
      )}
      {!shown && (
        <p className="quiet">
          Open a kind to see every word taken for it; a wrong one can be put right there.
        </p>
      )}
    </>
  );
}
