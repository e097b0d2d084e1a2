import { createWriteStream, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { sql } from 'kysely';
import { describe, expect, test } from 'vitest';
import { usualWorkshop, workshopSchema } from '@/core/quote/terms';
import { demoCatalogue } from '@/demo/catalogue';
import { mailbox } from '@/standins/mailbox/server';
import { listQuotes, readQuote, writeWorkshop } from '@/store/quoteStore';
import { readSeat } from '@/store/projectStore';
import { saveDraftEdit } from '../edits';
import { exportArchive } from '../exports';
import { importFile } from '../import/importFile';
import { fixDemoDay, openService, type Service } from '../service';
import { addFilm } from '../tests/film';
import { preparedService } from '../tests/prepared';
import { answerQuote } from './answer';
import { beginQuote, keepRevision, quoteDetail, quotesOf, reviseQuote } from './manage';
import { orderStep } from './orders';
import { sendRevision, withdrawPage } from './send';
import { pageServer } from './pages';
import { quoteRisk } from './risk';
import { saveLogo } from './workshop';

let service: Service;
const DAY = '2026-05-18';
preparedService(
  demoCatalogue(),
  (given) => ({ service } = given),
  async (made) => {
    await addFilm(made);
    await fixDemoDay(made, DAY);
    await writeWorkshop(
      made.db,
      workshopSchema.parse({ from: { name: 'Quillstone Workshop' }, margin: { by: 'percent', percent: '10' } }),
    );
  },
);

const problem = (result: { readonly state: string }): string =>
  'problems' in result ? (result.problems as { message: string }[]).map(({ message }) => message).join('; ') : 'none';
async function begun(team = false): Promise<string> {
  const draftId = (await readSeat(service.db, 'film'))?.drafts[1]?.id;
  const made = await beginQuote(service, { seatId: 'film', draftId, team });
  if (made.state !== 'made') throw new Error(problem(made));
  return made.id;
}
async function last(id: string) {
  const revision = (await readQuote(service.db, id))?.revisions.at(-1);
  if (!revision) throw new Error('no revision');
  return revision;
}
async function send(id: string, how: 'file' | 'mail' | 'page' = 'file', to?: string) {
  const { revision, version } = await last(id);
  return sendRevision(service, { id, revision, version, how, ...(to === undefined ? {} : { to }) });
}
async function keep(id: string, given: object, version?: number) {
  const now = await last(id);
  return keepRevision(service, {
    id,
    revision: now.revision,
    version: version ?? now.version,
    spec: { ...now.spec, terms: { ...now.spec.terms, ...given } },
  });
}
async function detail(id: string, revision = 1) {
  const made = await quoteDetail(service, id, revision);
  if (made.state !== 'made') throw new Error(problem(made));
  return made;
}

describe('a quote', () => {
  test('begins on the workshop’s terms, numbered by year, and is found by its seat', async () => {
    const id = await begun();
    const { quote, inside } = await detail(id);
    expect(quote).toMatchObject({ number: '2026-1', title: 'Draft B', on: DAY, client: { name: 'Project' } });
    expect(inside.marginMinor).toBe(quote.netMinor - inside.costMinor);
    // a tenth on every part, rounded by the unit
    expect(Math.abs(inside.marginMinor - inside.costMinor / 10)).toBeLessThan(inside.lines.length);
    const second = await begun();
    const { quotes } = await quotesOf(service, 'film');
    expect(quotes.map(({ number }) => number)).toEqual(['2026-2', '2026-1']);
    expect(second).not.toBe(id);
    expect((await quotesOf(service, 'elsewhere')).quotes).toEqual([]);
  });

  test('changed in two windows: the later one is told, and nothing is written over', async () => {
    const id = await begun();
    const { version } = await last(id);
    expect(await keep(id, { validDays: 20 }, version)).toEqual({ state: 'done' });
    const stale = await keep(id, { validDays: 30 }, version);
    expect(stale).toMatchObject({ state: 'stale', version: version + 1, spec: { terms: { validDays: 20 } } });
    expect((await last(id)).spec.terms.validDays).toBe(20);
    expect(await keep(id, { validDays: 30 })).toEqual({ state: 'done' });
    // what was looked at before that does not go out
    expect(problem(await sendRevision(service, { id, revision: 1, version, how: 'file' }))).toMatch(/another window/);
  });

  test('that was sent does not change, whatever is edited afterwards, not even in the database', async () => {
    const id = await begun();
    expect(await send(id)).toEqual({ state: 'done' });
    const { quote } = await detail(id);
    const draft = (await readSeat(service.db, 'film'))?.drafts[1];
    const seat = await readSeat(service.db, 'film');
    await saveDraftEdit(
      service,
      { seatId: 'film', documentId: draft?.id, revision: draft?.revision, window: 'w' },
      { edit: { kind: 'remove', item: 'graphics-1' }, label: 'Card out' },
    );
    await writeWorkshop(service.db, { ...usualWorkshop, from: { name: 'Another name', address: [] } });
    await sql`UPDATE offers SET price_minor = price_minor + 5000`.execute(service.db);
    expect(seat?.drafts).toHaveLength(4);
    expect((await detail(id)).quote).toEqual(quote);
    expect(problem(await keep(id, { validDays: 3 }))).toMatch(/was sent on 2026-05-18 and stays/);
    expect(problem(await send(id))).toMatch(/was sent on 2026-05-18 already/);
    for (const change of [
      sql`UPDATE quote_revisions SET sent = '{}' WHERE quote_id = ${id}`,
      sql`UPDATE quote_revisions SET spec = '{}' WHERE quote_id = ${id}`,
      sql`DELETE FROM quote_revisions WHERE quote_id = ${id}`,
    ])
      await expect(change.execute(service.db)).rejects.toThrow(/that was sent/);
  });

  test('has a next revision from what was sent, and tells what changed', async () => {
    const id = await begun();
    await send(id);
    expect(await reviseQuote(service, id)).toEqual({ state: 'made', revision: 2 });
    // a revision that is open already is the next one
    expect(await reviseQuote(service, id)).toEqual({ state: 'made', revision: 2 });
    await keep(id, { margin: { by: 'percent', percent: '20' }, validDays: 21 });
    const { since, quote } = await detail(id, 2);
    expect(since?.differenceMinor).toBeGreaterThan(0);
    expect(since?.lines.reduce((sum, { before, after }) => sum + (after?.minor ?? 0) - (before?.minor ?? 0), 0)).toBe(
      since?.differenceMinor,
    );
    expect(since?.terms).toContainEqual({ term: 'valid-until', before: '2026-06-01', after: '2026-06-08' });
    expect(quote.revision).toBe(2);
    expect((await quotesOf(service, 'film')).quotes[0]?.revisions.map(({ state }) => state)).toEqual(['sent', 'open']);
    await send(id);
    expect((await quotesOf(service, 'film')).quotes[0]?.revisions.map(({ state }) => state)).toEqual([
      'replaced',
      'sent',
    ]);
    expect(problem(await answerQuote(service, id, 1, { state: 'accepted' }))).toMatch(/replaced by a later/);
  });

  test('is accepted once, with what was ticked, and its purchase list is of that', async () => {
    const id = await begun();
    await keep(id, { options: [{ id: 'more', name: 'A second drive', part: 'dromolite-spate-2-tb' }] });
    await send(id);
    const { quote } = await detail(id);
    expect(problem(await answerQuote(service, id, 1, { state: 'accepted', options: ['nobody'] }))).toMatch(
      /is no choice/,
    );
    expect(await answerQuote(service, id, 1, { state: 'accepted', options: ['more'] })).toEqual({ state: 'done' });
    const { answer, order } = await last(id);
    expect(answer).toMatchObject({ state: 'accepted', on: DAY, options: ['more'] });
    expect(answer?.totalMinor).toBe(quote.options[0]?.totalMinor);
    expect(
      order?.lines.filter(({ part }) => part === 'dromolite-spate-2-tb').reduce((sum, { count }) => sum + count, 0),
    ).toBe(2);
    expect(problem(await answerQuote(service, id, 1, { state: 'declined' }))).toMatch(/accepted on 2026-05-18 already/);
    expect(problem(await reviseQuote(service, id))).toMatch(/what is agreed does not change/);
    const line = order?.lines[0]?.id ?? '';
    expect(problem(await orderStep(service, id, 1, line, { step: 'received', on: DAY }))).toMatch(/was not bought yet/);
    await orderStep(service, id, 1, line, { step: 'bought', on: DAY, paidMinor: 9_00 });
    expect(problem(await orderStep(service, id, 1, line, { step: 'received', on: '2026-05-17' }))).toMatch(/is before/);
    await orderStep(service, id, 1, line, { step: 'received', on: DAY });
    await orderStep(service, id, 1, line, { step: 'undo' });
    expect((await last(id)).order?.lines[0]).toMatchObject({ bought: { paidMinor: 9_00 } });
    expect((await last(id)).order?.lines[0]?.received).toBeUndefined();
  });

  test('buys what was sold, though the draft has changed since', async () => {
    const id = await begun();
    await send(id);
    const sold = (await detail(id)).quote.lines.flatMap(({ part }) => part ?? []).sort();
    const draft = (await readSeat(service.db, 'film'))?.drafts[1];
    await saveDraftEdit(
      service,
      { seatId: 'film', documentId: draft?.id, revision: draft?.revision, window: 'w' },
      { edit: { kind: 'remove', item: 'graphics-1' }, label: 'Card out' },
    );
    expect((await detail(id)).today?.changes.lines).toEqual([]);
    await answerQuote(service, id, 1, { state: 'accepted' });
    expect((await last(id)).order?.lines.map(({ part }) => part).sort()).toEqual(sold);
  });

  test('that lapsed cannot be accepted, and can be declined', async () => {
    const id = await begun();
    await send(id);
    await fixDemoDay(service, '2026-06-02');
    expect((await quotesOf(service, 'film')).quotes[0]?.revisions[0]?.state).toBe('lapsed');
    expect(problem(await answerQuote(service, id, 1, { state: 'accepted' }))).toMatch(
      /lapsed on 2026-06-01; make a new revision/,
    );
    expect(await answerQuote(service, id, 1, { state: 'declined' })).toEqual({ state: 'done' });
  });

  test('of a draft that is gone can be read, priced anew, accepted and bought as it was sent', async () => {
    const id = await begun();
    await send(id);
    await sql`DELETE FROM documents WHERE id = ${(await last(id)).spec.subjects[0]?.draft}`.execute(service.db);
    const made = await detail(id);
    expect(made.quote.title).toBe('Draft B');
    // what was sold is bought, whatever became of its draft
    expect(made.today?.changes.differenceMinor).toBe(0);
    expect(await answerQuote(service, id, 1, { state: 'accepted' })).toEqual({ state: 'done' });
    expect((await last(id)).order?.lines.map(({ part }) => part).sort()).toEqual(
      made.quote.lines.flatMap(({ part }) => part ?? []).sort(),
    );
    expect(problem(await reviseQuote(service, id))).toMatch(/what is agreed does not change/);
  });

  test('does not go out without a name of the workshop', async () => {
    await writeWorkshop(service.db, usualWorkshop);
    const id = await begun();
    expect(problem(await send(id))).toMatch(/has no name yet/);
  });

  test('tells what its prices may do only where their past is known, and what may stand in for what nobody sells', async () => {
    const id = await begun();
    await sql`DELETE FROM offers WHERE part_id = 'fenstore-cask-1-tb'`.execute(service.db);
    await sql`UPDATE meta SET value = CAST(value AS INTEGER) + 1 WHERE key = 'catalogue-revision'`.execute(service.db);
    const risk = await quoteRisk(service, id, 1);
    if (risk.state !== 'told') throw new Error(problem(risk));
    expect(risk.risk).toBeUndefined();
    expect(risk.gone.map(({ name }) => name)).toEqual(['Fenstore Cask 1 TB']);
    expect(risk.gone[0]?.instead.length).toBeGreaterThan(0);
    expect((await detail(id)).quote.machines[0]?.unpriced).toEqual(['Fenstore Cask 1 TB']);
  });
});

describe('an archive', () => {
  test('carries quotes to another database as they went out, once', async () => {
    const id = await begun();
    await send(id);
    await answerQuote(service, id, 1, { state: 'accepted' });
    await begun();
    const before = await listQuotes(service.db);
    const folder = mkdtempSync(join(tmpdir(), 'vane-quotes-'));
    const there = openService(join(folder, 'there.db'));
    try {
      const archive = await exportArchive(service);
      const path = join(folder, 'all.zip');
      if (archive) await pipeline(archive.stream, createWriteStream(path));
      expect((await importFile(there, { format: 'archive', path, name: 'all.zip' })).state).toBe('written');
      expect(await listQuotes(there.db)).toEqual(before);
      await expect(sql`DELETE FROM quote_revisions WHERE quote_id = ${id}`.execute(there.db)).rejects.toThrow(
        /that was sent/,
      );
      await importFile(there, { format: 'archive', path, name: 'all.zip' });
      expect(await listQuotes(there.db)).toEqual(before);
    } finally {
      await there.close();
      rmSync(folder, { recursive: true, force: true });
    }
  });
});

describe('a logo', () => {
  test('is a picture of one of two kinds, and not too large', async () => {
    expect(problem(await saveLogo(service, Buffer.from('<svg/>').toString('base64')))).toMatch(
      /neither a PNG nor a JPEG/,
    );
    const png = Buffer.concat([Buffer.from([0x89, 0x50, 0x4e, 0x47]), Buffer.alloc(400_000)]);
    expect(problem(await saveLogo(service, png.toString('base64')))).toMatch(/has 400 kB/);
    expect(await saveLogo(service, png.subarray(0, 100).toString('base64'))).toEqual({ state: 'done' });
  });
});

const port = (server: { address: () => AddressInfo | string | null }): number => (server.address() as AddressInfo).port;
const listening = (server: Server): Promise<void> => new Promise((resolve) => server.listen(0, '127.0.0.1', resolve));

describe('sent by mail', () => {
  test('arrives in the mailbox with its papers, and then only is it sent', async () => {
    const { smtp, page, letters } = mailbox();
    await new Promise<void>((resolve) => smtp.listen(0, '127.0.0.1', () => resolve()));
    await listening(page);
    try {
      const workshop = workshopSchema.parse({
        from: { name: 'Quillstone Workshop', reach: 'bench@quillstone.example' },
      });
      const id = await begun();
      expect(problem(await send(id, 'mail', 'dive@ninefathom.example'))).toMatch(/no mail server is named/);
      await writeWorkshop(service.db, { ...workshop, mailPort: port(smtp.server) });
      expect(problem(await send(id, 'mail', 'nobody'))).toMatch(/is no address/);
      expect(await send(id, 'mail', 'dive@ninefathom.example')).toEqual({ state: 'done' });
      expect(letters[0]).toMatchObject({ to: 'dive@ninefathom.example', subject: 'Quote 2026-1, revision 1: Draft B' });
      expect(letters[0]?.attachments.map(({ name }) => name)).toEqual([
        'quote-2026-1-1.pdf',
        'quote-2026-1-1.html',
        'quote-2026-1-1.csv',
      ]);
      const shown = await (await fetch(`http://127.0.0.1:${port(page)}/`)).text();
      expect(shown).toContain('Quote 2026-1, revision 1: Draft B');
      const pdf = await fetch(`http://127.0.0.1:${port(page)}/0/0`);
      expect(Buffer.from(await pdf.arrayBuffer()).toString('latin1', 0, 5)).toBe('%PDF-');
    } finally {
      await new Promise<void>((resolve) => smtp.close(() => resolve()));
      page.close();
    }
  });

  test('stays open where nobody takes it', async () => {
    await writeWorkshop(
      service.db,
      workshopSchema.parse({ from: { name: 'Quillstone Workshop' }, mailPort: 4 * 1024 }),
    );
    const id = await begun();
    expect(problem(await send(id, 'mail', 'a@b.example'))).toMatch(
      /was not taken by the mail server on port 4096.*Nothing was sent/,
    );
    expect((await last(id)).sent).toBeUndefined();
  });
});

describe('the client’s page', () => {
  async function served<T>(work: (base: string, token: string, id: string) => Promise<T>): Promise<T> {
    await writeWorkshop(
      service.db,
      workshopSchema.parse({
        from: { name: 'Quillstone Workshop' },
        margin: { by: 'percent', percent: '10' },
        pages: { on: true, port: 4999 },
      }),
    );
    const id = await begun();
    await keep(id, { options: [{ id: 'more', name: 'A second drive', part: 'dromolite-spate-2-tb' }] });
    await send(id, 'page');
    const server = pageServer(service);
    await listening(server);
    try {
      return await work(`http://127.0.0.1:${port(server)}`, (await last(id)).token ?? '', id);
    } finally {
      server.close();
      server.closeAllConnections();
    }
  }
  const answering = (url: string, form: Record<string, string>) =>
    fetch(url, { method: 'POST', body: new URLSearchParams(form), redirect: 'manual' });

  test('shows the quote and nothing of what it costs, takes one answer, and shows that', async () => {
    await served(async (base, token, id) => {
      const { inside, quote } = await detail(id);
      const before = await (await fetch(`${base}/${token}`)).text();
      expect(before).toContain('Accept this quote');
      expect(before).toContain('value="more"');
      expect(JSON.stringify(quote)).not.toContain(String(inside.costMinor));
      expect(before).not.toMatch(/\bmargin\b[^:]/);
      expect((await answering(`${base}/${token}`, { answer: 'maybe' })).status).toBe(400);
      expect((await answering(`${base}/${token}`, { answer: 'accepted', option: 'nobody', name: 'Ada' })).status).toBe(
        409,
      );
      expect((await answering(`${base}/${token}`, { answer: 'accepted', option: 'more', name: 'Ada' })).status).toBe(
        303,
      );
      const { answer } = await last(id);
      expect(answer).toMatchObject({ state: 'accepted', by: 'Ada', options: ['more'] });
      const after = await (await fetch(`${base}/${token}`)).text();
      expect(after).toContain('This quote was accepted on May 18, 2026.');
      expect(after).not.toContain('<button');
      expect((await answering(`${base}/${token}`, { answer: 'declined' })).status).toBe(409);
    });
  });

  test('answers alike for what never was and what is withdrawn, and slowly after a few', async () => {
    await served(async (base, token, id) => {
      const ask = async (path: string) => {
        const response = await fetch(`${base}${path}`);
        return `${response.status} ${await response.text()}`;
      };
      const never = await ask(`/${'x'.repeat(32)}`);
      expect(never).toMatch(/^404 /);
      expect(await ask('/api/quotes')).toBe(never);
      await withdrawPage(service, id, 1);
      expect(await ask(`/${token}`)).toBe(never);
      await ask('/');
      const began = performance.now();
      expect(await ask(`/${'y'.repeat(32)}`)).toBe(never);
      expect(performance.now() - began).toBeGreaterThan(1_000);
    });
  });
});
