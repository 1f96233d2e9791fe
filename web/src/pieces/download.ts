/** A file name of a title: what no file system minds. */
export function fileName(title: string, ending: string): string {
  const safe = title
    .replace(/[^\p{L}\p{N} _-]+/gu, '')
    .trim()
    .slice(0, 80);
  return `${safe === '' ? 'study' : safe}${ending}`;
}

/** Hands the researcher a file to keep. */
export function download(name: string, content: BlobPart, type: string): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // The browser reads the address once the click is handled.
  setTimeout(() => URL.revokeObjectURL(address), 60_000);
}
