import { App } from 'antd';
import { writeSynonyms } from '@green-thicket/core/concepts/synonyms';
import { counted } from '@green-thicket/core/base/wording';
import { withoutNamed } from '@green-thicket/core/study/pseudonyms';
import type { SynonymReport } from '@green-thicket/core/concepts/synonyms';
import { useAsk } from '../../engine/use-ask.ts';
import { download, fileName } from '../../pieces/download.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { useTellFault } from '../../pieces/use-fault.ts';
import { leftOutNames, useOutsideTitle, useRenamer } from '../../pieces/use-renamer.ts';

/** Words of a report that are named; the rest is counted. */
const NAMED = 12;

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

/** Takes in and saves the lists of the study, synonyms and stop words, and says what each file did. */
export function useListFiles() {
  const { state, decide } = useStudy();
  const { modal, message } = App.useApp();
  const renamer = useRenamer();
  const title = useOutsideTitle();
  const ask = useAsk();
  const tellFault = useTellFault();
  const save = <T,>(ending: string, write: (list: T) => string, list: T): void => {
    const { value, gone } = withoutNamed(list, renamer);
    download(fileName(title, ending), write(value), 'text/plain');
    if (gone > 0) void message.info(leftOutNames(gone));
  };
  const applySynonyms = async (name: string, text: string, keep?: string): Promise<void> => {
    const came = await ask('synonyms', { text });
    const { groups } = came;
    if (groups.length > 0) decide({ kind: 'mergeMany', groups });
    if (keep !== undefined && groups.length > 0)
      decide({ kind: 'keepConcepts', keys: groups.map(({ into }) => into) });
    modal.info({
      title: `What ${name} did`,
      width: 560,
      content: <WhatItDid came={came} />,
    });
  };
  const addStopWords = async (file: File): Promise<void> => {
    const words = [...new Set((await textOf(file)).split(/[\s,;]+/).filter((word) => word !== ''))];
    const fresh = words.filter((word) => !state.stopWords.includes(word));
    if (fresh.length > 0) decide({ kind: 'addStopWords', words: fresh });
    modal.info({
      title: `What ${file.name} did`,
      content: `${counted(fresh.length, 'stop word')} came in; ${words.length - fresh.length} were there already.`,
    });
  };
  return {
    takeSynonyms: (file: File) =>
      tellFault('The synonyms were not read', async () => applySynonyms(file.name, await textOf(file))),
    saveSynonyms: () => save('.synonyms.txt', writeSynonyms, state.merges),
    takeStopWords: (file: File) => tellFault('The stop words were not read', () => addStopWords(file)),
    saveStopWords: () => save('.stop-words.txt', (words) => `${words.join('\n')}\n`, state.stopWords),
    /** Makes a concept of words of the researcher's own, and keeps it. */
    makeConcept: (name: string, words: readonly string[]) =>
      tellFault('The concept was not made', () =>
        applySynonyms(`the concept ${name}`, `${name}, ${words.join(', ')}`, name),
      ),
  };
}

/** What a list of synonyms did, and what in it did nothing. */
function WhatItDid({ came }: { came: SynonymReport }) {
  const { groups, absent, doubled, idleLines } = came;
  const variants = groups.reduce((sum, { keys }) => sum + keys.length, 0);
  return (
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
  );
}
