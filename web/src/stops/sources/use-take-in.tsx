import { useCallback, useState } from 'react';
import { typesOf } from '@green-thicket/core/study/attributes';
import type { StudySource } from '@green-thicket/core/study/study';
import { intakeWorker } from '../../engine/client.ts';
import type { HeldTable, ReadReport } from '../../engine/protocol.ts';
import { catchLostFocus } from '../../pieces/focus-centre.ts';
import { useNotice } from '../../pieces/notice.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { keepEntries } from '../../store/notebook.ts';
import { recordSources } from '../../store/studies.ts';
import { IntakeDetails, intakeSaid } from './IntakeReport.tsx';
import type { TableAnswer } from './TableDialog.tsx';

/** A table whose columns are to be chosen, with the sources that came in before it. */
export interface AskedTable {
  readonly table: HeldTable;
  /** Which of how many it is. */
  readonly which: readonly [number, number];
  readonly brought: readonly StudySource[];
  readonly answer: (answer: TableAnswer) => void;
}

/** Takes in what was read of files; `asked` is the table it waits to be told of. */
export function useTakeIn(): {
  readonly asked: AskedTable | undefined;
  readonly takeIn: (read: ReadReport) => Promise<void>;
} {
  const { id, decide } = useStudy();
  const say = useNotice();
  const [asked, setAsked] = useState<AskedTable>();
  /** Records what was read, asks about its tables one after the other, and says what came of all of it. */
  const takeIn = useCallback(
    async (read: ReadReport) => {
      const notes = [...read.notes];
      const sorted = [...read.sources].sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0));
      await recordSources(id, sorted, { types: typesOf(sorted) });
      if (read.entries.length > 0) await keepEntries(id, read.entries);
      const brought = [...sorted];
      for (const [t, table] of read.tables.entries()) {
        const answer = await new Promise<TableAnswer>((resolve) =>
          setAsked({ table, which: [t + 1, read.tables.length], brought: [...brought], answer: resolve }),
        );
        setAsked(undefined);
        await intakeWorker.letGoOfTable(table.table);
        if (answer.kind === 'left') notes.push(`${table.name} was left out.`);
        if (answer.kind === 'sources') {
          try {
            await recordSources(id, answer.outcome.sources, {
              note: answer.outcome.note,
              types: answer.outcome.types,
            });
            for (const source of answer.outcome.sources) brought.push(source);
            notes.push(answer.outcome.note);
          } catch (error) {
            // What came in before it is in the study all the same.
            notes.push(
              `${table.name} was not added: ${error instanceof Error ? error.message : String(error)}`,
            );
          }
        }
        if (answer.kind === 'described') {
          decide({ kind: 'setValues', values: answer.description.values });
          for (const [attribute, type] of Object.entries(answer.description.types)) {
            if (type !== 'text') decide({ kind: 'setAttributeType', attribute, type });
          }
          notes.push(answer.note);
        }
      }
      const { refused } = read;
      say({
        words: intakeSaid(brought.length, refused, notes),
        // A single remark stands in the line.
        details:
          refused.length > 0 || notes.length > 1 ? (
            <IntakeDetails refused={refused} notes={notes} />
          ) : undefined,
        stays: refused.length > 0 || notes.length > 0,
      });
      catchLostFocus();
    },
    [id, decide, say],
  );
  return { asked, takeIn };
}
