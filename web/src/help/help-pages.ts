import { marked } from 'marked';
import comparison from '../../../docs/method/comparison.md?raw';
import concepts from '../../../docs/method/concepts.md?raw';
import links from '../../../docs/method/links.md?raw';
import map from '../../../docs/method/map.md?raw';
import themes from '../../../docs/method/themes.md?raw';
import languages from '../../../docs/languages.md?raw';
import wayThrough from '../../../docs/from-files-to-paper.md?raw';

/** The pages of the help, by the file they are written in; those about the method as docs/method has them, and the languages. */
const PAGES: Readonly<Record<string, { readonly title: string; readonly text: string }>> = {
  'from-files-to-paper': { title: 'From files to paper', text: wayThrough },
  concepts: { title: 'Concepts', text: concepts },
  links: { title: 'Links', text: links },
  themes: { title: 'Themes', text: themes },
  map: { title: 'Map', text: map },
  languages: { title: 'Languages', text: languages },
  comparison: { title: 'Comparison', text: comparison },
};

export const PAGE_TITLES = Object.entries(PAGES).map(([name, { title }]) => ({ name, title }));

/** A page as HTML. It is the program's own text, brought along when it was built; pictures stay with the repository. */
export function pageHtml(name: string): string {
  const page = Object.hasOwn(PAGES, name) ? PAGES[name] : PAGES['from-files-to-paper'];
  return marked.parse(page.text.replace(/!\[[^\]]*\]\([^)]*\)/g, ''), { async: false });
}
