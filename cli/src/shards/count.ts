import { columnsOfTokens, TokenNumbering, namesOfTokens } from '@green-thicket/core/text/token-columns';
import type { StudyInput } from '@green-thicket/core/engine/resources';
import { Engine } from '@green-thicket/core/engine/engine';
import { foldDecisions } from '@green-thicket/core/study/record';
import { workingSources } from '@green-thicket/core/study/subset';
import { collect, type Shard } from '../collect.ts';
import { wordsAtHand } from '../lexicon-file.ts';
import { addDecisions, NO_DECISIONS, readText, settingsIn } from '../log.ts';
import { toTheEnd } from '../usage-error.ts';
import { PartWriter, TABLE_ROW, TEXT } from './part.ts';

export interface CountOptions {
  readonly out: string;
  readonly shard: Shard;
  readonly settings?: string;
  /** A table of attributes that is named apart: it is no source. */
  readonly attributes?: string;
  readonly text?: string;
  readonly force?: boolean;
  readonly quiet?: boolean;
  readonly version: string;
}

/** Reads one part of a list of files as far as it can be read without the others, and writes what it holds. */
export async function count(files: readonly string[], options: CountOptions): Promise<void> {
  const { out, shard, attributes, text, force = false, quiet, version } = options;
  const say = (line: string): void => {
    if (!quiet) process.stderr.write(`${line}\n`);
  };
  const settings = options.settings === undefined ? '' : readText(options.settings);
  const decisions = settingsIn(settings, options.settings ?? '');
  const writer = new PartWriter(out, force);
  try {
    const { added, texts, refused, notes, entries, describing, listing } = await collect(files, {
      attributes,
      text,
      shard,
    });
    for (const note of notes) say(note);
    for (const { name, reason } of refused) say(`Left out ${name}: ${reason}`);
    const state = foldDecisions(
      addDecisions(NO_DECISIONS, [
        ...(added.length > 0
          ? [{ kind: 'addSources' as const, sources: added.map(({ source }) => source) }]
          : []),
        ...decisions,
      ]),
    );
    const input: StudyInput = { state, register: [] };
    const originals = new Map(added.map((each) => [each.source.id, each.text]));
    const engine = new Engine({
      original: (id) => originals.get(id) ?? '',
      words: wordsAtHand(),
    });
    const tokens = toTheEnd(engine.compute('tokens', input));
    const columns = columnsOfTokens(tokens);
    // Words are read in the order of the texts' contents, and numbered as they are written, which merging goes by.
    const numbering = new TokenNumbering();
    const renumber = numbering.part(namesOfTokens(tokens));
    const placeOf = new Map(workingSources(state).map(({ id }, place) => [id, place]));
    for (const [i, { source, text: original }] of added.entries()) {
      const place = placeOf.get(source.id);
      if (place === undefined) continue;
      await writer.add({
        kind: i < texts ? TEXT : TABLE_ROW,
        source,
        text: original,
        columns: renumber(columns[place]),
      });
    }
    await writer.end(numbering.names, {
      program: version,
      from: listing.from,
      to: listing.to,
      of: listing.of,
      listing: listing.hash,
      settings,
      text: text ?? '',
      entries,
      describing,
    });
    say(
      `Counted ${tokens.type.length} words of ${added.length} sources: files ${listing.from + 1} to ${listing.to} of ${listing.of}.`,
    );
  } catch (error) {
    writer.abandon();
    throw error;
  }
}
