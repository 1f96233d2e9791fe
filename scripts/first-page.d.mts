/** Scripts and styles of the first page, and their size compressed by gzip, in bytes. */
export function firstPage(folder: string): { readonly files: readonly string[]; readonly bytes: number };
