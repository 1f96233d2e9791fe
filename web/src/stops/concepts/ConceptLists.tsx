import { App, Button, Input } from 'antd';
import { useRef, useState } from 'react';
import { bareKey } from '@green-thicket/core/concepts/suggestions';
import { writeSynonyms } from '@green-thicket/core/concepts/synonyms';
import { counted } from '@green-thicket/core/base/wording';
import { wordsOf } from '@green-thicket/core/text/scan';
import { useAsk } from '../../engine/use-ask.ts';
import { useView } from '../../engine/use-view.ts';
import { AddInput } from '../../pieces/AddInput.tsx';
import { useStudy } from '../../pieces/study-context.ts';
import { useTellFault } from '../../pieces/use-fault.ts';
import { withoutNamed } from '@green-thicket/core/study/pseudonyms';
import { download, fileName } from '../../pieces/download.ts';
import { leftOutNames, useOutsideTitle, useRenamer } from '../../pieces/use-renamer.ts';
import styles from './ConceptLists.module.css';

/** Words of a report that are named; the rest is counted. */
const NAMED = 12;

/** Lists that come and go as plain text: synonyms and stop words; and a concept of the researcher's own words. */
export function ConceptLists() {
  const { state, decide } = useStudy();
  const { modal, message } = App.useApp();
  const renamer = useRenamer();
  const title = useOutsideTitle();
  const ask = useAsk();
  const tellFault = useTellFault();
  const synonyms = useRef<HTMLInputElement>(null);
  const stopWords = useRef<HTMLInputElement>(null);
  const merged = Object.keys(state.merges).length;

  const save = <T,>(ending: string, write: (list: T) => string, list: T): void => {
    const { value, gone } = withoutNamed(list, renamer);
    download(fileName(title, ending), write(value), 'text/plain');
    if (gone > 0) void message.info(leftOutNames(gone));
  };
  const textOf = async (file: File): Promise<string> => {
    const { decodeText } = await import('@green-thicket/core/formats/read/text-file');
    const decoded = decodeText(new Uint8Array(await file.arrayBuffer()));
    if (!decoded.ok) throw new Error(`${file.name}: ${decoded.reason}`);
    return decoded.text;
  };
  const named = (words: readonly string[]): string =>
    words.length <= NAMED
      ? words.join(', ')
      : `${words.slice(0, NAMED).join(', ')} and ${words.length - NAMED} more`;
  const applySynonyms = async (name: string, text: string, keep?: string): Promise<void> => {
    const { groups, absent, doubled, idleLines } = await ask('synonyms', { text });
    const variants = groups.reduce((sum, { keys }) => sum + keys.length, 0);
    if (groups.length > 0) decide({ kind: 'mergeMany', groups });
    if (keep !== undefined && groups.length > 0)
      decide({ kind: 'keepConcepts', keys: groups.map(({ into }) => into) });
    modal.info({
      title: `What ${name} did`,
      width: 560,
      content: (
        <div className="intake-report">
          <p>
            {variants === 0
              ? 'Nothing was merged.'
              : `${counted(variants, 'variant')} now count for ${counted(groups.length, 'concept')}. Undo parts them again.`}
          </p>
          {absent.length > 0 && (
            <p>
              {counted(absent.length, 'word or phrase', 'words or phrases')} stand nowhere in the texts:{' '}
              {named(absent.map(({ word }) => word))}.
            </p>
          )}
          {doubled.length > 0 && (
            <p>
              {counted(doubled.length, 'word')} stood in more than one line; the first counted:{' '}
              {named(doubled.map(({ word, line }) => `${word} (line ${line})`))}.
            </p>
          )}
          {idleLines.length > 0 && (
            <p>
              {counted(idleLines.length, 'line')} matched nothing: {named(idleLines.map(String))}.
            </p>
          )}
        </div>
      ),
    });
  };
  const addStopList = (file: File): void =>
    tellFault('The stop words were not read', async () => {
      const words = [...new Set((await textOf(file)).split(/[\s,;]+/).filter((word) => word !== ''))];
      const fresh = words.filter((word) => !state.stopWords.includes(word));
      if (fresh.length > 0) decide({ kind: 'addStopWords', words: fresh });
      modal.info({
        title: `What ${file.name} did`,
        content: `${counted(fresh.length, 'stop word')} came in; ${words.length - fresh.length} were there already.`,
      });
    });
  const chooser = (
    ref: React.RefObject<HTMLInputElement | null>,
    label: string,
    onFile: (file: File) => void,
  ) => (
    <input
      ref={ref}
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
  );
  return (
    <div className={`stack ${styles.conceptLists}`}>
      <h2 className="pane-title">Synonyms</h2>
      <p className="quiet">
        A concept a line: the main word, then its variants, with commas. wait* stands for all words that begin
        so.
      </p>
      <div className="button-row">
        <Button size="small" onClick={() => synonyms.current?.click()}>
          Use a file
        </Button>
        <Button
          size="small"
          disabled={merged === 0}
          title={merged === 0 ? 'Nothing is merged yet' : `${counted(merged, 'variant')} in it`}
          onClick={() => save('.synonyms.txt', writeSynonyms, state.merges)}
        >
          Save
        </Button>
      </div>
      {chooser(synonyms, 'Synonym file', (file) => {
        tellFault('The synonyms were not read', async () => applySynonyms(file.name, await textOf(file)));
      })}
      <OwnConcept
        onMake={(name, words) =>
          tellFault('The concept was not made', () =>
            applySynonyms(`the concept ${name}`, `${name}, ${words.join(', ')}`, name),
          )
        }
      />
      <h2 className="pane-title">Own stop words</h2>
      <div className="button-row">
        <Button size="small" onClick={() => stopWords.current?.click()}>
          Add from a file
        </Button>
        <Button
          size="small"
          disabled={state.stopWords.length === 0}
          onClick={() => save('.stop-words.txt', (words) => `${words.join('\n')}\n`, state.stopWords)}
        >
          Save
        </Button>
      </div>
      {chooser(stopWords, 'Stop word file', (file) => addStopList(file))}
      <SearchTerms />
    </div>
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
