import { stageKey } from '@green-thicket/core/engine/stage-keys';
import type { Engine } from '@green-thicket/core/engine/engine';
import type { AddedSource } from '@green-thicket/core/intake/sources';
import type { Decision } from '@green-thicket/core/study/decisions';
import { foldDecisions, type DecisionLog } from '@green-thicket/core/study/record';
import type { StudyState } from '@green-thicket/core/study/study';
import { workingSources } from '@green-thicket/core/study/subset';
import { tokensInOrder } from '@green-thicket/core/text/token-columns';
import type { Tokens } from '@green-thicket/core/text/tokens';
import { settingsIn } from '../log.ts';
import { UsageError } from '../usage-error.ts';
import { readPart, type PartRecord } from './part.ts';

/** A collection that was counted before. */
export interface Counted extends Pick<PartRecord, 'entries' | 'describing'> {
  readonly folder: string;
  readonly added: readonly AddedSource[];
  /** What it was counted with. */
  readonly decisions: readonly Decision[];
  /** Its tokens, given the order its sources are to be in. */
  readonly tokensInOrder: (order: readonly number[]) => Tokens;
}

/** @throws UsageError where it is not the whole collection */
export async function readCounts(folder: string): Promise<Counted> {
  const { record, names, sources, sentences, columns } = await readPart(folder);
  const { from, to, of } = record;
  if (from > 0 || to < of)
    throw new UsageError(
      `${folder} holds files ${from + 1} to ${to} of ${of}. Count the others and merge them with it.`,
    );
  if (sources.length === 0) throw new UsageError(`No file of ${folder} could be read as a source.`);
  return {
    folder,
    added: sources.map(({ source, text }) => ({ source, text })),
    entries: record.entries,
    describing: record.describing,
    decisions: settingsIn(record.settings, folder),
    tokensInOrder: (order) => tokensInOrder(columns, names, sentences, order),
  };
}

/**
 * Hands the engine what was counted.
 *
 * @param begun the record as the counts have it, before further settings
 * @throws UsageError where the further settings would have had other words counted
 */
export function giveCounts(
  { folder, added, tokensInOrder: inOrder }: Counted,
  begun: DecisionLog,
  state: StudyState,
  engine: Engine,
): void {
  if (stageKey('tokens', foldDecisions(begun)) !== stageKey('tokens', state))
    throw new UsageError(
      `${folder} was counted with other cleaning steps or speakers than the settings ask for. Count again with --settings.`,
    );
  const placeOf = new Map(added.map(({ source }, place) => [source.id, place]));
  const order = workingSources(state).map(({ id }) => placeOf.get(id) ?? -1);
  engine.give('tokens', state, inOrder(order));
}
