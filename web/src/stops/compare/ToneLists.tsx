import { App, Button, Dropdown } from 'antd';
import { useRef } from 'react';
import { counted } from '@green-thicket/core/base/wording';
import { readToneList } from '@green-thicket/core/compare/tone-lists';
import { readAlone } from '../../engine/file-reader.ts';
import type { ToneView } from '@green-thicket/core/views/view-types';
import { useStudy } from '../../pieces/study-context.ts';
import { useTellFault } from '../../pieces/use-fault.ts';

/** A list of one’s own comes in from a file: word, category, weight; one that is in can be taken away. */
export function ToneLists({ lists, onAdded }: { lists: ToneView['lists']; onAdded: (name: string) => void }) {
  const { decide } = useStudy();
  const { modal } = App.useApp();
  const tellFault = useTellFault();
  const field = useRef<HTMLInputElement>(null);
  const own = lists.filter((list) => list.own);
  const bring = (file: File): void =>
    tellFault('The list was not brought in', async () => {
      const name = file.name.replace(/\.[^.]*$/, '').slice(0, 200) || 'my list';
      // A text with one word a line is a table of one column.
      const asTable = /\.(?:csv|tsv|xls[xm]|ods)$/i.test(file.name) ? file.name : `${name}.csv`;
      const { tables, refused } = await readAlone(asTable, file);
      if (tables.length === 0)
        throw new Error(refused[0]?.reason ?? 'It is no table. Save it as .csv: word, category, weight.');
      const { entries, faults } = readToneList(tables[0].sheets[0].rows);
      if (entries.length === 0) {
        throw new Error(
          `No word in it can be used. ${faults.join(' ')} A line is a word, a category and a number, with commas between.`,
        );
      }
      decide({ kind: 'addToneList', name, entries });
      onAdded(name);
      if (faults.length > 0) {
        modal.info({
          title: `${name}: ${counted(entries.length, 'word')} came in`,
          content: faults.map((fault) => <p key={fault}>{fault}</p>),
        });
      }
    });
  return (
    <>
      <input
        ref={field}
        type="file"
        className="visually-hidden"
        tabIndex={-1}
        aria-label="File with a tone list"
        accept=".csv,.tsv,.txt,.xlsx,.ods"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) bring(file);
        }}
      />
      <Button
        size="small"
        title="A table with a word, a category (such as fear; left out: good and bad) and a weight (below 0: against it) in each line"
        onClick={() => field.current?.click()}
      >
        Add your own list
      </Button>
      {own.length > 0 && (
        <Dropdown
          trigger={['click']}
          autoFocus
          menu={{
            'aria-label': 'Take a list away',
            items: own.map(({ name }) => ({ key: name, label: name })),
            onClick: ({ key }) => decide({ kind: 'removeToneList', name: key }),
          }}
        >
          <button type="button" className="linklike" aria-haspopup="menu">
            Take one away
          </button>
        </Dropdown>
      )}
    </>
  );
}
