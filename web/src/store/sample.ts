import { readCsv } from '@green-thicket/core/formats/csv';
import { tidyText } from '@green-thicket/core/formats/read/text-file';
import { makeSource } from '@green-thicket/core/intake/sources';
import table from '../../../demo/night-buses/attributes.csv?raw';
import survey from '../../../demo/night-buses-survey/survey.csv?raw';
import { addSources, createStudy } from './studies.ts';

const texts = import.meta.glob<string>('../../../demo/night-buses/*.txt', {
  query: '?raw',
  import: 'default',
  eager: true,
});

import { SAMPLE_TITLE } from './sample-title.ts';
import { byCodeUnits } from '@green-thicket/core/base/order';

/** Makes a study of the sample interviews and returns its id. */
export async function createSampleStudy(): Promise<string> {
  const { header, rows } = readCsv(table);
  const attributesOf = new Map(
    rows.map((row) => [row[0], Object.fromEntries(header.slice(1).map((name, i) => [name, row[i + 1]]))]),
  );
  const id = await createStudy(SAMPLE_TITLE);
  await addSources(
    id,
    Object.entries(texts)
      .sort(([a], [b]) => byCodeUnits(a, b))
      .map(([path, typed]) => {
        const name = path.slice(path.lastIndexOf('/') + 1);
        const text = tidyText(typed);
        return { source: makeSource(name, text, attributesOf.get(name)), text };
      }),
    { types: { date: 'date' } },
  );
  return id;
}

/** The sample's second part, as the file it is: an open survey question, a row an answer. */
export function sampleSurvey(): File {
  return new File([survey], 'survey.csv', { type: 'text/csv' });
}
