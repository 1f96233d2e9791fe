import { Button, Dropdown } from 'antd';
import { useAsk } from '../../engine/use-ask.ts';
import { useTellFault } from '../../pieces/use-fault.ts';
import { download, fileName } from '../../pieces/download.ts';
import { useOutsideTitle } from '../../pieces/use-renamer.ts';

/** The cleaned text of all sources, as files to take along. */
export function CleanedExport() {
  const title = useOutsideTitle();
  const ask = useAsk();
  const tellFault = useTellFault();
  const save = (as: 'zip' | 'csv'): void =>
    tellFault('Nothing was saved', async () => {
      const { bytes } = await ask('cleanedFile', { as });
      const type = as === 'zip' ? 'application/zip' : 'text/csv';
      download(fileName(`${title} cleaned`, `.${as}`), bytes, type);
    });
  return (
    <Dropdown
      trigger={['click']}
      menu={{
        'aria-label': 'Save cleaned text',
        items: [
          { key: 'zip', label: 'Texts: one .txt a source, in a .zip' },
          { key: 'csv', label: 'Table: one .csv with the attributes' },
        ],
        onClick: ({ key }) => save(key === 'zip' ? 'zip' : 'csv'),
      }}
    >
      <Button>Save cleaned text</Button>
    </Dropdown>
  );
}
