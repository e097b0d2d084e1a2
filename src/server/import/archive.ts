import { createWriteStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { Transform } from 'node:stream';
import { createHash } from 'node:crypto';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { ZipFile as ZipWriter } from 'yazl';
import { join } from 'node:path';
import { UnreadableFile } from './text';

/** Members of an archive, each read by its fixed name: a name from the file never becomes a path. */
export const MEMBERS = ['vane-archive.json', 'catalogue.json', 'project.json', 'around.json'] as const;
export type Member = (typeof MEMBERS)[number];

/** A text shrinks to a fiftieth at most when it is repetitive; a thousandth is a trap. */
const HIGHEST_RATIO = 250;
/** A small file may be one repeated line and still harmless. */
const FREE_BYTES = 1_000_000;
export const LARGEST_INFLATED = 2_000_000_000;

/** Ratio and size are held to while inflating too: what an archive states of itself may be a lie. */
function guard(entry: Entry): Transform {
  let bytes = 0;
  return new Transform({
    transform(chunk: Buffer, _, done) {
      bytes += chunk.length;
      done(
        bytes > LARGEST_INFLATED || (bytes > FREE_BYTES && bytes > entry.compressedSize * HIGHEST_RATIO)
          ? tooLarge(entry.fileName)
          : null,
        chunk,
      );
    },
  });
}

const tooLarge = (name: string) =>
  new UnreadableFile(
    name,
    `inflates more than ${HIGHEST_RATIO}-fold or beyond ${LARGEST_INFLATED / 1e9} GB; an archive of ours does not, so it is not read`,
  );

const openZip = (path: string): Promise<ZipFile> =>
  new Promise((resolve, reject) =>
    yauzl.open(
      path,
      { lazyEntries: true, decodeStrings: true, validateEntrySizes: true, strictFileNames: true },
      (error, zip) => {
        if (error) reject(new UnreadableFile('file', zipMessage(error)));
        else resolve(zip);
      },
    ),
  );

const zipMessage = (error: Error): string => {
  if (/absolute path|invalid relative path|invalid characters/.test(error.message))
    return `holds a member that climbs out of its folder (${error.message}); it is not read`;
  if (/end of central directory|unexpected EOF|out of bounds|too short/i.test(error.message))
    return 'is an archive that was cut off; copy it again';
  return `is not a readable archive: ${error.message}`;
};

/** Unpacks the known members into `folder`; anything else in the archive is refused. */
export async function unpack(path: string, folder: string): Promise<ReadonlyMap<Member, string>> {
  const zip = await openZip(path);
  const found = new Map<Member, string>();
  try {
    await new Promise<void>((resolve, reject) => {
      zip.on('error', (error: Error) => reject(new UnreadableFile('file', zipMessage(error))));
      zip.on('end', resolve);
      zip.on('entry', (entry: Entry) => {
        const member = MEMBERS.find((name) => name === entry.fileName);
        if (!member)
          return reject(
            new UnreadableFile(
              entry.fileName,
              `is not a member of a Vane archive; it holds ${MEMBERS.join(', ')} and nothing else`,
            ),
          );
        if (found.has(member)) return reject(new UnreadableFile(member, 'stands twice in the archive'));
        if (entry.uncompressedSize > Math.max(FREE_BYTES, entry.compressedSize * HIGHEST_RATIO))
          return reject(tooLarge(member));
        zip.openReadStream(entry, (error, stream) => {
          if (error) return reject(new UnreadableFile(member, zipMessage(error)));
          const target = join(folder, member);
          pipeline(stream, guard(entry), createWriteStream(target)).then(
            () => {
              found.set(member, target);
              zip.readEntry();
            },
            (reason: unknown) =>
              reject(
                reason instanceof UnreadableFile
                  ? reason
                  : new UnreadableFile(
                      member,
                      'is damaged: its contents do not match their checksum or end early; copy the archive again',
                    ),
              ),
          );
        });
      });
      zip.readEntry();
    });
  } finally {
    zip.close();
  }
  if (!found.has('vane-archive.json'))
    throw new UnreadableFile('file', 'is not an archive of ours: it has no vane-archive.json');
  return found;
}

/** A fixed date, so that the same contents give the same archive. */
const EPOCH = new Date('2020-01-01T00:00:00Z');

/** Packs members into an archive; their checksums stand in the manifest. */
export function pack(
  name: string,
  members: ReadonlyMap<Exclude<Member, 'vane-archive.json'>, string>,
): NodeJS.ReadableStream {
  const zip = new ZipWriter();
  const manifest = {
    format: 'vane-archive',
    version: 1,
    name,
    // what somebody who opens it elsewhere would look for in vain
    leftOut: ['undo lists', 'settings', 'what was removed', 'steps of the library', 'reports of refreshes'],
    members: Object.fromEntries(
      [...members].map(([member, text]) => [
        member,
        { sha256: createHash('sha256').update(text).digest('hex'), bytes: Buffer.byteLength(text) },
      ]),
    ),
  };
  zip.addBuffer(Buffer.from(`${JSON.stringify(manifest, null, 1)}\n`), 'vane-archive.json', { mtime: EPOCH });
  for (const [member, text] of members) zip.addBuffer(Buffer.from(text), member, { mtime: EPOCH });
  zip.end();
  return zip.outputStream;
}
