import { contextOf } from '@/core/assess';
import type { Machine } from '@/core/model/machine';
import type { RevisionSpec } from '@/core/quote/kept';
import { quoteOf, type Quoted, type Subject } from '@/core/quote/quote';
import { notPricedWords } from '@/core/words/quote';
import * as projects from '@/store/projectStore';
import { refuse } from '../refuse';
import { todayOf, type Service } from '../service';

/** A machine as the client chose it: changed by options, or another in its place. */
export type Chosen = (machine: Machine, draft: string) => Machine;

/**
 * A revision as it would be today: its drafts, terms and prices as they stand.
 * @throws Refusal where a draft is gone or no price can be made
 */
export async function compose(
  service: Service,
  spec: RevisionSpec,
  { on, chosen = (machine) => machine }: { on?: string; chosen?: Chosen } = {},
): Promise<Quoted> {
  const today = await todayOf(service);
  const settings = await service.settings();
  const { compiled } = await service.catalogue();
  const several = spec.subjects.length > 1;
  let title: string | undefined;
  const subjects: Subject[] = [];
  for (const { seat: seatId, draft: draftId } of spec.subjects) {
    const seat = await projects.readSeat(service.db, seatId);
    const draft = seat?.drafts.find(({ id }) => id === draftId);
    if (!seat || !draft)
      refuse('draft', `"${draftId}" is not there any more; take it out of this quote, or make one of another draft`);
    if (!compiled.region(seat.brief.body.region))
      refuse(
        'region',
        `"${seat.brief.body.region}" of ${seat.seat.name} is not in the library; bring it back there first`,
      );
    title ??= several ? seat.seat.projectName : draft.body.name;
    const bodies = seat.drafts.map(({ body }) => body);
    const elsewhere = await projects.measuredElsewhere(service.db, seatId);
    const context = contextOf(compiled, today, settings, [...bodies, ...elsewhere]);
    subjects.push({
      id: draft.id,
      ...(several ? { seat: seat.seat.name } : {}),
      brief: seat.brief.body,
      machine: { ...chosen(draft.body, draft.id), id: draft.id },
      present: bodies.find((body) => body.present === true && body !== draft.body),
      others: seat.drafts.flatMap(({ id, body }) => (spec.others.includes(id) ? [{ ...body, id }] : [])),
      context,
    });
  }
  const regions = new Set(subjects.map(({ brief }) => brief.region));
  if (regions.size > 1)
    refuse('region', `these seats pay in ${[...regions].join(' and ')}; make a quote for those of each`);
  const made = quoteOf(title ?? '', subjects, { ...spec.terms, on: on ?? today });
  if ('code' in made) {
    const region = compiled.region(subjects[0]?.brief.region ?? '');
    refuse('terms', `This quote ${notPricedWords(made, region?.currency ?? 'USD')}`);
  }
  return made;
}
