import { randomUUID } from 'node:crypto';
import {
  createWriteStream,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { sniff, type FileFormat } from './import/importFile';
import { LARGEST_FILE_BYTES } from './import/request';
import { UnreadableFile } from './import/text';
import type { Service } from './service';

/** A file that was given and waits to be checked. */
export interface Upload {
  readonly id: string;
  readonly name: string;
  readonly bytes: number;
  readonly format: FileFormat;
}

/** Days after which a file nobody went on with is thrown away. */
const KEPT_MS = 2 * 24 * 3600 * 1000;

function folder(service: Service): string {
  const path = join(dirname(service.path), 'inbox');
  mkdirSync(path, { recursive: true });
  return path;
}

const ID = /^[0-9a-f-]{36}$/;

/** Where an upload lies; undefined for an id that is none, so that no path is made of it. */
export function uploadPath(service: Service, id: string): string | undefined {
  if (!ID.test(id)) return undefined;
  const path = join(folder(service), `${id}.file`);
  return existsSync(path) ? path : undefined;
}

export const stagingPath = (service: Service, id: string): string => join(folder(service), `${id}.staging`);
export const requestPath = (service: Service, id: string): string => join(folder(service), `${id}.request.json`);

export function readUpload(service: Service, id: string): Upload | undefined {
  if (uploadPath(service, id) === undefined) return undefined;
  return JSON.parse(readFileSync(join(folder(service), `${id}.json`), 'utf8')) as Upload;
}

/**
 * Keeps a file as it arrives, without holding it in memory.
 * @throws UnreadableFile when it is longer than files may be
 */
export async function keepUpload(service: Service, name: string, body: ReadableStream<Uint8Array>): Promise<Upload> {
  sweep(service);
  room(service);
  const id = randomUUID();
  const path = join(folder(service), `${id}.file`);
  let bytes = 0;
  const limit = new Transform({
    transform(chunk: Buffer, _, done) {
      bytes += chunk.length;
      done(
        bytes > LARGEST_FILE_BYTES
          ? new UnreadableFile(
              'file',
              `is larger than ${LARGEST_FILE_BYTES / 1e9} GB; files of up to ${LARGEST_FILE_BYTES / 1e9} GB are read. Split it`,
            )
          : null,
        chunk,
      );
    },
  });
  try {
    await pipeline(Readable.fromWeb(body as Parameters<typeof Readable.fromWeb>[0]), limit, createWriteStream(path));
  } catch (error) {
    rmSync(path, { force: true });
    throw error;
  }
  const upload = { id, name: name.slice(0, 200), bytes, format: await sniff(path) };
  writeFileSync(join(folder(service), `${id}.json`), JSON.stringify(upload));
  return upload;
}

export function dropUpload(service: Service, id: string): void {
  if (!ID.test(id)) return;
  for (const file of readdirSync(folder(service)))
    if (file.startsWith(id)) rmSync(join(folder(service), file), { force: true });
}

/** Files that may wait at once, and what they may take together. */
const MOST_FILES = 40;
const MOST_BYTES = 3 * LARGEST_FILE_BYTES;

/** @throws UnreadableFile when so much waits already that no more is taken */
function room(service: Service): void {
  const waiting = readdirSync(folder(service)).filter((file) => file.endsWith('.file'));
  const bytes = waiting.reduce((all, file) => all + statSync(join(folder(service), file)).size, 0);
  if (waiting.length >= MOST_FILES || bytes >= MOST_BYTES)
    throw new UnreadableFile(
      'inbox',
      `holds ${waiting.length} files of ${(bytes / 1e9).toFixed(1)} GB that nobody went on with; throw some away, or wait: they go after two days`,
    );
}

function sweep(service: Service): void {
  const oldest = Date.now() - KEPT_MS;
  for (const file of readdirSync(folder(service))) {
    const path = join(folder(service), file);
    if (statSync(path).mtimeMs < oldest) rmSync(path, { force: true });
  }
}
