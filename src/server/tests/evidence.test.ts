import { readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { demoCatalogue } from '@/demo/catalogue';
import { addEvidence } from '../evidence';
import { stepSeat } from '../edits';
import { seatBundle } from '../seatBundle';
import type { Service } from '../service';
import { addFilm } from './film';
import { preparedService } from './prepared';

let service: Service;
preparedService(demoCatalogue(), (given) => (service = given.service), addFilm);

const OWN = {
  name: 'vane-measurements.json',
  text: JSON.stringify({
    format: 'vane-measurements',
    version: 1,
    results: [
      {
        workload: { work: 'build', weight: 'usual', files: 6, threads: 1 },
        value: 0.3,
        unit: 'files/s',
        tool: 'make',
        use: 'calibrate',
      },
      { workload: { work: 'baking' }, value: 1, unit: 'loaves', tool: 'oven', use: 'calibrate' },
    ],
  }),
};
const FIO = {
  name: 'drive.json',
  text: readFileSync(new URL('../../core/tests/reality/fio_seq_write_rep1.json', import.meta.url), 'utf8'),
};
const evidenceOf = async (draft: string) =>
  (await seatBundle(service, 'film'))?.drafts.find(({ body }) => body.name === draft)?.body.evidence ?? [];

describe('results given to a draft', () => {
  test('are added with the part that was measured, what cannot be taken is told, and a step undoes them', async () => {
    const taken = await addEvidence(service, 'film', 'Draft B', [OWN, FIO]);
    expect(taken).toMatchObject({ ok: true, draft: 'Draft B', count: 2 });
    expect(taken.ok && taken.notes).toEqual([expect.stringMatching(/^vane-measurements.json: Left out: result 2/)]);
    const kept = await evidenceOf('Draft B');
    expect(kept.map(({ workload }) => workload.work)).toEqual(['build', 'drive']);
    const processor = (await seatBundle(service, 'film'))?.drafts
      .find(({ body }) => body.name === 'Draft B')
      ?.body.items.find(({ id }) => id === 'processor-1')?.part;
    expect(kept[0]).toMatchObject({ part: processor, source: 'vane-measurements.json' });
    expect(await evidenceOf('Draft A')).toEqual([]);
    await stepSeat(service, 'film', 'undo');
    expect(await evidenceOf('Draft B')).toEqual([]);
  });

  test('without a name they are the present machine’s', async () => {
    expect(await addEvidence(service, 'film', undefined, [OWN])).toMatchObject({ ok: true, draft: 'Present machine' });
  });

  test('given again they stand beside what is there, with ids of their own', async () => {
    await addEvidence(service, 'film', 'Draft A', [OWN]);
    await addEvidence(service, 'film', 'Draft A', [OWN]);
    const ids = (await evidenceOf('Draft A')).map(({ id }) => id);
    expect(new Set(ids).size).toBe(2);
  });

  test('one file that is none keeps all of them out', async () => {
    const taken = await addEvidence(service, 'film', 'Draft A', [
      OWN,
      { name: 'odd.txt', text: 'nothing of the kind' },
    ]);
    expect(taken).toMatchObject({ ok: false, problems: [{ path: 'odd.txt' }] });
    expect(await evidenceOf('Draft A')).toEqual([]);
  });

  test.each([
    ['elsewhere', undefined, '--seat', 'is no seat'],
    ['film', 'Draft Q', '--draft', '"Draft Q" is none of Draft A'],
  ])('seat %s, draft %s: refused', async (seat, draft, path, words) => {
    const taken = await addEvidence(service, seat, draft, [OWN]);
    expect(taken).toMatchObject({ ok: false, problems: [{ path }] });
    expect(taken.ok ? '' : taken.problems[0]?.message).toContain(words);
  });
});
