// The notices of what others made and is delivered with the application.
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const NOTICE = /^(?:licen[cs]e|copying|notice)(?:[.-]|$)/i;

/** What a folder says of its licence, file by file. */
const noticesIn = (folder) =>
  readdirSync(folder)
    .filter((name) => NOTICE.test(name))
    .sort()
    .map((name) => readFileSync(join(folder, name), 'utf8').trim());

/**
 * The packages that are delivered, by the lock file, and the word lists, each with its licence; as plain text.
 *
 * @param root the project's folder, with its packages installed
 */
export function licences(root) {
  const { packages } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'));
  const delivered = Object.entries(packages)
    .filter(([path, { dev, link }]) => path.includes('node_modules/') && !dev && !link)
    .filter(([path]) => existsSync(join(root, path)))
    .map(([path, { version, license = 'licence not named' }]) => ({
      title: `${path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length)} ${version} (${license})`,
      notices: noticesIn(join(root, path)),
    }));
  const lists = { title: 'Word lists', notices: noticesIn(join(root, 'core/lexicon')) };
  const said = [...delivered, lists]
    .sort((a, b) => (a.title < b.title ? -1 : 1))
    .map(({ title, notices }) => [title, '='.repeat(title.length), ...notices].join('\n\n'));
  return ['What others made and Green Thicket is built with, with their licences.', ...said, ''].join(
    '\n\n\n',
  );
}
