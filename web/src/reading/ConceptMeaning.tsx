import { Button } from 'antd';
import { useState } from 'react';
import { LANGUAGE_OF } from '@green-thicket/core/languages/languages';
import { counted } from '@green-thicket/core/base/wording';
import { useView } from '../engine/use-view.ts';
import { useSelection } from '../pieces/selection.ts';
import { useStudy } from '../pieces/study-context.ts';
import styles from './ConceptMeaning.module.css';

/**
 * What the concept that is read can mean, by a dictionary: asked for, since its own passages come first; and not offered where
 * the study is read in a language the dictionary is not of.
 */
export function ConceptMeaning({ conceptKey }: { conceptKey: string }) {
  const read = useView('languagesRead', null).data?.read ?? [];
  const [isOpen, setOpen] = useState(false);
  const [dictionary] = read.flatMap((code) => LANGUAGE_OF[code].dictionary ?? []);
  if (dictionary === undefined) return null;
  return (
    <div>
      <button
        type="button"
        className="linklike"
        aria-expanded={isOpen}
        title={`Definitions, examples and synonyms from ${dictionary}`}
        onClick={() => setOpen(!isOpen)}
      >
        What it can mean
      </button>
      {isOpen && <Meanings conceptKey={conceptKey} dictionary={dictionary} />}
    </div>
  );
}

function Meanings({ conceptKey, dictionary }: { conceptKey: string; dictionary: string }) {
  const { data } = useView('meaning', { key: conceptKey });
  if (!data) return <p className="quiet">Looking it up …</p>;
  if (data.meanings.length === 0) return <p className="quiet">{`${dictionary} does not know it.`}</p>;
  return (
    <ol className={styles.meanings} aria-label={`What ${conceptKey} can mean`}>
      {data.meanings.map(({ part, definition, examples, synonyms }) => (
        <li key={`${part} ${definition}`}>
          <span className="quiet">{part}</span> {definition}
          {examples.length > 0 && <span className={styles.example}> “{examples[0]}”</span>}
          {synonyms.length > 0 && (
            <ul className={styles.synonyms} aria-label="Synonyms">
              {synonyms.map(({ word, mentions }) => (
                <li key={word}>
                  {mentions > 0 ? (
                    <Synonym conceptKey={conceptKey} word={word} mentions={mentions} />
                  ) : (
                    <span className="quiet">{word}</span>
                  )}
                </li>
              ))}
            </ul>
          )}
        </li>
      ))}
    </ol>
  );
}

/** A synonym that occurs in the texts: seen beside the concept, or merged with it. */
function Synonym({ conceptKey, word, mentions }: { conceptKey: string; word: string; mentions: number }) {
  const { decide } = useStudy();
  const { select } = useSelection();
  return (
    <>
      <button
        type="button"
        className="linklike"
        title="Every line with either, side by side"
        onClick={() => select({ kind: 'several', keys: [conceptKey, word], how: 'any' }, undefined, 'lines')}
      >
        {word}
      </button>{' '}
      <span className="quiet">{counted(mentions, 'mention')}</span>{' '}
      <Button
        size="small"
        aria-label={`Merge ${word} into ${conceptKey}`}
        onClick={() => decide({ kind: 'mergeConcepts', into: conceptKey, keys: [word] })}
      >
        Merge
      </Button>
    </>
  );
}
