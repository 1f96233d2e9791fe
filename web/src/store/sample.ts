import { readCsv } from '@green-thicket/core/formats/csv';
import { tidyText } from '@green-thicket/core/formats/read/text-file';
import { makeSource } from '@green-thicket/core/intake/sources';
import germanTable from '../../../demo/nachtbus/merkmale.csv?raw';
import table from '../../../demo/night-buses/attributes.csv?raw';
import survey from '../../../demo/night-buses-survey/survey.csv?raw';
import { addSources, createStudy } from './studies.ts';

const GERMAN_TEXTS = import.meta.glob<string>('../../../demo/nachtbus/*.txt', {
  query: '?raw',
  import: 'default',
  eager: true,
});
const TEXTS = import.meta.glob<string>('../../../demo/night-buses/*.txt', {
  query: '?raw',
  import: 'default',
  eager: true,
});

import { GERMAN_SAMPLE_TITLE, SAMPLE_TITLE } from './sample-title.ts';
import { byCodeUnits } from '@green-thicket/core/base/order';

/** Makes a study of the sample interviews and returns its id. */
export const createSampleStudy = (): Promise<string> => sampleStudy(SAMPLE_TITLE, TEXTS, table);

/** The same of the interviews in German. */
export const createGermanSampleStudy = (): Promise<string> =>
  sampleStudy(GERMAN_SAMPLE_TITLE, GERMAN_TEXTS, germanTable);

/** @param attributes a table whose first column names the texts */
async function sampleStudy(
  title: string,
  texts: Readonly<Record<string, string>>,
  attributes: string,
): Promise<string> {
  const { header, rows } = readCsv(attributes);
  const attributesOf = new Map(
    rows.map((row) => [row[0], Object.fromEntries(header.slice(1).map((name, i) => [name, row[i + 1]]))]),
  );
  const id = await createStudy(title);
  await addSources(
    id,
    Object.entries(texts)
      .sort(([a], [b]) => byCodeUnits(a, b))
      .map(([path, typed]) => {
        const name = path.slice(path.lastIndexOf('/') + 1);
        const text = tidyText(typed);
        return { source: makeSource(name, text, attributesOf.get(name)), text };
      }),
    { types: header.includes('date') ? { date: 'date' } : {} },
  );
  return id;
}

/** The sample's second part, as the file it is: an open survey question, a row an answer. */
export function sampleSurvey(): File {
  return new File([survey], 'survey.csv', { type: 'text/csv' });
}
