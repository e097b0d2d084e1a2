import { assess, contextOf } from '@/core/assess';
import { compileCatalogue } from '@/core/model/catalogue';
import { standingOf } from '@/core/versus/standing';
import { markDrafts } from '@/server/seen';
import { dayNumber, dayText } from '@/core/units/days';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { CatalogueFile } from '@/core/model/catalogueSchema';
import { importPoints } from '@/server/prices/pointsFile';
import { keepRate, keepSource, keepWatch } from '@/server/prices/manage';
import { allSeats } from '@/server/seatBundle';
import { fixDemoDay, type Service } from '@/server/service';
import { modelPrice, modelPrices, modelRate } from '@/standins/feed/priceModel';
import { worldOf } from '@/standins/feed/world';
import { csvAnswer } from '@/standins/feed/answers';
import { DEMO_TODAY, OFFERS_DAY } from './seed';

const MONTHS_18 = 548;

/** Eighteen months of daily prices of every offer as a table, the way a person would bring them. */
export function* historyLines(offers: CatalogueFile['offers'], kindOf: (part: string) => string): Generator<string> {
  yield 'offer,date,price\n';
  const last = dayNumber(OFFERS_DAY);
  const days = Array.from({ length: MONTHS_18 }, (_, i) => last - MONTHS_18 + 1 + i);
  const texts = days.map(dayText);
  for (const offer of offers) {
    // what is given away has no price to remember
    if (offer.free) continue;
    const priceOn = modelPrices({ ...offer, kind: kindOf(offer.part), onDay: last });
    let lines = '';
    days.forEach((day, i) => {
      const minor = priceOn(day);
      lines += `${offer.id},${texts[i] ?? ''},${minor === null ? '' : `${Math.floor(minor / 100)}.${String(minor % 100).padStart(2, '0')}`}\n`;
    });
    yield lines;
  }
}

/** Price history, sources of the simulated feed and exchange rates of the demo. */
export async function demoPrices(
  service: Service,
  catalogue: Pick<CatalogueFile, 'parts' | 'offers' | 'regions' | 'sellers'>,
  { feed, folder }: { feed: string; folder: string },
): Promise<number> {
  const kinds = new Map(catalogue.parts.map((part) => [part.id as string, part.kind]));
  mkdirSync(folder, { recursive: true });
  const path = join(folder, 'history.csv');
  writeFileSync(path, '');
  for (const lines of historyLines(catalogue.offers, (part) => kinds.get(part) ?? ''))
    writeFileSync(path, lines, { flag: 'a' });
  const { written, problems } = await importPoints(service, path);
  if (problems[0]) throw new Error(`the demo's prices are wrong: ${problems[0].path} ${problems[0].message}`);
  // one seller sends a file, the others answer
  const workshop = join(folder, 'workshop.csv');
  writeFileSync(workshop, csvAnswer(worldOf(catalogue), 'quillstone', 'region-a', DEMO_TODAY));
  const regions = new Set(catalogue.regions.map((region) => region.id));
  for (const seller of catalogue.sellers)
    for (const region of regions) {
      if (!catalogue.offers.some((offer) => offer.seller === seller.id && offer.region === region)) continue;
      const name = `${seller.name}, ${catalogue.regions.find((entry) => entry.id === region)?.name ?? region}`;
      const csv = seller.id === 'dockside-parts';
      await keepSource(service, {
        id: `${seller.id}-${region}`,
        name,
        seller: seller.id,
        region,
        simulated: true,
        ...(seller.id === 'quillstone'
          ? { kind: 'file', at: workshop, format: 'csv' }
          : {
              kind: 'http',
              at: `${feed}/${seller.id}/${region}/prices.${csv ? 'csv' : 'jsonld'}?day={day}`,
              format: csv ? 'csv' : 'json-ld',
            }),
      });
    }
  await keepSource(service, {
    id: 'rates',
    name: 'Exchange rates',
    kind: 'http',
    at: `${feed}/rates.json?day={day}`,
    format: 'rates',
    simulated: true,
  });
  await keepRate(service, { base: 'USD', quote: 'EUR', day: OFFERS_DAY, rate: modelRate(dayNumber(OFFERS_DAY)) });
  return written;
}

/** The day on which somebody last looked at the demo's desk. */
const SEEN_ON = '2026-05-11';

/** Marks all drafts as seen a week ago, as they stood at that day's prices, and waits for two prices. */
export async function demoNews(service: Service, kindOf: ReadonlyMap<string, string>): Promise<void> {
  await fixDemoDay(service, SEEN_ON);
  const day = dayNumber(SEEN_ON);
  const marks = (await allSeats(service)).flatMap(({ seat, brief, drafts, data, settings }) => {
    const offers = data.offers.flatMap((offer) => {
      const kind = kindOf.get(offer.part) ?? '';
      const priceMinor = modelPrice({ ...offer, kind, onDay: dayNumber(offer.asOf) }, day);
      return priceMinor === null ? [] : [{ ...offer, priceMinor }];
    });
    const context = contextOf(compileCatalogue({ ...data, offers }), SEEN_ON, settings);
    return drafts.map((draft) => ({
      seatId: seat.id,
      draftId: draft.id,
      ...standingOf(assess(draft.body, brief.body, context)),
    }));
  });
  await markDrafts(service, marks);
  const [film] = (await allSeats(service)).filter(({ seat }) => seat.id === 'film-desk');
  const draft = film?.drafts[0];
  if (draft)
    await keepWatch(service, { what: { kind: 'draft', seat: 'film-desk', draft: draft.id }, targetMinor: 2_400_00 });
  await keepWatch(service, {
    what: { kind: 'part', part: 'lumoth-drift-16', region: 'region-a' },
    targetMinor: 600_00,
  });
}
