// The import rule of core: a folder imports from the folders above it in the stage order, never back; nothing imports
// web, server or cli but themselves; and no files import each other in a circle, types included.
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative, resolve, dirname } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
// Each may import what stands above it and is named here; `base` is for all of them.
const MAY_IMPORT = {
  base: [],
  numeric: [],
  languages: [],
  text: ['languages'],
  concepts: ['numeric', 'languages', 'text'],
  network: ['numeric', 'text', 'concepts'],
  themes: ['numeric', 'concepts', 'network'],
  map: ['numeric', 'text', 'network', 'themes'],
  compare: ['numeric', 'text', 'network', 'themes', 'map'],
  reading: ['languages', 'text', 'concepts', 'network', 'themes', 'map'],
  formats: ['text'],
  study: ['languages', 'text', 'concepts', 'network', 'themes', 'map', 'compare', 'formats'],
  intake: ['languages', 'text', 'formats', 'network', 'study'],
  engine: ['numeric', 'languages', 'text', 'concepts', 'network', 'themes', 'map', 'compare', 'study'],
  words: ['languages', 'text', 'concepts', 'network', 'themes', 'study'],
  views: [
    'numeric',
    'languages',
    'text',
    'concepts',
    'network',
    'themes',
    'map',
    'compare',
    'reading',
    'formats',
    'study',
    'intake',
    'engine',
    'words',
  ],
  report: ['compare', 'formats', 'map', 'network', 'reading', 'study', 'views', 'words'],
  // The list of all views: what is asked by name is answered here.
  answers: ['engine', 'languages', 'compare', 'study', 'themes', 'views', 'report'],
  'study-files': [
    'languages',
    'text',
    'concepts',
    'network',
    'themes',
    'compare',
    'formats',
    'study',
    'views',
  ],
};

// The same in web: a folder imports what stands above it. Only the list of stops imports a stop.
const WEB_MAY_IMPORT = {
  store: [],
  pieces: ['store'],
  engine: ['store', 'pieces'],
  offline: ['pieces'],
  controls: ['store', 'pieces', 'engine'],
  reading: ['store', 'pieces', 'engine'],
  notebook: ['store', 'pieces', 'engine', 'reading'],
  stops: ['store', 'pieces', 'engine', 'controls', 'reading', 'notebook'],
  keeping: ['store', 'pieces', 'engine'],
  help: ['store', 'pieces', 'engine'],
  colleague: ['store', 'pieces', 'engine'],
  start: ['store', 'pieces', 'engine', 'keeping'],
  frame: [
    'store',
    'pieces',
    'engine',
    'controls',
    'reading',
    'notebook',
    'stops',
    'keeping',
    'help',
    'colleague',
  ],
};

function* sources(folder) {
  for (const entry of readdirSync(join(root, folder), { withFileTypes: true })) {
    if (entry.name === 'node_modules' || entry.name === 'dist') continue;
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* sources(path);
    else if (/\.tsx?$/.test(entry.name)) yield path;
  }
}

const faults = [];
const importsOf = (path) =>
  [...readFileSync(join(root, path), 'utf8').matchAll(/(?:from|import)\s*\(?\s*'([^']+)'/g)].map(
    (match) => match[1],
  );

for (const path of sources('core/src')) {
  const folder = path.split('/')[2];
  if (!(folder in MAY_IMPORT)) {
    if (path.split('/').length > 3) faults.push(`${path}: the import rule knows no folder ${folder}`);
    continue;
  }
  for (const target of importsOf(path)) {
    if (!target.startsWith('.')) continue;
    const other = relative(join(root, 'core/src'), resolve(root, dirname(path), target)).split('/')[0];
    if (other !== folder && other !== 'base' && !MAY_IMPORT[folder].includes(other))
      faults.push(`${path} imports ${target}: ${folder} may not import ${other}`);
  }
}
for (const path of sources('web/src')) {
  const [, , folder, stop, file] = path.split('/');
  if (stop === undefined || folder.includes('.')) continue;
  const mayImport = WEB_MAY_IMPORT[folder];
  if (!mayImport) faults.push(`${path}: the import rule knows no folder ${folder}`);
  for (const target of importsOf(path)) {
    if (!mayImport || !target.startsWith('.')) continue;
    const [other, otherStop, otherFile] = relative(
      join(root, 'web/src'),
      resolve(root, dirname(path), target),
    ).split('/');
    const isFolder = otherStop !== undefined && other !== '..';
    if (isFolder && other !== folder && !mayImport.includes(other))
      faults.push(`${path} imports ${target}: ${folder} may not import ${other}`);
    const isOtherStop =
      other === 'stops' && otherFile !== undefined && (folder !== 'stops' || otherStop !== stop);
    if (isOtherStop && !(folder === 'stops' && file === undefined && stop === 'stops.ts'))
      faults.push(`${path} imports ${target}: only the list of stops imports a stop`);
  }
}
for (const owner of ['core', 'web', 'server', 'cli']) {
  for (const path of sources(join(owner, 'src'))) {
    for (const target of importsOf(path)) {
      const foreign = ['web', 'server', 'cli'].find(
        (each) =>
          each !== owner && (target.startsWith(`@green-thicket/${each}`) || target.includes(`../${each}/`)),
      );
      if (foreign) faults.push(`${path} imports ${target}: nothing imports ${foreign}`);
    }
  }
}
/** Files that import each other in a circle, as the shortest way round through each; `read` gives what a file imports. */
function circles(files, read) {
  const found = [];
  const state = new Map();
  const way = [];
  const visit = (file) => {
    state.set(file, 'open');
    way.push(file);
    for (const next of read(file)) {
      if (state.get(next) === 'open') found.push([...way.slice(way.indexOf(next)), next]);
      else if (!state.has(next)) visit(next);
    }
    way.pop();
    state.set(file, 'done');
  };
  for (const file of files) if (!state.has(file)) visit(file);
  return found;
}

for (const owner of ['core', 'web', 'server', 'cli']) {
  const files = new Set(sources(join(owner, 'src')));
  const read = (path) =>
    importsOf(path)
      .filter((target) => target.startsWith('.'))
      .map((target) => relative(root, resolve(root, dirname(path), target)))
      .filter((target) => files.has(target));
  for (const circle of circles(files, read)) faults.push(`a circle of imports: ${circle.join(' → ')}`);
}
if (faults.length > 0) {
  console.error(faults.join('\n'));
  process.exit(1);
}
console.log('Imports follow the order of the stages.');
