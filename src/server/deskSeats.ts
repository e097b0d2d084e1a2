import { assess, contextOf } from '@/core/assess';
import { pageCatalogue } from '@/core/model/needed';
import { deskRegion } from '@/core/model/settings';
import type { Brief } from '@/core/model/brief';
import type { Machine } from '@/core/model/machine';
import { fullName } from '@/core/model/fitted';
import type { Watch } from '@/core/money/watch';
import { coins } from '@/core/words/format';
import { draftNews, glanceOf, newsLine, type Glance } from '@/core/words/glance';
import type { DeskFigures, DeskNews, DeskSeat, SeatBundle } from './contract';
import { allSeats } from './seatBundle';
import type { Service } from './service';
import { rowsSetAside } from './setAside';

/** Glances by what they were made of: a seat that nobody changed is not assessed again. */
const memo = new Map<string, { readonly key: string; readonly glances: ReadonlyMap<string, Glance> }>();

function keyOf(bundle: SeatBundle): string {
  const documents = [bundle.brief, ...bundle.drafts].map(({ id, body }) => [id, body]);
  return JSON.stringify([
    bundle.catalogueRevision,
    bundle.today,
    bundle.settings,
    documents,
    bundle.measuredElsewhere.map(({ id, evidence }) => [id, evidence]),
  ]);
}

function glancesOf(bundle: SeatBundle): ReadonlyMap<string, Glance> {
  const key = keyOf(bundle);
  const known = memo.get(bundle.seat.id);
  if (known?.key === key) return known.glances;
  const context = contextOf(pageCatalogue(bundle.data), bundle.today, bundle.settings, [
    ...bundle.drafts.map((draft) => draft.body),
    ...bundle.measuredElsewhere,
  ]);
  const glances = new Map(
    bundle.drafts.map((draft) => [draft.id, glanceOf(assess(draft.body, bundle.brief.body, context))]),
  );
  memo.set(bundle.seat.id, { key, glances });
  return glances;
}

/** Letters that a line of a seat's row holds. */
const A_LINE = 30;

/** The names of the tasks that matter most, as many as fit a line. */
function workOf(brief: Brief): string {
  if (brief.tasks.length === 0) return 'no work described yet';
  const names = [...brief.tasks].sort((a, b) => b.importance - a.importance).map(({ name }) => name);
  const shown: string[] = [];
  for (const name of names) {
    if (shown.length > 0 && [...shown, name].join(', ').length > A_LINE) break;
    shown.push(name);
  }
  const rest = names.length - shown.length;
  return `${shown.join(', ')}${rest > 0 ? ` and ${rest} more` : ''}`;
}

function watchText({ what, fired, targetMinor }: Watch, { data, drafts, brief }: SeatBundle): string {
  const region = data.regions.find(({ id }) => id === (what.kind === 'part' ? what.region : brief.body.region));
  const currency = region?.currency ?? 'USD';
  const part = what.kind === 'part' ? data.parts.find(({ id }) => id === what.part) : undefined;
  const name =
    what.kind === 'part'
      ? part
        ? fullName(part)
        : what.part
      : (drafts.find(({ id }) => id === what.draft)?.body.name ?? 'a draft that is gone');
  return `${name}: ${coins(fired?.minor ?? 0, currency)} on ${fired?.on ?? ''}, watched for ${coins(targetMinor, currency)}`;
}

function seatOf(bundle: SeatBundle): DeskSeat {
  const { seat, brief, drafts, seen, settings } = bundle;
  const glances = glancesOf(bundle);
  const news = drafts.flatMap(({ id, body }) => {
    const [glance, before] = [glances.get(id), seen[id]];
    return glance && before ? [{ id, name: body.name, news: draftNews(before, glance, settings.newsPercent) }] : [];
  });
  const told: DeskNews[] = [
    ...bundle.news.map((watch): DeskNews => ({
      what: 'watch',
      draft: watch.what.kind === 'draft' ? watch.what.draft : undefined,
      text: watchText(watch, bundle),
    })),
    ...news.flatMap(({ id, name, news: { price, findings } }): DeskNews[] => [
      ...(price === undefined ? [] : [{ what: 'price' as const, draft: id, text: `${name}: ${price}` }]),
      ...(findings === undefined ? [] : [{ what: 'findings' as const, draft: id, text: `${name}: ${findings}` }]),
    ]),
  ];
  return {
    ...seat,
    work: workOf(brief.body),
    budgetMinor: brief.body.budgetMinor,
    drafts: drafts.flatMap(({ id, body }) => {
      const glance = glances.get(id);
      return glance ? [{ id, name: body.name, present: isPresent(body), glance }] : [];
    }),
    seenOn: Object.values(seen)[0]?.on,
    newsLine: newsLine(
      news.map((entry) => entry.news),
      bundle.news.length,
      settings.newsPercent,
    ),
    news: told,
  };
}

const isPresent = (machine: Machine): boolean => machine.present ?? false;

/** The desk as it stands; seats are assessed here when something that they rest on has changed. */
export const deskNow = async (service: Service): Promise<DeskFigures> => ({
  seats: (await allSeats(service)).map(seatOf),
  aside: await rowsSetAside(service),
  currency: deskRegion((await service.catalogue()).data.regions, await service.settings())?.currency,
});
