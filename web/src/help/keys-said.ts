/** Every key there is, by where it works. */
export const KEYS: readonly {
  readonly where: string;
  readonly keys: readonly (readonly [string, string])[];
}[] = [
  {
    where: 'Anywhere',
    keys: [
      ['Ctrl+K', 'go to a stop, concept, theme, source or setting by typing'],
      ['?', 'this help'],
      ['/', 'search the texts'],
      ['R', 'open or close the Reader; Esc in it closes it'],
      ['L', 'open or fold the list at the left'],
      ['V', 'keep what is shown in the Notebook'],
      ['Ctrl+Z, Ctrl+Shift+Z', 'undo and redo a decision; in the Notebook, its own changes'],
      ['Tab, Enter, Esc', 'to the next control, open it, close it'],
    ],
  },
  {
    where: 'On a concept, in a list, the field, a column or the map',
    keys: [
      ['K', 'keep it'],
      ['Delete', 'drop it'],
      ['Shift+Delete', 'never show it'],
      ['M', 'move it to another theme (Themes)'],
      ['P', 'pin it where it stands, or let it go (Map)'],
      ['Arrows', 'to the next word'],
      ['+, −, 0', 'zoom in, zoom out, the whole map (with the focus on the map)'],
    ],
  },
  {
    where: 'Panes, cut-offs and dividers',
    keys: [
      ['Arrows', 'move by a step'],
      ['Enter', 'fold a pane, or bring it back'],
    ],
  },
  {
    where: 'In the Notebook and the report',
    keys: [['Alt+↑, Alt+↓', 'move an entry, or a part of the report']],
  },
];
