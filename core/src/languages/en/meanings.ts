/** One meaning of a word. */
export interface Meaning {
  readonly part: 'noun' | 'verb' | 'adjective';
  readonly definition: string;
  readonly examples: readonly string[];
  /** The other words that have it. */
  readonly synonyms: readonly string[];
}

/** What the English words of WordNet 3.1 can mean (Fellbaum 1998). */
export interface Meanings {
  /** The meanings of a word or phrase in small letters, its commonest first within each part of speech. */
  readonly of: (word: string) => Meaning[];
  /**
   * Words that share one of a word’s first meanings, where it is one of their first too.
   *
   * @param first how many of each word’s meanings are its first
   */
  readonly synonymsOf: (word: string, first: number) => Set<string>;
}

const PARTS = { n: 'noun', v: 'verb', a: 'adjective' } as const;
const isPart = (letter: string): letter is keyof typeof PARTS => Object.hasOwn(PARTS, letter);

interface Member {
  readonly word: string;
  readonly number: number;
}

/** The words of a line of meanings.txt, with the number the meaning has among each one’s own. */
function membersOf(line: string): Member[] {
  return line
    .slice(2, line.indexOf('|'))
    .split(',')
    .map((name) => {
      const number = /\d+$/.exec(name)?.[0];
      return number === undefined
        ? { word: name, number: 1 }
        : { word: name.slice(0, -number.length), number: Number(number) };
    });
}

/** Reads core/lexicon/meanings.txt, whose form the script that makes it describes. Meanings are taken apart when asked for. */
export function parseMeanings(text: string): Meanings {
  const lines = text.split('\n').filter((line) => line !== '');
  const linesOf = new Map<string, { line: number; number: number }[]>();
  lines.forEach((each, line) => {
    for (const { word, number } of membersOf(each)) {
      const own = linesOf.get(word);
      if (own) own.push({ line, number });
      else linesOf.set(word, [{ line, number }]);
    }
  });
  return {
    of: (word) =>
      [...(linesOf.get(word) ?? [])]
        .sort(
          (a, b) => 'nva'.indexOf(lines[a.line][0]) - 'nva'.indexOf(lines[b.line][0]) || a.number - b.number,
        )
        .map(({ line }) => meaningIn(lines[line], word)),
    synonymsOf: (word, first) => {
      const synonyms = new Set<string>();
      for (const { line, number } of linesOf.get(word) ?? []) {
        if (number > first) continue;
        for (const other of membersOf(lines[line]))
          if (other.word !== word && other.number <= first) synonyms.add(other.word);
      }
      return synonyms;
    },
  };
}

function meaningIn(line: string, word: string): Meaning {
  const letter = line[0];
  const gloss = line.slice(line.indexOf('|') + 1);
  // Examples stand in quotation marks after the definition.
  const at = gloss.search(/;? ?"/);
  const definition = (at < 0 ? gloss : gloss.slice(0, at)).replace(/;\s*$/, '').trim();
  return {
    part: isPart(letter) ? PARTS[letter] : 'noun',
    definition: definition === '' ? gloss : definition,
    examples:
      at <= 0 ? [] : Array.from(gloss.slice(at).matchAll(/"([^"]{3,})"?/g), (match) => match[1].trim()),
    synonyms: membersOf(line)
      .map((member) => member.word)
      .filter((other) => other !== word),
  };
}
