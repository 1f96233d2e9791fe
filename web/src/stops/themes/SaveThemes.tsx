import { Dropdown } from 'antd';
import { useAsk } from '../../engine/use-ask.ts';
import { download, fileName } from '../../pieces/download.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { useTellFault } from '../../pieces/use-fault.ts';
import { listEntries } from '../../store/notebook.ts';
import { useOutsideTitle } from '../../pieces/use-renamer.ts';

/** Themes for other programs of the trade, by an open standard: the codebook alone, or texts, codes and passages. */
export function SaveThemes() {
  const { id } = useStudy();
  const title = useOutsideTitle();
  const ask = useAsk();
  const tellFault = useTellFault();
  const save = (as: string): void =>
    tellFault('Nothing was saved', async () => {
      if (as === 'qdc') {
        const { bytes } = await ask('codebookFile', null);
        download(fileName(`${title} codebook`, '.qdc'), bytes, 'application/xml');
        return;
      }
      const { bytes } = await ask('projectFile', { notes: await listEntries(id) });
      download(fileName(title, '.qdpx'), bytes, 'application/zip');
    });
  return (
    <span className="centre-bar-end">
      <Dropdown
        trigger={['click']}
        autoFocus
        menu={{
          'aria-label': 'Save the themes',
          items: [
            { key: 'qdc', label: 'Codebook (.qdc): themes and concepts as codes' },
            { key: 'qdpx', label: 'Project (.qdpx): texts, codes, passages, attributes, memos' },
          ],
          onClick: ({ key }) => save(key),
        }}
      >
        <button
          type="button"
          className="linklike"
          aria-haspopup="menu"
          title="REFI-QDA, the open standard by which programs for qualitative work exchange projects"
        >
          For other programs
        </button>
      </Dropdown>
    </span>
  );
}
