/** What every platform the core runs on has for reading and writing encodings (the WHATWG Encoding standard). */
declare class TextDecoder {
  constructor(label: string, options?: { fatal?: boolean; ignoreBOM?: boolean });
  decode(bytes: Uint8Array): string;
}
declare class TextEncoder {
  encode(text: string): Uint8Array<ArrayBuffer>;
}
