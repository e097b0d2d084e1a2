import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import { contextOf } from '@/core/assess';
import { PAPER_SCRIPT, PAPER_SCRIPT_HASH, quotePage } from '@/core/formats/paper/html';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import { compileCatalogue } from '@/core/model/catalogue';
import type { Quote } from '@/core/quote/document';
import { quoteOf } from '@/core/quote/quote';
import { quoteTermsSchema } from '@/core/quote/terms';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { DEMO_TODAY } from '@/demo/seed';
import { faceOf, openType } from './fonts';
import { quotePdf } from './pdf';
import { lines, pieces, type Run } from './runs';
import { createHash } from 'node:crypto';

const folder = mkdtempSync(join(tmpdir(), 'vane-paper-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const catalogue = compileCatalogue(catalogueSchema.parse(demoCatalogue()));
const context = contextOf(catalogue, DEMO_TODAY);

function filmQuote(given: Record<string, unknown> = {}): Quote {
  const film = demoSeats().find(({ seatId }) => seatId === 'film-desk');
  const [machine, other] = [film?.drafts[1], film?.drafts[0]];
  if (!film || !machine || !other) throw new Error('no film desk');
  const made = quoteOf(
    machine.name,
    [{ id: machine.id, brief: film.brief, machine, others: [other], present: film.drafts[2], context }],
    quoteTermsSchema.parse({
      from: { name: 'Quillstone Workshop', address: ['4 Harbour Stairs'], taxNumber: 'QW 4471' },
      client: { name: 'Ninefathom Survey Cooperative' },
      labour: [{ name: 'Assembly', hours: 3, hourMinor: 48_00 }],
      options: [{ id: 'more', name: 'A second drive', part: 'dromolite-spate-2-tb' }],
      depositPercent: '40',
      warrantyMonths: 24,
      returnDays: 14,
      notIncluded: ['moving of data'],
      ...given,
    }),
  );
  if ('code' in made) throw new Error(made.code);
  return made.quote;
}

let made = 0;
async function printed(quote: Quote): Promise<{ path: string; text: string; info: string }> {
  const path = join(folder, `quote-${++made}.pdf`);
  writeFileSync(path, await quotePdf(quote));
  const run = (command: string, ...args: string[]): string => {
    const { status, stdout, stderr } = spawnSync(command, args, { encoding: 'utf8' });
    if (status !== 0) throw new Error(`${command}: ${stderr}`);
    return stdout;
  };
  return {
    path,
    text: run('pdftotext', '-layout', path, '-'),
    info: run('pdfinfo', path),
  };
}
/** Ink on a page: how much of it is dark, as grey pixels of 96 a inch. */
function inkOf(
  path: string,
  page: number,
): { width: number; height: number; dark: (x0: number, y0: number, x1: number, y1: number) => number } {
  const { stdout } = spawnSync('pdftoppm', ['-r', '96', '-gray', '-f', String(page), '-l', String(page), path], {
    maxBuffer: 1e8,
  });
  const head = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(stdout.toString('latin1', 0, 40));
  if (!head) throw new Error('no picture');
  const [width, height] = [Number(head[1]), Number(head[2])];
  const pixels = stdout.subarray(head[0].length);
  return {
    width,
    height,
    dark: (x0, y0, x1, y1) => {
      let count = 0;
      for (let y = y0; y < y1; y++) for (let x = x0; x < x1; x++) if ((pixels[y * width + x] ?? 255) < 128) count++;
      return count;
    },
  };
}

describe('a quote on paper', () => {
  test('says all that the page says, in A4, tagged, with its fonts in it', async () => {
    const quote = filmQuote();
    const { text, info, path } = await printed(quote);
    expect(info).toMatch(/Page size:\s+595\.28 x 841\.89 pts \(A4\)/);
    expect(info).toMatch(/Tagged:\s+yes/);
    const pages = Number(/Pages:\s+(\d+)/.exec(info)?.[1]);
    expect(pages).toBe(2);
    for (let page = 1; page <= pages; page++) expect(text).toContain(`Page ${page} of ${pages}`);
    for (const wanted of [
      'Quillstone Workshop',
      'QW 4471',
      'Quote 1, revision 1: Draft B',
      'A second drive',
      'Cut UHD dive footage',
      'Why these parts',
      'Beside others',
      'Over 4 years ',
      'Place and day',
      'Not in the price: ',
    ])
      expect(text).toContain(wanted);
    const coins = new Intl.NumberFormat('en-US', { minimumFractionDigits: 2 }).format(quote.totalMinor / 100);
    expect(text).toContain(coins);
    const tags = spawnSync('pdfinfo', ['-struct', path], { encoding: 'utf8' }).stdout;
    for (const tag of ['H1', 'H2', 'Table', 'TR', 'TH', 'TD', 'L', 'LBody'])
      expect(tags).toMatch(new RegExp(`\\b${tag}\\b`));
    const fonts = spawnSync('pdffonts', [path], { encoding: 'utf8' }).stdout.trim().split('\n').slice(2);
    expect(fonts.length).toBeGreaterThan(1);
    // name, type, encoding, embedded, subset, unicode
    for (const font of fonts) expect(font).toMatch(/Identity-H\s+yes\s+yes\s+yes/);
  });

  test('in letter and German: another sheet, other words and numbers, nothing of English left', async () => {
    const { text, info } = await printed(filmQuote({ sheet: 'letter', locale: 'de' }));
    expect(info).toMatch(/Page size:\s+612 x 792 pts \(letter\)/);
    expect(text).toContain('Angebot 1, Fassung 1: Draft B');
    expect(text).toMatch(/\d\.\d{3},\d{2}/);
    expect(text).toContain('18. Mai 2026');
    expect(text).toContain('Bilder/s');
    for (const word of ['Quote', 'Total', 'needed', 'machine', 'price', 'with', 'sets the pace', 'fps', 'until'])
      expect(text.replace(/Present machine/g, '')).not.toMatch(new RegExp(`\\b${word}\\b`));
  });

  test('names in any script are there as text and as ink', async () => {
    const names = {
      hebrew: 'מעבדת הים',
      arabic: 'سفينة المسح',
      chinese: '海洋調查船',
      japanese: 'センター',
      korean: '가람해양',
      hindi: 'समुद्र',
      thai: 'ทะเล',
      greek: 'Θάλασσα',
      cyrillic: 'Море',
    };
    const { text, path } = await printed(
      filmQuote({ client: { name: names.hebrew, address: Object.values(names).slice(1) } }),
    );
    // marks of direction that the reader adds
    const plain = text.replace(/[\u200e\u200f\u202a-\u202e]/g, '');
    for (const name of Object.values(names))
      for (const word of name.split(' ')) expect(plain.normalize('NFC')).toContain(word);
    // each line of the address, at the right half of the head, has ink; a line of nothing has none
    const { width, dark } = inkOf(path, 1);
    const high = (9.5 * 1.32 * 96) / 72;
    const top = (54 * 96) / 72;
    for (let i = 0; i < 9; i++)
      expect(
        dark(Math.floor(width / 2), Math.floor(top + i * high), width, Math.floor(top + (i + 1) * high)),
      ).toBeGreaterThan(25);
    expect(dark(Math.floor(width / 2), Math.floor(top + 10 * high), width, Math.floor(top + 11 * high))).toBe(0);
  });

  test('a character that no font has is a box, and nothing fails', async () => {
    const { text } = await printed(filmQuote({ client: { name: 'Reef \u{1F41F} Survey' } }));
    expect(text).toContain('Reef');
    expect(text).toContain('Survey');
  });

  test('a thousand lines go over pages, each with its head, and add up on the last', async () => {
    const quote = filmQuote();
    const [line] = quote.lines;
    if (!line) throw new Error('no line');
    const long = {
      ...quote,
      lines: Array.from({ length: 1000 }, (_, i) => ({ ...line, name: `Part number ${i + 1}` })),
    };
    const { text, info } = await printed(long);
    const pages = Number(/Pages:\s+(\d+)/.exec(info)?.[1]);
    expect(pages).toBeGreaterThan(20);
    for (const i of [1, 500, 1000]) expect(text).toMatch(new RegExp(`Part number ${i}\\b`));
    expect(text.match(/What\s+Pieces\s+Net/g)?.length).toBeGreaterThan(20);
  }, 120_000);
});

describe('a page that reads without the app', () => {
  test('runs nothing but its own script, whose hash stands in its policy', () => {
    expect(createHash('sha256').update(PAPER_SCRIPT).digest('base64')).toBe(PAPER_SCRIPT_HASH);
    const page = quotePage(filmQuote());
    expect(page).toContain(`script-src 'sha256-${PAPER_SCRIPT_HASH}'`);
    expect(page).not.toMatch(/(src|href)=/);
    expect(page).not.toContain('<form');
  });

  test('in German says nothing in English', () => {
    const text = quotePage(filmQuote({ locale: 'de' }))
      .replace(/<(style|script)>.*?<\/\1>/gs, '')
      .replace(/<\/?[a-z][^<>]*>/g, ' ')
      .replace(/Present machine/g, '');
    for (const word of ['Total', 'needed', 'machine', 'price', 'until', 'pieces', 'not known'])
      expect(text).not.toMatch(new RegExp(`\\b${word}\\b`, 'i'));
  });
});

describe('lines of text', () => {
  const measure = ({ text }: Run): number => [...text].length;
  const said = (text: string, width: number): string[] =>
    lines(text, width, 400, measure).map((runs) => runs.map((run) => run.text).join(''));

  test('break at spaces, between characters that need none, and within a word that is too long', () => {
    expect(said('one two three', 7)).toEqual(['one two', 'three']);
    expect(said('海洋調查船', 2)).toEqual(['海洋', '調查', '船']);
    expect(said('abcdefgh', 3)).toEqual(['abc', 'def', 'gh']);
    expect(said('', 10)).toEqual([]);
    expect(pieces('a  b').map(({ start, end }) => [start, end])).toEqual([
      [0, 3],
      [3, 4],
    ]);
  });

  test('run from right to left where they are written so: words turn, numbers do not, brackets are mirrored', () => {
    const [line = []] = lines('שלום 12 (ים)', 40, 400, measure);
    expect(line.map(({ text }) => text).join('')).toBe('(ים) 12 שלום');
    expect(line.map(({ text }) => text)).toContain('12');
    const mixed = lines('Sea ים now', 40, 400, measure)[0] ?? [];
    expect(mixed[0]?.text).toBe('Sea ');
    expect(mixed.at(-1)?.text).toBe(' now');
  });

  test('take their characters from the first font that has them', () => {
    expect(faceOf(0x41, 600)).toMatchObject({ family: 'source-sans-3', weight: 600 });
    expect(faceOf(0x5d0, 600)).toMatchObject({ family: 'noto-sans-hebrew', weight: 400 });
    expect(faceOf(0x6d77, 400)?.family).toBe('noto-sans-sc');
    for (const syllable of [0xac00, 0xb78c, 0xd574, 0xd7a3]) expect(faceOf(syllable, 400)?.family).toBe('gowun-dodum');
    expect(faceOf(0x4e00, 400)?.family).toBe('noto-sans-sc');
    expect(faceOf(0x1f41f, 400)?.family ?? 'none').not.toBe('source-sans-3');
    expect(() => openType(readFileSync(__filename))).toThrow(RangeError);
  });
});
