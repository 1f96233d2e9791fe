import { App, Button, Input } from 'antd';
import { useRef, useState } from 'react';
import { bareKey } from '@green-thicket/core/concepts/suggestions';
import { counted } from '@green-thicket/core/base/wording';
import { wordsOf } from '@green-thicket/core/text/scan';
import { useView } from '../../engine/use-view.ts';
import { AddInput } from '../../pieces/AddInput.tsx';
import { useStudy } from '../../pieces/study-context.ts';
import { useListFiles } from './use-list-files.tsx';
import styles from './ConceptLists.module.css';

/** Lists that come and go as plain text: synonyms and stop words; and a concept of the researcher's own words. */
export function ConceptLists() {
  const { state } = useStudy();
  const lists = useListFiles();
  const merged = Object.keys(state.merges).length;
  return (
    <div className={`stack ${styles.conceptLists}`}>
      <h2 className="pane-title">Synonyms</h2>
      <p className="quiet">
        A concept a line: the main word, then its variants, with commas. wait* stands for all words that begin
        so.
      </p>
      <div className="button-row">
        <FileButton says="Use a file" label="Synonym file" onFile={lists.takeSynonyms} />
        <Button
          size="small"
          disabled={merged === 0}
          title={merged === 0 ? 'Nothing is merged yet' : `${counted(merged, 'variant')} in it`}
          onClick={() => lists.saveSynonyms()}
        >
          Save
        </Button>
      </div>
      <OwnConcept onMake={lists.makeConcept} />
      <h2 className="pane-title">Own stop words</h2>
      <div className="button-row">
        <FileButton says="Add from a file" label="Stop word file" onFile={lists.takeStopWords} />
        <Button size="small" disabled={state.stopWords.length === 0} onClick={() => lists.saveStopWords()}>
          Save
        </Button>
      </div>
      <SearchTerms />
    </div>
  );
}

/** A button that asks for a list as a text file. */
function FileButton({ says, label, onFile }: { says: string; label: string; onFile: (file: File) => void }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button size="small" onClick={() => input.current?.click()}>
        {says}
      </Button>
      <input
        ref={input}
        type="file"
        accept=".txt,.csv,text/plain"
        hidden
        aria-label={label}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
    </>
  );
}

function OwnConcept({ onMake }: { onMake: (name: string, words: readonly string[]) => void }) {
  const [name, setName] = useState('');
  const [words, setWords] = useState('');
  const list = words
    .split(',')
    .map((word) => word.trim())
    .filter((word) => word !== '');
  const make = (): void => {
    if (name.trim() === '' || list.length === 0) return;
    onMake(name.trim(), list);
    setName('');
    setWords('');
  };
  return (
    <>
      <h2 className="pane-title">A concept of your own words</h2>
      <Input
        size="small"
        aria-label="Name of the concept"
        placeholder="Name, such as weather"
        value={name}
        maxLength={100}
        onChange={(event) => setName(event.target.value)}
      />
      <Input
        size="small"
        aria-label="Its words and phrases"
        placeholder="rain, cold wind, snow*"
        value={words}
        maxLength={5000}
        onChange={(event) => setWords(event.target.value)}
        onPressEnter={make}
      />
      <Button size="small" disabled={name.trim() === '' || list.length === 0} onClick={make}>
        Make it and keep it
      </Button>
    </>
  );
}

/** What the texts were collected by says nothing of them: it is set aside with all its forms. */
function SearchTerms() {
  const { state, decide } = useStudy();
  const { data } = useView('concepts', null);
  const { message } = App.useApp();
  const setAside = (term: string): boolean => {
    const words = wordsOf(term).map((word) => word.toLowerCase());
    if (words.length === 0) return false;
    if (words.length === 1) {
      if (!state.stopWords.includes(words[0])) decide({ kind: 'addStopWords', words });
      return true;
    }
    // The words of a phrase are left alone: a night shift is no night bus.
    const wanted = bareKey(words.join(' '));
    const keys = (data?.rows ?? []).map((row) => row.key).filter((key) => bareKey(key) === wanted);
    if (keys.length === 0) {
      void message.info(`“${term}” is no concept here, however it is written.`);
      return false;
    }
    decide({ kind: 'dropConcepts', keys });
    void message.info(`Set aside: ${keys.join(', ')}.`);
    return true;
  };
  return (
    <AddInput
      label="What the texts were collected by"
      placeholder="Collected by …, such as night bus"
      title="A search term is in every text and tells them apart too little. It is set aside in all its forms."
      action="Set aside"
      longest={200}
      onAdd={setAside}
    />
  );
}
