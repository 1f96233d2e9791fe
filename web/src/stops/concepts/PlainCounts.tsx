import { inFigures } from '@green-thicket/core/base/wording';
import { useState } from 'react';
import { attributeNames } from '@green-thicket/core/study/groups';
import { shownSources } from '@green-thicket/core/study/subset';
import type { PlainCountsRow } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { FigureTable, type FigureColumn } from '../../pieces/FigureTable.tsx';
import { useStudy } from '../../pieces/study-context.ts';
import { Select } from '../../pieces/Select.tsx';

const FIGURES = [
  ['sources', 'Sources', 'How many sources are in the group'],
  ['words', 'Words', 'Words left once the text is clean'],
  ['differentWords', 'Different', 'Different words, as written'],
  ['sentences', 'Sentences', 'Sentences with a word in them'],
  ['paragraphs', 'Paragraphs', 'Paragraphs with a word in them'],
  ['turns', 'Turns', 'Turns of talk with a word in them'],
] as const;

const COLUMNS: readonly FigureColumn<PlainCountsRow>[] = [
  { key: 'name', title: 'Source or group', width: 150, value: (row) => row.name },
  ...FIGURES.map(([key, title, hint]): FigureColumn<PlainCountsRow> => ({
    key,
    title,
    hint,
    width: 80,
    value: (row) => row[key],
    render: (row) => inFigures(row[key]),
  })),
];

/** Plain counts of the collection by source, or by the groups of an attribute. */
export function PlainCounts() {
  const { state } = useStudy();
  const [attribute, setAttribute] = useState<string | null>(null);
  const sources = shownSources(state);
  const { data } = useView('plainCounts', { attribute });
  if (!data) return <p className="quiet">Counting …</p>;
  return (
    <>
      <div className="centre-bar">
        <Select
          size="small"
          aria-label="Counts by"
          value={attribute ?? ''}
          popupMatchSelectWidth={false}
          options={[
            { value: '', label: 'by source' },
            ...attributeNames(sources).map((name) => ({ value: name, label: `by ${name}` })),
          ]}
          onChange={(name: string) => setAttribute(name === '' ? null : name)}
        />
        <span className="quiet">
          {FIGURES.map(([key, title]) => `${inFigures(data.all[key])} ${title.toLowerCase()}`).join(', ')} in
          all
        </span>
      </div>
      <FigureTable label="Plain counts" columns={COLUMNS} rows={data.rows} rowKey={(row) => row.name} />
    </>
  );
}
