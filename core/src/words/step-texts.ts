import type { CleaningKind, CleaningStep } from '../text/steps.ts';

/** What each kind of step is called, and what it does, in plain words. */
export const STEP_KINDS: Readonly<Record<CleaningKind, { readonly name: string; readonly help: string }>> = {
  tags: {
    name: 'HTML tags and entities',
    help: 'Takes out tags such as <b> and writes &amp; as &.',
  },
  timestamps: { name: 'Timestamps', help: 'Takes out times of a recording such as [00:01:12].' },
  remarks: {
    name: 'Bracketed remarks',
    help: 'Takes out what a transcriber put in brackets, such as [laughs] or (inaudible).',
  },
  lines: { name: 'Lines that match', help: 'Takes out whole lines in which a pattern is found.' },
  hyphens: {
    name: 'Hyphenated line ends',
    help: 'Joins words that were parted at the end of a line. A compound that the text writes with its hyphen elsewhere keeps it.',
  },
  lineBreaks: {
    name: 'Line breaks',
    help: 'Writes a space for a line break. Sentences and paragraphs were found before, and stay.',
  },
  addresses: { name: 'Web and mail addresses', help: 'Takes out addresses of pages and mail.' },
  handles: { name: 'Handles', help: 'Takes out @names, or keeps the name without its @.' },
  hashtags: { name: 'Hashtags', help: 'Keeps the word of a #hashtag, or takes it out.' },
  replace: {
    name: 'A text or pattern of your own',
    help: 'Takes out, or puts another text in the place of, what you write here.',
  },
  typography: {
    name: 'Typographic marks',
    help: 'Writes curly quotation marks, long dashes and joined letters as plain ones.',
  },
  symbols: { name: 'Symbols and emoji', help: 'Takes out pictures, arrows, currency signs and the like.' },
  numbers: {
    name: 'Numbers',
    help: 'Takes out numbers written in digits, with their endings as in 2nd or 10pm.',
  },
  punctuation: {
    name: 'Punctuation',
    help: 'Takes out marks. Apostrophes and hyphens inside words stay; sentences were found before.',
  },
  accents: { name: 'Accents', help: 'Writes é as e, ü as u.' },
  repeats: {
    name: 'Repeated letters',
    help: 'Writes a letter that stands three times or more in a row once or twice: sooo, so.',
  },
  case: { name: 'Capitals', help: 'Reads capitals as small letters, so that Bus and bus are one word.' },
  short: { name: 'Short words', help: 'Takes out words of fewer letters than you say.' },
  space: { name: 'White space', help: 'Writes runs of spaces as one and runs of empty lines as one.' },
};

const quoted = (text: string): string => `“${text.length > 40 ? `${text.slice(0, 40)}…` : text}”`;

/** A step as a part of the method sentence. */
export function stepText(step: CleaningStep): string {
  switch (step.kind) {
    case 'tags':
      return 'HTML tags and entities are resolved';
    case 'timestamps':
      return 'timestamps are taken out';
    case 'remarks':
      return `bracketed remarks are taken out${step.round ? ', in round brackets too' : ''}`;
    case 'lines':
      return step.pattern === ''
        ? 'lines that match a pattern still to be written are taken out'
        : `lines that match ${quoted(step.pattern)} are taken out`;
    case 'hyphens':
      return 'hyphenated line ends are joined';
    case 'lineBreaks':
      return 'line breaks become spaces';
    case 'addresses':
      return 'web and mail addresses are taken out';
    case 'handles':
      return step.keepWord ? 'handles lose their @' : 'handles are taken out';
    case 'hashtags':
      return step.keepWord ? 'hashtags lose their #' : 'hashtags are taken out';
    case 'replace': {
      if (step.find === '') return 'a text still to be written is taken out';
      const what = `${step.isPattern ? 'what matches ' : ''}${quoted(step.find)}`;
      return step.replacement === '' ? `${what} is taken out` : `${what} becomes ${quoted(step.replacement)}`;
    }
    case 'typography':
      return 'typographic marks become plain ones';
    case 'symbols':
      return `${{ emoji: 'emoji', symbols: 'symbols', both: 'symbols and emoji' }[step.which]} are taken out`;
    case 'numbers':
      return step.inWords ? 'all digits are taken out' : 'numbers are taken out';
    case 'punctuation':
      return step.marks === ''
        ? 'punctuation is taken out'
        : `the marks ${step.marks.replace(/\s/g, '').split('').join(' ')} are taken out`;
    case 'accents':
      return 'accents are taken off';
    case 'repeats':
      return `repeated letters are written ${step.keep === 1 ? 'once' : 'twice'}`;
    case 'case':
      return 'capitals are read as small letters';
    case 'short':
      return `words of fewer than ${step.letters} letters are taken out`;
    case 'space':
      return 'white space is evened out';
  }
}
