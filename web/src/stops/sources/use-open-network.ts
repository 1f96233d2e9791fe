import { App } from 'antd';
import { useCallback } from 'react';
import { counted } from '@green-thicket/core/base/wording';
import { intakeWorker } from '../../engine/client.ts';
import type { FileToRead } from '../../engine/protocol.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { whileBringingIn } from '../../store/bringing-in.ts';

/** Opens a network that was made elsewhere, and says what came in. */
export function useOpenNetwork(): (file: FileToRead) => void {
  const { id, decide } = useStudy();
  const { modal, message } = App.useApp();
  return useCallback(
    ({ name, file }: FileToRead) => {
      whileBringingIn(id, async () => {
        const { network, notes } = await intakeWorker.readNetwork(file, name);
        decide({ kind: 'openNetwork', network });
        const links = network.links.split('\n').length;
        const came = `${counted(network.concepts.length, 'concept')} and ${counted(links, 'link')} came in.`;
        if (notes.length === 0) void message.success(came);
        else modal.info({ title: 'What came in', content: [came, ...notes].join(' ') });
      }).catch((error: unknown) => {
        modal.error({
          title: 'The network was not opened',
          content: `${name}: ${error instanceof Error ? error.message : String(error)}`,
        });
      });
    },
    [id, decide, message, modal],
  );
}
