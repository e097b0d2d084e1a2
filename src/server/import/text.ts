import { Refusal } from '../refuse';
import { createReadStream } from 'node:fs';
import { open } from 'node:fs/promises';

/** Encodings that can be chosen; labels of the WHATWG Encoding Standard, so that the platform decodes them. */
export const ENCODINGS = [
  'utf-8',
  'utf-16le',
  'utf-16be',
  'windows-1252',
  'windows-1250',
  'windows-1251',
  'windows-1253',
  'windows-1254',
  'iso-8859-2',
  'iso-8859-15',
  'koi8-r',
  'gb18030',
  'shift_jis',
  'euc-kr',
  'big5',
] as const;
export type Encoding = (typeof ENCODINGS)[number];

/** A file that cannot be read at all, in words for the person who gave it. */
export class UnreadableFile extends Refusal {
  constructor(path: string, message: string) {
    super([{ path, message }]);
    this.name = 'UnreadableFile';
  }
}

const SAMPLE_BYTES = 65_536;

/** The first bytes of a file. */
export async function sampleOf(path: string, bytes = SAMPLE_BYTES): Promise<Buffer> {
  const file = await open(path);
  try {
    const buffer = Buffer.alloc(bytes);
    const { bytesRead } = await file.read(buffer, 0, bytes, 0);
    return buffer.subarray(0, bytesRead);
  } finally {
    await file.close();
  }
}

/**
 * Encoding of a text from its first bytes: a byte-order mark says it; else every second byte zero says UTF-16; else what
 * is valid UTF-8 is UTF-8, and what is not is taken for the western code page, which the person can change.
 */
export function detectEncoding(sample: Buffer): Encoding {
  if (sample[0] === 0xef && sample[1] === 0xbb && sample[2] === 0xbf) return 'utf-8';
  if (sample[0] === 0xff && sample[1] === 0xfe) return 'utf-16le';
  if (sample[0] === 0xfe && sample[1] === 0xff) return 'utf-16be';
  let even = 0;
  let odd = 0;
  for (let i = 0; i + 1 < sample.length; i += 2) {
    if (sample[i] === 0) even++;
    if (sample[i + 1] === 0) odd++;
  }
  const pairs = sample.length / 2;
  if (pairs >= 2 && odd > pairs * 0.3 && even < pairs * 0.05) return 'utf-16le';
  if (pairs >= 2 && even > pairs * 0.3 && odd < pairs * 0.05) return 'utf-16be';
  try {
    // the last character may be cut in two by the end of the sample
    new TextDecoder('utf-8', { fatal: true }).decode(sample, { stream: true });
    return 'utf-8';
  } catch {
    return 'windows-1252';
  }
}

/** Where reading has got to, for progress. */
export type OnBytes = (bytes: number) => void;

/**
 * The text of a file in pieces, decoded strictly and without its byte-order mark.
 * @throws UnreadableFile at the first byte that the encoding does not have
 */
export async function* textOf(
  path: string,
  encoding: string,
  onBytes: OnBytes = () => undefined,
): AsyncGenerator<string> {
  const decoder = new TextDecoder(encoding, { fatal: true });
  let bytes = 0;
  const decode = (chunk?: Buffer): string => {
    try {
      return chunk ? decoder.decode(chunk, { stream: true }) : decoder.decode();
    } catch {
      throw new UnreadableFile(
        'file',
        `holds bytes that are not ${encoding}, between byte ${Math.max(0, bytes - (chunk?.length ?? 0))} and ${bytes}; choose the encoding it was saved in`,
      );
    }
  };
  for await (const chunk of createReadStream(path, { highWaterMark: 262_144 }) as AsyncIterable<Buffer>) {
    bytes += chunk.length;
    const text = decode(chunk);
    onBytes(bytes);
    if (text !== '') yield text;
  }
  const rest = decode();
  if (rest !== '') yield rest;
}
