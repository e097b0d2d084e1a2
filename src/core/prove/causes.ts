import type { Assessment } from '../assess';
import { LINKS } from '../board/links';
import { editMachine } from '../model/edits';
import type { Machine } from '../model/machine';
import type { Part } from '../parts';
import { acceptanceOf, type AcceptanceTest } from './acceptance';
import { PROVE, type Mistake } from './constants';
import { otherwise, withAir, withResistance } from './otherwise';
import { offOf } from './readings';

/** A mistake that this machine could have, and what it would show. */
export interface Cause {
  readonly mistake: Mistake;
  readonly item: string | undefined;
  /** Lanes that are left, or Gb/s of a network: of which kind this one is. */
  readonly to: number | undefined;
  /** Nepers by which it moves what each test reads; tests that it leaves alone are not named. */
  readonly shows: ReadonlyMap<string, number>;
}

/** Changes below this are nothing that a reading could tell. */
const NOTHING = 0.005;
/** Rates that networks fall back to, Gb/s. Source: IEEE 802.3. */
const NETWORK_RATES = [0.1, 1, 2.5, 5, 10, 25];
/** How bad it can be, as powers of the usual factor: hardly, as usual, and much. */
const SEVERITIES = [0.6, 1, 1.6];
const LANE_COUNTS = [1, 2, 4, 8] as const;

/**
 * Every mistake that this machine's parts allow, with what each test would then read: where the machine can be put so
 * (profile off, modules in one channel, a card with fewer lanes), by the same model that made the promises; else by the
 * constants of `PROVE`.
 */
