import { App } from 'antd';
import { useCallback } from 'react';
import { counted } from '@green-thicket/core/base/wording';
import { indexOfLetter, letterAt } from '@green-thicket/core/themes/letters';
import type { ThemeRow } from '@green-thicket/core/views/view-types';
import { useAsk } from '../../engine/use-ask.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { useTellFault } from '../../pieces/use-fault.ts';

/** Splits a theme into the parts it falls into by the links inside it; the largest keeps the letter. */
export function useSplit(): (theme: ThemeRow, nextLetter: string) => void {
  const ask = useAsk();
  const tellFault = useTellFault();
  const { decide } = useStudy();
  const { message } = App.useApp();
  return useCallback(
    (theme, nextLetter) =>
      tellFault('The theme was not split', async () => {
        const { parts } = await ask('themeParts', { letter: theme.letter });
        if (parts.length < 2) {
          void message.info(
            theme.concepts.length < 4
              ? `Theme ${theme.letter} has ${counted(theme.concepts.length, 'concept')}, too few to split.`
              : `Theme ${theme.letter} does not fall into parts: its concepts all keep the same company.`,
          );
          return;
        }
        const next = indexOfLetter(nextLetter);
        decide({
          kind: 'beginThemes',
          themes: parts.slice(1).map((part, i) => ({
            letter: letterAt(next + i),
            keys: part.map(({ key }) => key),
          })),
          grows: false,
        });
      }),
    [ask, decide, message, tellFault],
  );
}
