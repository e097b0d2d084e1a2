import { z } from 'zod';
import { idText, LONGEST_NAME, plainText } from '@/core/parts/common';
import { briefSchema, type Brief } from '@/core/model/brief';
import { minorOf } from '@/core/units/money';
import { begunWork, DOORS, OFTEN } from '@/core/work/doors';
import { machineSchema, type Machine } from '@/core/model/machine';
import { LONGEST_SAID } from '@/core/library/said';
import { machineOfSpoken, spokenMachine } from '@/core/library/spoken';
import { deskRegion } from '@/core/model/settings';
import { firstFree, idIn, numbered, numberedWithin } from '@/core/units/free';
import * as projects from '@/store/projectStore';
import { bringBack as bringRemoved, listRemoved, removeProject, removeSeat, type Removed } from '@/store/removed';
import { answering, DONE, read, Refusal, refuse, type Done, type Refused } from './refuse';
import { now, todayOf, type Service } from './service';

export interface MadeSeat {
  readonly state: 'made';
  readonly seatId: string;
  readonly projectId: string;
}

/** What a seat begins with. */
export interface NewSeat {
  /** A project that is there, or the name of one that is made with the seat. */
  readonly project: { readonly id: string } | { readonly name: string };
  readonly name: string;
  /** The first draft; an empty one without it. */
  readonly machine?: Machine | undefined;
  readonly work?: Pick<Brief, 'tasks' | 'sittings'> | undefined;
  readonly budgetMinor?: number | undefined;
}

/** A name as part of an id. */
const slug = (name: string, otherwise: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-/, '')
    .slice(0, 60)
    .replace(/-$/, '') || otherwise;

/** A new seat in the desk's region: its brief holds the work that is given, or none yet. */
export async function newSeat(service: Service, begun: NewSeat): Promise<MadeSeat | Refused> {
  return answering(async () => {
    const { name, work, budgetMinor } = begun;
    const { data } = await service.catalogue();
    const region = deskRegion(data.regions, await service.settings());
    if (!region) refuse('catalogue', 'has no region yet; import a catalogue first');
    const seats = await projects.listSeats(service.db);
    const known = await projects.listProjects(service.db);
    const { project } = begun;
    const there = 'id' in project ? known.find(({ id }) => id === project.id) : undefined;
    if ('id' in project && !there) refuse('project', 'is no longer there; choose another');
    const projectName = there?.name ?? ('name' in project ? project.name : '');
    const projectId = there?.id ?? firstFree(numbered(slug(projectName, 'project')), idIn(known));
    const seatId = firstFree(numbered(slug(name, 'seat')), idIn(seats));
    const brief = briefSchema.parse({
      id: seatId,
      name,
      region: region.id,
      ...(budgetMinor === undefined ? {} : { budgetMinor }),
      budgetTaxIncluded: true,
      roomC: 24,
      yearsOfService: 4,
      mustHaves: {},
      // a machine is sold with a system; whether display and keyboard are there is for its person to say
      whole: { system: 'wanted' },
      ownedDisplays: [],
      tasks: work?.tasks ?? [],
      sittings: work?.sittings ?? [],
    });
    const draft = begun.machine ?? machineSchema.parse({ id: `${seatId}-a`, name: 'Draft A', items: [] });
    await projects.addSeat(service.db, {
      projectId,
      projectName,
      seatId,
      seatName: name,
      brief,
      drafts: [draft],
    });
    return { state: 'made' as const, seatId, projectId };
  });
}

const beginSchema = z.strictObject({
  name: plainText(LONGEST_NAME),
  project: z.union([z.strictObject({ id: idText }), z.strictObject({ name: plainText(LONGEST_NAME) })]),
  budget: z.string().max(20).optional(),
  work: z
    .strictObject({
      door: z.enum(DOORS.map(({ id }) => id)),
      size: z.string().max(40),
      often: z.enum(OFTEN.map(({ id }) => id)),
    })
    .optional(),
  present: z.boolean().optional(),
  /** The present machine in words. */
  said: z.string().trim().max(LONGEST_SAID, `takes ${LONGEST_SAID} characters`).optional(),
});

/** Makes a seat as one of the doors asks for it: with the work that was answered for, or with the present machine. */
export async function beginSeat(service: Service, input: unknown): Promise<MadeSeat | Refused> {
  return answering(async () => {
    const { name, project, budget, work, present, said } = read(beginSchema, input);
    const { data } = await service.catalogue();
    const currency = deskRegion(data.regions, await service.settings())?.currency;
    const budgetMinor = budget === undefined || !currency ? undefined : minorOf(budget, currency);
    if (budget !== undefined && !(budgetMinor !== undefined && budgetMinor > 0))
      refuse('budget', `"${budget}" is no amount above 0 in ${currency ?? 'a currency'}`);
    if (work && !DOORS.some(({ id, sizes }) => id === work.door && sizes.some((size) => size.id === work.size)))
      refuse('size', `"${work.size}" is no answer here`);
    const made = await newSeat(service, {
      project,
      name,
      budgetMinor,
      ...(work ? { work: copied(begunWork(work)) } : {}),
      ...(present ? { machine: machineOfSpoken(spokenMachine(said ?? '', data.parts, await todayOf(service))) } : {}),
    });
    if (made.state === 'refused') throw new Refusal(made.problems);
    return made;
  });
}

const copied = ({ tasks, sittings }: ReturnType<typeof begunWork>): Pick<Brief, 'tasks' | 'sittings'> => ({
  tasks: [...tasks],
  sittings: [...sittings],
});

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
