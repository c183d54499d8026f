/** The Encoding standard's decoder: in every browser, worker and Node, though not in the language's own library. */
declare class TextDecoder {
  constructor(label: string, options?: { fatal?: boolean });
  decode(bytes: Uint8Array): string;
}

const BYTE_ORDER_MARKS: readonly (readonly [string, readonly number[]])[] = [
  ['utf-8', [0xef, 0xbb, 0xbf]],
  ['utf-16le', [0xff, 0xfe]],
  ['utf-16be', [0xfe, 0xff]],
];

/**
 * Text of a file: by its byte order mark, else UTF-8, else (bytes that UTF-8 can't have) Windows-1252, in which older spreadsheets
 * save. Never throws.
 */
export function decodeText(bytes: Uint8Array): string {
  for (const [encoding, mark] of BYTE_ORDER_MARKS)
    if (mark.every((byte, i) => bytes[i] === byte)) return new TextDecoder(encoding).decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
