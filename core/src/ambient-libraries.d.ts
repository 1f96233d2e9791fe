// Libraries without types of their own: what of them is used here.

declare module 'snowball-stemmers' {
  export function newStemmer(language: string): { stem(word: string): string };
}
declare module 'stopword' {
  export const deu: readonly string[];
  export const fra: readonly string[];
  export const spa: readonly string[];
  export const ita: readonly string[];
  export const por: readonly string[];
  export const nld: readonly string[];
  export const swe: readonly string[];
  export const zho: readonly string[];
  export const jpn: readonly string[];
}
declare module 'mammoth/mammoth.browser.js' {
  const mammoth: {
    extractRawText(input: { readonly arrayBuffer: ArrayBuffer }): Promise<{ readonly value: string }>;
  };
  export default mammoth;
}
declare module 'read-excel-file/universal' {
  export default function readXlsxFile(
    input: ArrayBuffer,
    options?: { readonly trim?: boolean },
  ): Promise<readonly { readonly sheet: string; readonly data: readonly (readonly unknown[])[] }[]>;
}
declare module 'pdfjs-dist/legacy/build/pdf.worker.mjs';
declare module 'pdfjs-dist/legacy/build/pdf.mjs' {
  export interface TextItem {
    readonly str: string;
    readonly hasEOL: boolean;
    readonly width: number;
    readonly height: number;
    /** Matrix of the item; the last two are where it stands. */
    readonly transform: readonly number[];
  }
  export interface PdfPage {
    getTextContent(): Promise<{ readonly items: readonly (TextItem | { readonly type: string })[] }>;
    cleanup(): void;
  }
  export interface PdfDocument {
    readonly numPages: number;
    getPage(number: number): Promise<PdfPage>;
  }
  export function getDocument(options: Readonly<Record<string, unknown>>): {
    readonly promise: Promise<PdfDocument>;
    destroy(): Promise<void>;
  };
}
declare module 'saxen' {
  /** An event-based reader of XML with namespaces; throws on XML that is not well formed unless `error` is heard. */
  export class Parser {
    ns(prefixes: Readonly<Record<string, string>>): this;
    on(
      event: 'openTag',
      heard: (
        name: string,
        attributes: () => Readonly<Record<string, string>>,
        decode: (text: string) => string,
        isSelfClosing: boolean,
      ) => void,
    ): this;
    on(event: 'closeTag', heard: (name: string) => void): this;
    on(event: 'text', heard: (value: string, decode: (text: string) => string) => void): this;
    on(event: 'cdata', heard: (value: string) => void): this;
    on(event: 'error', heard: (error: Error) => void): this;
    parse(xml: string): unknown;
  }
}
