/** Tags running text: returns each word, small letters, with its Universal part of speech. */
export type Tagger = (text: string) => { words: readonly string[]; tags: readonly string[] };
