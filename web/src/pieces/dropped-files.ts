/** A file with its place in what was chosen or dropped. */
export interface BroughtFile {
  readonly name: string;
  readonly file: Blob;
}

/** Hidden files of the operating system are nobody's texts. */
const isHidden = (name: string): boolean =>
  name.split('/').some((part) => part.startsWith('.')) || /(?:^|\/)(?:Thumbs\.db|desktop\.ini)$/.test(name);

/** Names without the one folder that all stand in. */
function withoutSharedFolder(files: readonly BroughtFile[]): BroughtFile[] {
  const first = files[0]?.name ?? '';
  const folder = first.slice(0, first.indexOf('/') + 1);
  if (folder === '' || !files.every(({ name }) => name.startsWith(folder))) return [...files];
  return files.map(({ name, file }) => ({ name: name.slice(folder.length), file }));
}

/** Chosen files in the order of their names, with their place in a chosen folder. */
export function chosenFiles(list: Iterable<File>): BroughtFile[] {
  const files = Array.from(list, (file) => ({ name: file.webkitRelativePath || file.name, file }));
  const shown = withoutSharedFolder(files).filter(({ name }) => !isHidden(name));
  return shown.sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0));
}

async function filesOfEntry(entry: FileSystemEntry): Promise<BroughtFile[]> {
  if (entry.isFile) {
    const file = await new Promise<File>((resolve, reject) =>
      (entry as FileSystemFileEntry).file(resolve, reject),
    );
    return [{ name: entry.fullPath.replace(/^\//, ''), file }];
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  const files: BroughtFile[] = [];
  // A folder is handed out in portions, until one is empty.
  for (;;) {
    const portion = await new Promise<FileSystemEntry[]>((resolve, reject) =>
      reader.readEntries(resolve, reject),
    );
    if (portion.length === 0) return files;
    for (const inner of portion) for (const file of await filesOfEntry(inner)) files.push(file);
  }
}

/** The files of a drop, those of dropped folders too. */
export async function droppedFiles(transfer: DataTransfer): Promise<BroughtFile[]> {
  // The list is emptied once the event is over, so everything is taken from it at once.
  const plain = Array.from(transfer.files);
  const entries = Array.from(transfer.items, (item) => item.webkitGetAsEntry()).filter(
    (entry) => entry !== null,
  );
  if (!entries.some((entry) => entry.isDirectory)) return chosenFiles(plain);
  const files = (await Promise.all(entries.map(filesOfEntry))).flat();
  const shown = withoutSharedFolder(files).filter(({ name }) => !isHidden(name));
  return shown.sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0));
}