export function causesOf(assessment: Assessment): Cause[] {
  const { facts } = assessment;
  const { parts, memory, placement, machine, brief, heat } = facts;
  const causes: Cause[] = [];
  const other = otherwise(assessment);
  // without what other machines have taught, as what is put otherwise will be
  const sound = acceptanceOf(other.put(machine));
  const soundById = new Map(sound.map((test) => [test.id, test]));

  function add(mistake: Mistake, shows: ReadonlyMap<string, number>, item?: string, to?: number): void {
    if (shows.size > 0) causes.push({ mistake, item, to, shows });
  }
  /** What each test would read of a machine that is otherwise. */
  function movedTo(tests: readonly AcceptanceTest[]): Map<string, number> {
    const shows = new Map<string, number>();
    for (const { id, likely } of tests) {
      const test = soundById.get(id);
      if (!test) continue;
      const off = offOf(test, { value: likely }, brief.roomC);
      if (Math.abs(off) > NOTHING) shows.set(test.id, off);
    }
    return shows;
  }
  const put = (changed: Machine): Map<string, number> => movedTo(acceptanceOf(other.put(changed)));
  const remade = (parts: ReadonlyMap<string, Part>): Map<string, number> => movedTo(acceptanceOf(other.made(parts)));
  const one = (item: string, part: Part): Map<string, number> => remade(new Map([[item, part]]));

  memoryMistakes();
  linkMistakes();
  heatMistakes();
  limitMistakes();
  driveFilms();
  networkMistakes();
  return causes;

  function memoryMistakes(): void {
    if ((memory.effectiveMTs ?? 0) > 0 && machine.memoryProfile !== 'off')
      add('profile-off', put(editMachine(machine, { kind: 'memory-profile', profile: 'off' })));
    const narrow = inFewestChannels(assessment);
    if (narrow) add('one-channel', put({ ...machine, moduleSlots: narrow }));
    const kit = parts.ofKind('memory').find(({ part }) => (part.modules ?? 0) > 0);
    if (kit && memory.modules.length > 1) {
      const left = (kit.part.modules ?? 1) - 1;
      add(
        'loose-module',
        left > 0
          ? one(kit.item.id, { ...kit.part, modules: left })
          : put(editMachine(machine, { kind: 'remove', item: kit.item.id })),
      );
    }
    if (soundById.has('memory-errors')) add('unsteady-memory', new Map([['memory-errors', 1]]));
  }

  function linkMistakes(): void {
    for (const { item, part } of parts.ofKind('graphics')) {
      const wide = placement?.placed.get(item.id)?.link?.lanes ?? 0;
      for (const lanes of LANE_COUNTS.filter((count) => count < wide))
        add('narrow-card', one(item.id, { ...part, lanes }), item.id, lanes);
    }
    for (const { item, part } of parts.ofKind('drive')) {
      const link = placement?.placed.get(item.id)?.link;
      if (!link || part.interface !== 'NVMe') continue;
      for (const lanes of LANE_COUNTS.filter((count) => count < link.lanes))
        add('narrow-drive', one(item.id, { ...part, lanes }), item.id, lanes);
      const older = link.generation - 1;
      if (older >= 3) add('narrow-drive', one(item.id, { ...part, generation: older }), item.id);
    }
  }

  function heatMistakes(): void {
    const cooler = parts.one('cooler');
    const processor = parts.one('processor');
    const worse = (factor: number): Map<string, number> | undefined => {
      if (cooler?.part.resistance) return one(cooler.item.id, withResistance(cooler.part, factor));
      if (!cooler && processor?.part.includedCoolerKPerW !== undefined)
        return one(processor.item.id, {
          ...processor.part,
          includedCoolerKPerW: processor.part.includedCoolerKPerW * factor,
        });
      return undefined;
    };
    for (const share of SEVERITIES) {
      const pasted = worse(PROVE.badPaste.value ** share);
      if (pasted) add('paste', pasted, cooler?.item.id);
    }
    const still = cooler?.part.fans === 0 ? undefined : worse(PROVE.stillCooler.value);
    if (still) {
      // it does not turn, however fast it is asked to
      const turns = cooler && soundById.get(`cooler-fan ${cooler.item.id}`);
      if (turns) still.set(turns.id, offOf(turns, { value: 0 }, brief.roomC));
      add('cooler-still', still, cooler?.item.id);
    }
    const blown = withAir(parts, PROVE.reversedAir.value);
    if (parts.one('case') && !heat.setup.air.open && blown.size > 0) add('fan-reversed', remade(blown));
  }

  function limitMistakes(): void {
    const hot = heat.setup.hot.find(({ kind }) => kind === 'processor');
    const state = heat.atLimit.best.state.parts.find(({ item }) => item === hot?.item);
    if (hot && state)
      add(
        'processor-limit',
        put({
          ...machine,
          tuning: {
            ...machine.tuning,
            packageW: Math.max(1, PROVE.processorShare.value * Math.min(state.watts, hot.allowedW.best)),
          },
        }),
      );
    if (parts.ofKind('graphics').length > 0)
      add(
        'card-limit',
        put({
          ...machine,
          tuning: { ...machine.tuning, cardShare: PROVE.cardShare.value * (machine.tuning?.cardShare ?? 1) },
        }),
      );
  }

  function driveFilms(): void {
    for (const { item } of parts.ofKind('drive')) {
      const test = soundById.get(`drive-heat ${item.id}`);
      if (!test) continue;
      const shows = new Map([[test.id, offOf(test, { value: test.likely + PROVE.filmRiseK.value }, brief.roomC)]]);
      for (const [code, factor] of [
        ['drive-kept', PROVE.filmKept.value],
        ['drive-write', PROVE.filmCached.value],
      ] as const)
        if (soundById.has(`${code} ${item.id}`)) shows.set(`${code} ${item.id}`, Math.log(factor));
      add('drive-film', shows, item.id);
    }
  }

  function networkMistakes(): void {
    const test = soundById.get('network');
    if (!test) return;
    for (const rate of NETWORK_RATES) {
      const off = Math.log((rate * LINKS.network.value) / test.likely);
      if (off < -NOTHING) add('slow-network', new Map([[test.id, off]]), undefined, rate);
    }
  }
}

/** The same modules in as few channels as hold them; undefined when they could not sit so or already do. */
function inFewestChannels({ facts }: Assessment): Record<string, string[]> | undefined {
  const { memory, parts } = facts;
  const slots = parts.one('board')?.part.memorySlots ?? [];
  const byChannel = new Map<string, string[]>();
  for (const { id, channel } of slots) byChannel.set(channel, [...(byChannel.get(channel) ?? []), id]);
  const wide = [...byChannel.values()].sort((a, b) => b.length - a.length);
  const order = wide.flat().slice(0, memory.modules.length);
  const taken = wide.filter((channel) => channel.some((slot) => order.includes(slot))).length;
  if (order.length < memory.modules.length || taken >= (memory.channelsPopulated ?? 0)) return undefined;
  const seats: Record<string, string[]> = {};
  memory.modules.forEach(({ item }, i) => {
    const slot = order[i];
    if (slot !== undefined) (seats[item] ??= []).push(slot);
  });
  return seats;
}
