import type { Stop } from '@green-thicket/core/words/sentences';

/** A step of the first walk: where it is, what it is called there, and what to look at and try, in a sentence or two. */
export interface Step {
  readonly stop: Stop;
  /** Where it is not the stop's own name. */
  readonly name?: string;
  /** What is picked there, as the address has it. */
  readonly picked?: string;
  readonly says: string;
}

/** The walk through all stops: ten steps, of which some show what a pick does. */
export const WALK: readonly Step[] = [
  {
    stop: 'sources',
    says: 'Texts come in here: drop files anywhere. Each row is a source; its columns, such as role, are attributes you can type into. The underlined words of the sentence above are the settings.',
  },
  {
    stop: 'clean',
    says: 'The text as it is read. Point at a step in the sentence to see what it takes out; the originals stay as they are.',
  },
  {
    stop: 'concepts',
    says: 'Words placed by meaning: further right, more sources use them; further up, the more selective the company they keep. Click one; Delete drops it, Undo brings it back.',
  },
  {
    stop: 'concepts',
    name: 'what was said',
    picked: '?concept=camera',
    says: 'A word was picked, and the Reader opened: its passages in the original words, each with its source. So it is everywhere: a figure, a line, a mark, all open what was said. Keep puts a passage into the Notebook.',
  },
  {
    stop: 'links',
    says: 'What goes with what, and whether chance would explain it. Drag the cut-off; click a link to read the places where both are said.',
  },
  {
    stop: 'themes',
    says: 'Groups of linked concepts. Type into a name to give it yours, drag a concept to another theme, or press M on it. What comes back seldom is marked.',
  },
  {
    stop: 'map',
    says: 'The whole at once: a parcel is a theme, its area how much it is spoken to. Click a word, a line or a parcel to read what was said; press V to keep the map in the Notebook.',
  },
  {
    stop: 'compare',
    says: 'Who speaks to which theme, how strongly and how surely: the line is the interval, q the chance of so large a difference where there is none.',
  },
  {
    stop: 'compare',
    name: 'one group’s words',
    picked: '?theme=A&attribute=role&group=shift+worker',
    says: 'A mark was picked: what these people said of this theme, and nobody else. Over time and Apart beside Marks ask when, and what sets a group apart.',
  },
  {
    stop: 'map',
    name: 'what remains',
    says: 'The Notebook at the top holds what you kept and makes the report, with the method written out from the sentences. Decisions lists every choice; any can be gone back to. Ctrl+K goes anywhere, ? is the help.',
  },
];
