import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { TAGGING } from '@green-thicket/core/languages/languages';
import { SentenceTags } from '@green-thicket/core/text/words/sentence-tags';
import { bringTags, keepTags } from '../src/engine/kept-tags.ts';
import { databaseOf, type StudyDatabase } from '../src/store/database.ts';
import { createStudy, deleteStudy } from '../src/store/studies.ts';

/** Tags of which one more sentence is tagged when they are shown, unless it is known. */
function watched(): { tags: SentenceTags; asked: string[]; shown: () => string[] } {
  const asked: string[] = [];
  const tags = new SentenceTags();
  const shown = (): string[] => {
    if (!tags.has('text-1', 0)) {
      asked.push('text-1');
      tags.put('text-1', 0, 'zorgles0 run1');
    }
    const words: string[] = [];
    tags.visit('text-1', 0, (word, part) => words.push(`${word} ${part}`));
    return words;
  };
  return { tags, asked, shown };
}

describe('parts of speech kept in the browser', () => {
  let id: string;
  let database: StudyDatabase;
  beforeEach(async () => {
    id = await createStudy('s');
    const found = await databaseOf(id);
    if (!found) throw new Error('The study is not here.');
    database = found;
  });
  afterEach(() => deleteStudy(id));

  it('are brought back source by source, for their own study', async () => {
    const first = watched();
    const words = first.shown();
    await keepTags(first.tags, id);
    const again = watched();
    await bringTags(again.tags, id);
    expect(again.shown()).to.deep.equal(words);
    expect(again.asked).to.deep.equal([]);
    const other = watched();
    const second = await createStudy('other');
    await bringTags(other.tags, second);
    await deleteStudy(second);
    other.shown();
    expect(other.asked).to.have.length(1);
  });

  it('are written only where something new was found', async () => {
    const { tags, shown } = watched();
    await keepTags(tags, id);
    expect(await database.results.count()).to.equal(0);
    shown();
    await keepTags(tags, id);
    await database.results.clear();
    shown();
    await keepTags(tags, id);
    expect(await database.results.count()).to.equal(0);
  });

  it('are found anew where a row is of another way or holds something else', async () => {
    const bad: readonly [string, unknown][] = [
      ['0', new Map([[0, 'run0']])],
      [TAGGING, 'run0'],
      [TAGGING, new Map([['0', 'run0']])],
      [TAGGING, new Map([[0, 7]])],
    ];
    for (const [hash, result] of bad) {
      await database.results.put({ stage: 'tags of text-1', hash, result });
      const { tags, asked, shown } = watched();
      await bringTags(tags, id);
      shown();
      expect(asked, JSON.stringify([hash, result])).to.have.length(1);
    }
  });

  it('that find no room are no fault', async () => {
    const { tags, shown } = watched();
    const words = shown();
    const put = database.results.bulkPut.bind(database.results);
    const { warn } = console;
    const warned: unknown[] = [];
    console.warn = (...what: unknown[]) => void warned.push(what[0]);
    database.results.bulkPut = () => {
      throw new Error('QuotaExceededError');
    };
    try {
      await keepTags(tags, id);
    } finally {
      database.results.bulkPut = put;
      console.warn = warn;
    }
    expect(warned).to.deep.equal(['Parts of speech were not kept']);
    expect(shown()).to.deep.equal(words);
  });
});
