import { findBoundaries } from '../../text/boundaries.ts';
import { findDate } from '../../text/dates.ts';
import {
  bareSubject,
  headFields,
  MAIL_PARTS,
  mailParts,
  type MailPartKind,
} from '../../text/mail/mail-parts.ts';
import { tidyPieces, unreadPieces, withoutPieces, type Piece } from '../../text/reading-part.ts';
import { findRepeats } from '../../text/look-alikes/repeats.ts';
import { countWords } from '../../text/scan.ts';
import { repeatedLines, trimmedPieces, type RepeatedLine, type TrimRule } from '../../text/trimming.ts';
import { knownTextsOf } from '../../engine/stage-keys.ts';
import type { StudySource, StudyState } from '../../study/study.ts';
import { workingSources } from '../../study/subset.ts';
import { chosenSources, workedWith } from './chosen-sources.ts';
import { reads, type View, type ViewMakers } from '../view.ts';
import type { MailView, RepeatsView, TrimView } from './collection-view-types.ts';

const EXCERPT = 160;
/** Characters shown before and after one of the places of what repeats. */
const AROUND = 90;

/** The views of what is no part of what people said. */
export interface TrimViews {
  /** What a rule cuts from some sources; with `back`, what it gives back of what is cut. */
  trim: View<
    { readonly rule: TrimRule; readonly sourceIds: readonly string[]; readonly back?: boolean },
    TrimView
  >;
  repeatedLines: View<null, { readonly lines: readonly RepeatedLine[] }>;
  repeats: View<null, RepeatsView>;
  mail: View<null, MailView>;
}

export const TRIM_KEYS = {
  trim: reads([], chosenSources),
  repeatedLines: reads([], workedWith),
  repeats: reads([], (state: StudyState) => ({
    texts: knownTextsOf(workingSources(state)),
    leftOut: state.settings.speakers.leftOut,
  })),
  mail: reads([], (state: StudyState) => ({ sources: workingSources(state) })),
};

export const TRIM_VIEWS: ViewMakers<TrimViews, typeof TRIM_KEYS> = {
  *trim({ rule, back = false }, { own: { sources }, original }) {
    const cuts = new Map<string, readonly Piece[]>();
    const rows: { id: string; characters: number; excerpt: string }[] = [];
    for (const [i, source] of sources.entries()) {
      const text = original(source.id);
      const pieces = trimmedPieces(text, rule);
      if (pieces.length > 0) {
        const before = source.cuts ?? [];
        cuts.set(
          source.id,
          back ? withoutPieces(before, pieces, text.length) : tidyPieces([...before, ...pieces], text.length),
        );
        rows.push({
          id: source.id,
          characters: pieces.reduce((sum, [start, end]) => sum + end - start, 0),
          excerpt: excerptOf(text, pieces),
        });
      }
      yield (i + 1) / sources.length;
    }
    return { cuts: Object.fromEntries(cuts), rows };
  },

  *repeatedLines(_, { own: { ids }, original }) {
    yield 0;
    return { lines: repeatedLines(ids.map(original)) };
  },

  *repeats(_, { own: { texts, leftOut }, original }) {
    const out = new Set(leftOut);
    const originals = texts.map(({ id }) => original(id));
    const { repeats, words } = yield* findRepeats(originals, (source) =>
      unreadPieces(
        { original: originals[source], cuts: texts[source].cuts ?? [] },
        () => findBoundaries(originals[source]),
        out,
      ),
    );
    return {
      words,
      repeats: repeats.map(({ first: { source, start, end }, ...repeat }) => ({
        ...repeat,
        first: { sourceId: texts[source].id, start, end },
        before: inOneLine(originals[source].slice(Math.max(0, start - AROUND), start)),
        after: inOneLine(originals[source].slice(end, end + AROUND)),
      })),
    };
  },

  *mail(_, { own: { sources }, original }) {
    const found = new Map(
      MAIL_PARTS.map((kind) => [kind, { ids: new Array<string>(), out: new Array<string>(), words: 0 }]),
    );
    const heads = new Map<string, Map<string, string>>();
    let mails = 0;
    for (const [i, source] of sources.entries()) {
      const text = original(source.id);
      const parts = mailParts(text);
      const hasHead = parts[0]?.kind === 'headers';
      if (hasHead || isMail(source)) {
        mails++;
        const cuts = source.cuts ?? [];
        for (const kind of new Set(parts.map((part) => part.kind))) {
          const own = parts.filter((part) => part.kind === kind);
          const held = found.get(kind);
          if (!held) continue;
          held.ids.push(source.id);
          if (own.every(({ start, end }) => isCut(cuts, [start, end], text.length))) held.out.push(source.id);
          for (const { start, end } of own) held.words += countWords(text.slice(start, end));
        }
        if (hasHead) noteHead(heads, source, text);
      }
      yield (i + 1) / sources.length;
    }
    return {
      mails,
      parts: [...found]
        .filter(([, { ids }]) => ids.length > 0)
        .map(
          ([kind, { ids, out, words }]: [MailPartKind, { ids: string[]; out: string[]; words: number }]) => ({
            kind,
            sourceIds: ids,
            out,
            words,
          }),
        ),
      heads: Object.fromEntries([...heads].map(([name, values]) => [name, Object.fromEntries(values)])),
    };
  },
};

/** Mails that came in as such have these attributes. */
const isMail = ({ attributes }: StudySource): boolean =>
  Object.hasOwn(attributes, 'from') && Object.hasOwn(attributes, 'subject');

const isCut = (cuts: readonly Piece[], piece: Piece, length: number): boolean =>
  withoutPieces([piece], cuts, length).length === 0;

/** Notes what a mail’s head says as attributes it has not got yet. */
function noteHead(heads: Map<string, Map<string, string>>, source: StudySource, text: string): void {
  const fields = headFields(text);
  const date = findDate(fields.date ?? fields.sent ?? '', 'dmy')?.date;
  const values = { from: fields.from, date, subject: fields.subject && bareSubject(fields.subject) };
  for (const [name, value] of Object.entries(values)) {
    if (!value || Object.hasOwn(source.attributes, name)) continue;
    heads.set(name, (heads.get(name) ?? new Map<string, string>()).set(source.id, value));
  }
}

const inOneLine = (text: string): string => text.replace(/\s+/g, ' ').trim();

/** The beginnings of some pieces, with where they end, as one line. */
function excerptOf(text: string, pieces: readonly Piece[]): string {
  const pieceTexts = pieces
    .slice(0, 6)
    .map(([start, end]) =>
      end - start <= 2 * EXCERPT
        ? text.slice(start, end)
        : `${text.slice(start, start + EXCERPT)} … ${text.slice(end - EXCERPT, end)}`,
    );
  return inOneLine(pieceTexts.join(' ⁄ '));
}
