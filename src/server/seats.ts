import { LONGEST_NAME } from '@/core/parts/common';
import { briefSchema } from '@/core/model/brief';
import { machineSchema, type Machine } from '@/core/model/machine';
import { deskRegion } from '@/core/model/settings';
import { firstFree, idIn, numbered, numberedWithin } from '@/core/units/free';
import * as projects from '@/store/projectStore';
import { bringBack as bringRemoved, listRemoved, removeProject, removeSeat, type Removed } from '@/store/removed';
import { answering, DONE, refuse, type Done, type Refused } from './refuse';
import { now, type Service } from './service';

export interface MadeSeat {
  readonly state: 'made';
  readonly seatId: string;
  readonly projectId: string;
}

/** A new seat with an empty brief in the desk's region, and with an empty draft or the machine that is given. */
export async function newSeat(
  service: Service,
  projectId: string,
  name: string,
  machine?: Machine,
): Promise<MadeSeat | Refused> {
  return answering(async () => {
    const { data } = await service.catalogue();
    const region = deskRegion(data.regions, await service.settings());
    if (!region) refuse('catalogue', 'has no region yet; import a catalogue first');
    const seats = await projects.listSeats(service.db);
    const project = seats.find((seat) => seat.projectId === projectId);
    const base =
      name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-|-$/g, '')
        .slice(0, 60) || 'seat';
    const seatId = firstFree(numbered(base), idIn(seats));
    const brief = briefSchema.parse({
      id: seatId,
      name,
      region: region.id,
      budgetTaxIncluded: true,
      roomC: 24,
      yearsOfService: 4,
      mustHaves: {},
      // a machine is sold with a system; whether display and keyboard are there is for its person to say
      whole: { system: 'wanted' },
      ownedDisplays: [],
      tasks: [],
      sittings: [],
    });
    const draft = machine ?? machineSchema.parse({ id: `${seatId}-a`, name: 'Draft A', items: [] });
    await projects.addSeat(service.db, {
      projectId,
      projectName: project?.projectName ?? 'My project',
      seatId,
      seatName: name,
      brief,
      drafts: [draft],
    });
    return { state: 'made' as const, seatId, projectId };
  });
}

/** A seat like another one, to be varied: its brief and its drafts under a name and ids of its own. */
export async function copySeat(service: Service, seatId: string): Promise<string | undefined> {
  const from = await projects.readSeat(service.db, seatId);
  if (!from) return undefined;
  const seats = await projects.listSeats(service.db);
  const names = new Set(seats.filter((seat) => seat.projectId === from.seat.projectId).map((seat) => seat.name));
  const name = firstFree(numberedWithin(LONGEST_NAME, from.seat.name, ', copy'), (taken) => names.has(taken));
  const copy = firstFree(numbered(seatId), idIn(seats));
  await projects.addSeat(service.db, {
    projectId: from.seat.projectId,
    projectName: from.seat.projectName,
    seatId: copy,
    seatName: name,
    brief: { ...from.brief.body, id: copy, name },
    drafts: from.drafts.map((draft) => draft.body),
  });
  return copy;
}

/** Takes a seat away; it can be brought back, undo list and all. */
export const dropSeat = (service: Service, seatId: string): Promise<Removed | undefined> =>
  removeSeat(service.db, seatId, now());

/** Takes a project away with all its seats. */
export const dropProject = (service: Service, projectId: string): Promise<Removed | undefined> =>
  removeProject(service.db, projectId, now());

/** Brings back what was removed. */
export const bringBack = (service: Service, id: number): Promise<Done | Refused> =>
  answering(async () => {
    switch (await bringRemoved(service.db, id)) {
      case 'brought':
        return DONE;
      case 'gone':
        return refuse('removed', 'is not kept any more');
      case 'taken':
        return refuse(
          'removed',
          'cannot come back: a seat of the same name has its place by now; rename that one first',
        );
    }
  });

/** What can be brought back, the newest first. */
export const removedSeats = (service: Service): Promise<Removed[]> => listRemoved(service.db);

/** A seat as it is, its ids as they are. */
export const addDemoSeat = (service: Service, seat: projects.NewSeat): Promise<void> =>
  projects.addSeat(service.db, seat);

/** Seats by name, for choosing where something goes. */
export async function seatNames(service: Service): Promise<{ id: string; label: string }[]> {
  return (await projects.listSeats(service.db)).map((seat) => ({
    id: seat.id,
    label: `${seat.projectName} / ${seat.name}`,
  }));
}
