import type { Tokens } from './tokens.ts';

/** The tokens and sentences of one source, or of several in a row, in columns. */
export interface TokenColumns {
  /** By token: its type, first and end character, and 1 where only white space parts it from the one before. */
  readonly type: Int32Array;
  readonly start: Int32Array;
  readonly end: Int32Array;
  readonly joined: Int32Array;
  /** By sentence: as in `Tokens`, and how many tokens it has. */
  readonly paragraph: Int32Array;
  readonly turn: Int32Array;
  readonly speaker: Int32Array;
  readonly sentenceStart: Int32Array;
  readonly sentenceEnd: Int32Array;
  readonly words: Int32Array;
}

/** What the numbers in columns stand for. */
export interface TokenNames {
  readonly forms: readonly string[];
  readonly kindOf: readonly number[];
  readonly mentionsOf: readonly number[];
  readonly speakers: readonly string[];
}

/** The rows [first, last) of the columns of tokens, and of those of sentences. */
const rowsOf = (
  columns: TokenColumns,
  [firstToken, lastToken]: readonly [number, number],
  [firstSentence, lastSentence]: readonly [number, number],
): TokenColumns => ({
  type: columns.type.subarray(firstToken, lastToken),
  start: columns.start.subarray(firstToken, lastToken),
  end: columns.end.subarray(firstToken, lastToken),
  joined: columns.joined.subarray(firstToken, lastToken),
  paragraph: columns.paragraph.subarray(firstSentence, lastSentence),
  turn: columns.turn.subarray(firstSentence, lastSentence),
  speaker: columns.speaker.subarray(firstSentence, lastSentence),
  sentenceStart: columns.sentenceStart.subarray(firstSentence, lastSentence),
  sentenceEnd: columns.sentenceEnd.subarray(firstSentence, lastSentence),
  words: columns.words.subarray(firstSentence, lastSentence),
});

/**
 * Columns of sources in a row, source by source.
 *
 * @param sentences how many sentences each source has
 */
export function columnsBySource(columns: TokenColumns, sentences: ArrayLike<number>): TokenColumns[] {
  let [sentence, token] = [0, 0];
  return Array.from(sentences, (count) => {
    const [firstSentence, firstToken] = [sentence, token];
    sentence += count;
    for (let s = firstSentence; s < sentence; s++) token += columns.words[s];
    return rowsOf(columns, [firstToken, token], [firstSentence, sentence]);
  });
}

/** The columns of each source of a collection. */
export function columnsOfTokens(tokens: Tokens): TokenColumns[] {
  const sentences = tokens.sentenceFirst.length - 1;
  return columnsBySource(
    {
      type: tokens.type,
      start: tokens.start,
      end: tokens.end,
      joined: Int32Array.from(tokens.joined),
      paragraph: tokens.sentenceParagraph,
      turn: tokens.sentenceTurn,
      speaker: tokens.sentenceSpeaker,
      sentenceStart: tokens.sentenceStart,
      sentenceEnd: tokens.sentenceEnd,
      words: Int32Array.from(
        { length: sentences },
        (_, s) => tokens.sentenceFirst[s + 1] - tokens.sentenceFirst[s],
      ),
    },
    Int32Array.from(
      { length: tokens.sourceFirst.length - 1 },
      (_, source) => tokens.sourceFirst[source + 1] - tokens.sourceFirst[source],
    ),
  );
}

/** The names in tokens, by the numbers in their columns. */
export const namesOfTokens = ({ forms, kindOf, mentionsOf, speakers }: Tokens): TokenNames => ({
  forms,
  kindOf: Array.from(kindOf),
  mentionsOf: Array.from(mentionsOf),
  speakers,
});

/**
 * Numbers the types and speakers of sources anew, in the order they come in: what is read in parts is then numbered as it
 * would be in one piece. Sources are brought one by one; nothing of them is held but the names.
 */
export class TokenNumbering {
  readonly #types = new Map<string, number>();
  readonly #speakers = new Map<string, number>();
  readonly #kindOf: number[] = [];
  readonly #mentionsOf: number[] = [];

