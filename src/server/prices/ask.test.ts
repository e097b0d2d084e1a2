import { mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { MOST_BYTES, textAt, textOfFile } from './ask';

const servers: Server[] = [];
async function serving(listener: RequestListener): Promise<number> {
  const server = createServer(listener);
  servers.push(server);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return (server.address() as AddressInfo).port;
}
afterEach(async () => {
  for (const server of servers.splice(0)) {
    server.closeAllConnections();
    await new Promise((resolve) => server.close(resolve));
  }
});

const ask = (port: number, { also = [] as number[], host = '127.0.0.1', ms = 2000, most = MOST_BYTES } = {}) =>
  textAt(`http://${host}:${port}/`, {
    reach: { loopbackPorts: [port, ...also], hosts: [] },
    signal: AbortSignal.timeout(ms),
    mostBytes: most,
  });

describe('asking an address', () => {
  test('plain, gzip and brotli are the same text', async () => {
    for (const [name, pack] of [
      ['identity', Buffer.from],
      ['gzip', gzipSync],
      ['br', brotliCompressSync],
    ] as const) {
      const port = await serving((_, answer) => {
        answer.setHeader('content-encoding', name);
        answer.end(pack('part,price\n'));
      });
      expect(await ask(port)).toBe('part,price\n');
    }
  });

  test('a name that leads to this machine is looked at where it leads', async () => {
    const port = await serving((_, answer) => answer.end('secret'));
    expect(await ask(port, { host: 'localhost' })).toBe('secret');
    await expect(
      textAt(`http://localhost:${port}/`, {
        reach: { loopbackPorts: [], hosts: ['localhost'] },
        signal: AbortSignal.timeout(2000),
      }),
    ).rejects.toThrow('on this machine');
  });

  test('each address that it sends on to is held against the same rules', async () => {
    const inner = await serving((_, answer) => answer.end('secret'));
    const outer = await serving((_, answer) => answer.writeHead(302, { location: `http://127.0.0.1:${inner}/` }).end());
    await expect(ask(outer)).rejects.toThrow(`port ${inner} is not among`);
    expect(await ask(outer, { also: [inner] })).toBe('secret');
    const link = await serving((_, answer) => answer.writeHead(307, { location: 'http://169.254.169.254/' }).end());
    await expect(ask(link)).rejects.toThrow('no source of prices');
    const circle = await serving((_, answer) => answer.writeHead(302, { location: '/' }).end());
    await expect(ask(circle)).rejects.toThrow('more than 3 times');
  });

  test('an answer that grows past a limit is given up while it is read, packed or not', async () => {
    const endless = await serving((request, answer) => {
      const more = () => {
        while (!request.destroyed && answer.write(Buffer.alloc(65_536, 'x')));
      };
      answer.on('drain', more);
      more();
    });
    await expect(ask(endless, { most: 1_000_000 })).rejects.toThrow('larger than 1 MB');
    // 40 MB of one letter in 40 kB: a thousand to one
    const bomb = gzipSync(Buffer.alloc(40_000_000, 'x'));
    const port = await serving((_, answer) => {
      answer.setHeader('content-encoding', 'gzip');
      answer.end(bomb);
    });
    await expect(ask(port)).rejects.toThrow('larger than');
  });

  test('an answer that never ends is given up in time; one that breaks off is no answer', async () => {
    const slow = await serving((_, answer) => void answer.write('part'));
    await expect(ask(slow, { ms: 100 })).rejects.toThrow();
    const broken = await serving((_, answer) => {
      answer.setHeader('content-encoding', 'gzip');
      answer.write(gzipSync('part,price').subarray(0, 12), () => answer.destroy());
    });
    await expect(ask(broken)).rejects.toThrow();
    const strange = await serving((_, answer) => answer.setHeader('content-encoding', 'strange').end('x'));
    await expect(ask(strange)).rejects.toThrow('packed in a way');
  });
});

describe('a file of prices', () => {
  let folder: string;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'vane-feeds-'));
    mkdirSync(join(folder, 'in'));
    writeFileSync(join(folder, 'in', 'mine.csv'), 'part,price\n');
    writeFileSync(join(folder, 'other.csv'), 'secret');
    symlinkSync(join(folder, 'other.csv'), join(folder, 'in', 'link.csv'));
  });
  afterEach(() => rmSync(folder, { recursive: true }));
  const read = (name: string, within: string | undefined = join(folder, 'in')) =>
    textOfFile(join(folder, name), { loopbackPorts: [], hosts: [], folder: within });

  test('is read in the folder that is named, and nowhere else, whatever the path looks like', async () => {
    expect(await read('in/mine.csv')).toBe('part,price\n');
    await expect(read('other.csv')).rejects.toThrow('does not lie in');
    await expect(read('in/../other.csv')).rejects.toThrow('does not lie in');
    await expect(read('in/link.csv')).rejects.toThrow('does not lie in');
    await expect(read('in')).rejects.toThrow('does not lie in');
    await expect(read('in/none.csv')).rejects.toThrow('there is no file');
    await expect(textOfFile(join(folder, 'in', 'mine.csv'), { loopbackPorts: [], hosts: [] })).rejects.toThrow(
      'no folder is named',
    );
  });
});
