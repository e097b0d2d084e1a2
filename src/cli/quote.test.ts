import { compileCatalogue } from '@/core/model/catalogue';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import { writeCase } from '@/core/formats/caseFile';
import { emptyCatalogue } from '@/core/formats/catalogue';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import { quoteSchema } from '@/core/quote/document';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { DEMO_TODAY } from '@/demo/seed';
import { quoteCommand } from './quote';

const folder = mkdtempSync(join(tmpdir(), 'vane-quote-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const at = (name: string): string => join(folder, name);
const office = demoSeats().find(({ seatId }) => seatId === 'office');
if (!office) throw new Error('no office');
writeFileSync(
  at('office.json'),
  JSON.stringify(
    writeCase(
      'Office',
      DEMO_TODAY,
      office.brief,
      office.drafts,
      compileCatalogue(catalogueSchema.parse(demoCatalogue())),
    ),
  ),
);
writeFileSync(
  at('terms.json'),
  JSON.stringify({
    number: '2026-17',
    from: { name: 'Quillstone Workshop', address: ['4 Harbour Stairs'] },
    client: { name: 'Ninefathom Survey Cooperative' },
    labour: [{ name: 'Assembly and proof', hours: 3, hourMinor: 48_00 }],
    margin: { by: 'percent', percent: '12.5' },
    depositPercent: '40',
    notIncluded: ['moving of data'],
  }),
);
const run = (...args: string[]): Promise<number> => quoteCommand(args, () => Promise.resolve(emptyCatalogue));
const quote = (out: string, ...more: string[]) =>
  run(at('office.json'), '--terms', at('terms.json'), '--out', at(out), ...more);

describe('vane quote', () => {
  test('writes what the client gets as JSON, CSV and a page, and what stays as CSV', async () => {
    expect(await quote('quote.json', '--own', at('own.csv'))).toBe(0);
    const read = quoteSchema.parse(JSON.parse(readFileSync(at('quote.json'), 'utf8')));
    expect(read).toMatchObject({ number: '2026-17', title: 'Small and quiet', currency: 'USD' });
    expect(read.lines.reduce((sum, { grossMinor }) => sum + grossMinor, 0)).toBe(read.totalMinor);
    // the other draft of the seat stands in its place, dearer
    expect(read.alternatives).toMatchObject([{ name: 'With a card' }]);
    expect(read.alternatives[0]?.differenceMinor).toBeGreaterThan(0);
    const own = readFileSync(at('own.csv'), 'utf8').trim().split('\n');
    expect(own[0]).toBe('for,name,count,cost USD,net USD,earned USD');
    expect(own).toHaveLength(read.lines.length + 2);
    expect(await quote('quote.csv')).toBe(0);
    expect(readFileSync(at('quote.csv'), 'utf8')).toContain(',Assembly and proof,1,7.5,144.00,');
    expect(await quote('quote.html', '--machine', 'office-b')).toBe(0);
    expect(readFileSync(at('quote.html'), 'utf8')).toContain('With a card in plain words');
  });

  test('says what is missing or wrong, with its place', async () => {
    expect(await run()).toBe(2);
    expect(await quote('quote.doc')).toBe(2);
    expect(await quote('no-such-folder/quote.csv')).toBe(2);
    expect(await run(at('nowhere.json'), '--terms', at('terms.json'), '--out', at('x.csv'))).toBe(2);
    expect(await quote('quote.csv', '--machine', 'nobody')).toBe(2);
    writeFileSync(at('bad.json'), JSON.stringify({ from: { name: 'Q' }, margin: { by: 'percent', percent: 'much' } }));
    expect(await run(at('office.json'), '--terms', at('bad.json'), '--out', at('x.csv'))).toBe(2);
  });
});