  /** Names so far. */
  get names(): TokenNames {
    return {
      forms: [...this.#types.keys()],
      kindOf: this.#kindOf,
      mentionsOf: this.#mentionsOf,
      speakers: [...this.#speakers.keys()],
    };
  }

  /** What brings in the sources of one part, by its own names: a source's columns, numbered anew. */
  part({ forms, kindOf, speakers }: TokenNames): (columns: TokenColumns) => TokenColumns {
    const numberOf = new Int32Array(forms.length).fill(-1);
    return (columns) => ({
      ...columns,
      type: columns.type.map((own) => {
        if (numberOf[own] < 0) numberOf[own] = this.#typeOf(forms[own], kindOf[own]);
        this.#mentionsOf[numberOf[own]]++;
        return numberOf[own];
      }),
      speaker: columns.speaker.map((own) => (own < 0 ? -1 : this.#speakerOf(speakers[own]))),
    });
  }

  #typeOf(form: string, kind: number): number {
    const known = this.#types.get(form);
    if (known !== undefined) return known;
    this.#types.set(form, this.#types.size);
    this.#kindOf.push(kind);
    this.#mentionsOf.push(0);
    return this.#types.size - 1;
  }

  #speakerOf(label: string): number {
    const known = this.#speakers.get(label);
    if (known === undefined) this.#speakers.set(label, this.#speakers.size);
    return known ?? this.#speakers.size - 1;
  }
}

/** The columns of sources, one after the other. */
function columnsInARow(sources: readonly TokenColumns[]): TokenColumns {
  const inARow = (name: keyof TokenColumns): Int32Array => {
    const whole = new Int32Array(sources.reduce((sum, source) => sum + source[name].length, 0));
    let at = 0;
    for (const source of sources) {
      whole.set(source[name], at);
      at += source[name].length;
    }
    return whole;
  };
  return {
    type: inARow('type'),
    start: inARow('start'),
    end: inARow('end'),
    joined: inARow('joined'),
    paragraph: inARow('paragraph'),
    turn: inARow('turn'),
    speaker: inARow('speaker'),
    sentenceStart: inARow('sentenceStart'),
    sentenceEnd: inARow('sentenceEnd'),
    words: inARow('words'),
  };
}

/**
 * The tokens of sources in another order than their columns stand in, numbered as if they had been read so.
 *
 * @param sentences how many sentences each source has
 * @param order numbers of the sources that are wanted
 */
export function tokensInOrder(
  columns: TokenColumns,
  names: TokenNames,
  sentences: ArrayLike<number>,
  order: readonly number[],
): Tokens {
  const bySource = columnsBySource(columns, sentences);
  const numbering = new TokenNumbering();
  const renumber = numbering.part(names);
  const ordered = order.map((source) => renumber(bySource[source]));
  return tokensOfColumns(
    columnsInARow(ordered),
    numbering.names,
    order.map((source) => sentences[source]),
  );
}

/**
 * The tokens of a collection from the columns of all its sources in a row.
 *
 * @param sentences how many sentences each source has
 */
export function tokensOfColumns(
  columns: TokenColumns,
  names: TokenNames,
  sentences: ArrayLike<number>,
): Tokens {
  const count = columns.words.length;
  const sentenceFirst = new Int32Array(count + 1);
  for (let s = 0; s < count; s++) sentenceFirst[s + 1] = sentenceFirst[s] + columns.words[s];
  const sourceFirst = new Int32Array(sentences.length + 1);
  const sentenceSource = new Int32Array(count);
  for (let source = 0; source < sentences.length; source++) {
    sourceFirst[source + 1] = sourceFirst[source] + sentences[source];
    sentenceSource.fill(source, sourceFirst[source], sourceFirst[source + 1]);
  }
  return {
    forms: names.forms,
    kindOf: Uint8Array.from(names.kindOf),
    mentionsOf: Int32Array.from(names.mentionsOf),
    type: columns.type,
    start: columns.start,
    end: columns.end,
    joined: Uint8Array.from(columns.joined),
    sentenceFirst,
    sentenceSource,
    sentenceParagraph: columns.paragraph,
    sentenceTurn: columns.turn,
    sentenceSpeaker: columns.speaker,
    sentenceStart: columns.sentenceStart,
    sentenceEnd: columns.sentenceEnd,
    sourceFirst,
    speakers: names.speakers,
  };
}
