import { ownValue } from '@green-thicket/core/base/records';
import { DAMAGED, StoreError } from './store-error.ts';
import { Dexie, type DBCore, type DBCoreTable, type Middleware } from 'dexie';

const IV = 12;

/** A row as it is kept: what finds it in the clear, all else sealed; Blobs each as a sealed Blob. */
interface SealedRow {
  readonly sealed: Uint8Array<ArrayBuffer>;
  readonly [clear: string]: unknown;
}

type Row = Readonly<Record<string, unknown>>;

async function sealBytes(
  key: CryptoKey,
  bytes: Uint8Array<ArrayBuffer>,
  place: Uint8Array<ArrayBuffer>,
): Promise<Uint8Array<ArrayBuffer>> {
  const iv = crypto.getRandomValues(new Uint8Array(IV));
  const content = await crypto.subtle.encrypt({ name: 'AES-GCM', iv, additionalData: place }, key, bytes);
  const whole = new Uint8Array(IV + content.byteLength);
  whole.set(iv);
  whole.set(new Uint8Array(content), IV);
  return whole;
}

async function openBytes(
  key: CryptoKey,
  whole: Uint8Array<ArrayBuffer>,
  place: Uint8Array<ArrayBuffer>,
): Promise<ArrayBuffer> {
  const iv = whole.subarray(0, IV);
  try {
    return await crypto.subtle.decrypt(
      { name: 'AES-GCM', iv, additionalData: place },
      key,
      whole.subarray(IV),
    );
  } catch (error) {
    throw new StoreError(DAMAGED, { cause: error });
  }
}

/** Seals and opens the rows of one table. */
function rowSealer(key: CryptoKey, { name, schema }: DBCoreTable) {
  const clear = new Set([schema.primaryKey, ...schema.indexes].flatMap(({ keyPath }) => keyPath ?? []));
  const primary = String(schema.primaryKey.keyPath);
  // Bound to its table and key, a sealed row opens nowhere else.
  const placeOf = (row: Row): Uint8Array<ArrayBuffer> =>
    new TextEncoder().encode(`${name} ${String(ownValue(row, primary))}`);
  return {
    async seal(row: Row): Promise<SealedRow> {
      const place = placeOf(row);
      const fields = Object.entries(row);
      const hidden = fields.filter(([field, value]) => !clear.has(field) && !(value instanceof Blob));
      const blobs = fields.map(async ([field, value]): Promise<[string, unknown]> => {
        if (!(value instanceof Blob)) return [field, value];
        const sealed = await sealBytes(key, new Uint8Array(await value.arrayBuffer()), place);
        return [field, new Blob([sealed])];
      });
      const shown = (await Promise.all(blobs)).filter(
        ([field, value]) => clear.has(field) || value instanceof Blob,
      );
      const json = new TextEncoder().encode(JSON.stringify(Object.fromEntries(hidden)));
      return { ...Object.fromEntries(shown), sealed: await sealBytes(key, json, place) };
    },
    async open(row: SealedRow | undefined): Promise<Row | undefined> {
      if (row === undefined) return undefined;
      const { sealed, ...shown } = row;
      const place = placeOf(row);
      const json = new TextDecoder().decode(await openBytes(key, sealed, place));
      const opened = Object.entries(shown).map(async ([field, value]): Promise<[string, unknown]> => {
        if (!(value instanceof Blob)) return [field, value];
        return [field, new Blob([await openBytes(key, new Uint8Array(await value.arrayBuffer()), place)])];
      });
      return { ...Object.fromEntries(await Promise.all(opened)), ...(JSON.parse(json) as Row) };
    },
  };
}

function sealedTable(key: CryptoKey, table: DBCoreTable): DBCoreTable {
  const { seal, open } = rowSealer(key, table);
  // A transaction ends where nothing is asked of it; it is kept waiting while the browser seals or opens.
  const all = <A, B>(rows: readonly A[], each: (row: A) => Promise<B>): PromiseLike<B[]> =>
    Dexie.waitFor(Promise.all(rows.map(each)));
  return {
    ...table,
    mutate: (request) =>
      request.type === 'add' || request.type === 'put'
        ? Promise.resolve(all(request.values as Row[], seal)).then((values) =>
            table.mutate({ ...request, values }),
          )
        : table.mutate(request),
    get: (request) =>
      table.get(request).then((row: SealedRow | undefined) => all([row], open).then(([opened]) => opened)),
    getMany: (request) => table.getMany(request).then((rows) => all(rows as SealedRow[], open)),
    query: (request) =>
      table
        .query(request)
        .then((answer) =>
          request.values === true
            ? all(answer.result as SealedRow[], open).then((result) => ({ ...answer, result }))
            : answer,
        ),
    openCursor(request) {
      if (request.values === true) throw new Error('Rows of a study with a password are read as lists.');
      return table.openCursor(request);
    },
  };
}

/**
 * Has a database keep its rows sealed with AES-GCM: all but the keys and indexes they are found by (numbers of decisions,
 * hashes that name sources, times of notes). Whoever asks for rows gets them opened.
 */
export const sealedRows = (key: CryptoKey): Middleware<DBCore> => ({
  stack: 'dbcore',
  name: 'sealed rows',
  // Below the library's own layers, which look into rows.
  level: -10,
  create: (down) => ({ ...down, table: (name) => sealedTable(key, down.table(name)) }),
});
