import { Dropdown } from 'antd';
import { withDrawnWords } from '@green-thicket/core/formats/write/document';
import { useRenamer } from './use-renamer.ts';
import { keepDrawing } from './drawings.ts';
import { saveTable, type SavedTable } from './save-table.ts';
import { useStudy } from './study-context.ts';
import { useTellFault } from './use-fault.ts';

const SCALES = [1, 2, 3, 4] as const;

const renamedTable = ({ head, rows }: SavedTable, rename: (text: string) => string): SavedTable => ({
  head: head.map(rename),
  rows: rows.map((row) => row.map((cell) => (typeof cell === 'string' ? rename(cell) : cell))),
});

/** Saves what is shown: its numbers as a table, its drawing as a drawing or a picture. */
export function SaveMenu({
  name,
  table,
  drawing,
  label = 'Save',
}: {
  name: string;
  table?: () => SavedTable;
  /** Makes the drawing as a standing SVG. */
  drawing?: () => string;
  label?: string;
}) {
  const { state } = useStudy();
  const tellFault = useTellFault();
  const { renameAnyCase } = useRenamer();
  const title = renameAnyCase(`${state.title} ${name}`);
  const save = (as: string): void =>
    tellFault('Nothing was saved', async () => {
      if (as === 'csv' || as === 'xlsx') {
        if (table) await saveTable(title, as, renamedTable(table(), renameAnyCase));
      } else if (drawing) {
        const drawn = withDrawnWords(drawing(), renameAnyCase);
        await keepDrawing(title, drawn, as === 'svg' || as === 'copy' ? as : { scale: Number(as) });
      }
    });
  return (
    <span className="centre-bar-end">
      <Dropdown
        trigger={['click']}
        autoFocus
        menu={{
          'aria-label': `Save ${name}`,
          items: [
            ...(table
              ? [
                  { key: 'csv', label: 'Table (.csv)' },
                  { key: 'xlsx', label: 'Workbook (.xlsx)' },
                ]
              : []),
            ...(drawing
              ? [
                  { key: 'svg', label: 'Drawing (.svg)' },
                  ...SCALES.map((scale) => ({
                    key: String(scale),
                    label: `Picture (.png), ${scale} × size`,
                  })),
                  { key: 'copy', label: 'Copy the picture' },
                ]
              : []),
          ],
          onClick: ({ key }) => save(key),
        }}
      >
        <button type="button" className="linklike" aria-haspopup="menu">
          {label}
        </button>
      </Dropdown>
    </span>
  );
}
