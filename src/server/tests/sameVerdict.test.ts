import { beforeEach, describe, expect, test } from 'vitest';
import { assess, contextOf } from '@/core/assess';
import { caseCatalogue, readCase } from '@/core/formats/caseFile';
import { emptyCatalogue } from '@/core/formats/catalogue';
import type { Brief } from '@/core/model/brief';
import { catalogueSchema } from '@/core/model/catalogueSchema';
import { compileCatalogue, type Catalogue } from '@/core/model/catalogue';
import { editMachine } from '@/core/model/edits';
import type { Machine } from '@/core/model/machine';
import { usualSettings } from '@/core/model/settings';
import { goodsOf, pageCatalogue, WHOLE_ON_PAGES } from '@/core/model/needed';
import { PART_KINDS, type Part } from '@/core/parts';
import { numbers } from '@/core/tests/walk';
import { demoCatalogue } from '@/demo/catalogue';
import { demoSeats } from '@/demo/ninefathom';
import { DEMO_TODAY } from '@/demo/seed';
import { exportCase } from '../cases';
import { seatBundle } from '../seatBundle';
import { addDemoSeat } from '../seats';
import type { Service } from '../service';
import { preparedService } from './prepared';

let service: Service;
let whole: Catalogue;
const project = { projectId: 'p', projectName: 'Project' };
/** The demo has no locked processor that does what an unlocked one does: here is one, at half the price. */
function withLockedLike(): object {
  const demo = catalogueSchema.parse(demoCatalogue());
  const unlocked = demo.parts.find((part) => part.kind === 'processor' && part.unlocked === true)!;
  const id = `${unlocked.id}.locked`;
  return {
    ...demo,
    parts: [...demo.parts, { ...unlocked, id, name: `${unlocked.name} locked`, unlocked: false }],
    offers: [
      ...demo.offers,
      ...demo.offers
        .filter(({ part }) => part === unlocked.id)
        .map((offer) => ({
          ...offer,
          id: `${offer.id}.locked`,
          part: id,
          priceMinor: Math.round(offer.priceMinor / 2),
        })),
    ],
  };
}
preparedService(
  withLockedLike(),
  (given) => ({ service } = given),
  async (made) => {
    for (const seat of demoSeats()) await addDemoSeat(made, { ...project, ...seat });
  },
);
beforeEach(async () => ({ compiled: whole } = await service.catalogue()));

const said = (machine: Machine, brief: Brief, catalogue: Catalogue) => {
  const { findings, tasks, facts } = assess(machine, brief, contextOf(catalogue, DEMO_TODAY, usualSettings));
  return JSON.parse(JSON.stringify({ findings, tasks, price: facts.price })) as object;
};

/** What a page of the seat knows once it was told of a part. */
async function page(seat: string, ...told: Part[]): Promise<Catalogue> {
  const { data, brief } = (await seatBundle(service, seat))!;
  const goods = goodsOf(told, whole, brief.body.region);
  const ids = new Set(data.parts.map(({ id }) => id as string));
  const fresh = goods.parts.filter(({ id }) => !ids.has(id));
  const bought = new Set(fresh.map(({ id }) => id as string));
  return pageCatalogue({
    ...data,
    parts: [...data.parts, ...fresh],
    offers: [...data.offers, ...goods.offers.filter(({ part }) => bought.has(part))],
  });
}

describe('a machine is judged alike by who has the whole catalogue and by who has what it needs of it', () => {
  test('on the pages of its seat', async () => {
    for (const { seatId, brief, drafts } of demoSeats()) {
      const known = await page(seatId);
      for (const draft of drafts) expect(said(draft, brief, known)).toEqual(said(draft, brief, whole));
    }
  });

  test('with a part that the page was told of, of any kind', async () => {
    const next = numbers(27);
    for (const { seatId, brief, drafts } of demoSeats()) {
      const [draft] = drafts;
      for (const kind of PART_KINDS) {
        const item = draft!.items.find(({ part }) => whole.part(part)?.kind === kind);
        const parts = whole.ofKind(kind) as readonly Part[];
        const part = parts[Math.floor(next() * parts.length)];
        if (!item || !part) continue;
        const changed = editMachine(draft!, { kind: 'swap', item: item.id, part: part.id, label: part.name });
        expect(said(changed, brief, await page(seatId, part))).toEqual(said(changed, brief, whole));
      }
    }
  });

  test('in a case file, with nothing around it', async () => {
    for (const { seatId } of demoSeats()) {
      const read = readCase(JSON.stringify(await exportCase(service, seatId)));
      if (!read.ok) throw new Error(JSON.stringify(read.problems));
      const { brief, machines } = read.value;
      const alone = compileCatalogue(caseCatalogue(read.value, emptyCatalogue));
      for (const machine of machines) expect(said(machine, brief, alone)).toEqual(said(machine, brief, whole));
    }
  });
});

describe('what a rule reads beside a part comes with it', () => {
  const swapped = (part: Part): [Machine, Brief] => {
    const [{ brief, drafts }] = demoSeats() as [ReturnType<typeof demoSeats>[number]];
    const item = drafts[0]!.items.find((entry) => whole.part(entry.part)?.kind === part.kind)!;
    return [editMachine(drafts[0]!, { kind: 'swap', item: item.id, part: part.id, label: part.name }), brief];
  };
  const codes = (given: object) => (given as { findings: { code: string }[] }).findings.map(({ code }) => code);

  test('the locked processors that make an unlocked one dear', async () => {
    const dear = whole.ofKind('processor').filter((part) => {
      const [machine, brief] = swapped(part);
      return codes(said(machine, brief, whole)).includes('surplus-unlocked');
    });
    expect(dear.length).toBeGreaterThan(0);
    for (const part of dear.slice(0, 5)) {
      const [machine, brief] = swapped(part);
      const there = said(machine, brief, await page('film-desk', part));
      expect(codes(there)).toContain('surplus-unlocked');
      expect(there).toEqual(said(machine, brief, whole));
    }
  });
});

test('a page has all displays to choose from, and all licences', async () => {
  const known = await page('office');
  for (const kind of WHOLE_ON_PAGES) expect(known.ofKind(kind).length).toBe(whole.ofKind(kind).length);
});
