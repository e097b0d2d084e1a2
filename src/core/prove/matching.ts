import type { Assessment } from '../assess';
import type { Found } from '../evidence/readers';
import { fullName } from '../model/fitted';
import type { AcceptanceTest } from './acceptance';
import type { Shown } from './readers';
import type { Reading, Readings } from './readings';

/** What files of readings say about a machine. */
export interface Matched {
  readonly readings: Readings;
  /** °C of the room, where a file shows it. */
  readonly roomC: number | undefined;
  /** Results that answer no test but can teach the predictions. */
  readonly others: readonly Found[];
  /** What answers nothing here, by name. */
  readonly left: readonly string[];
}

/**
 * Which test each thing shown answers: sensors by what they are named after, links by the device's name, runs of drives by
 * the name of their job. Of several readings of one test the last counts.
 */
export function matched(shown: readonly Shown[], tests: readonly AcceptanceTest[], { facts }: Assessment): Matched {
  const { parts } = facts;
  const known = new Set(tests.map(({ id }) => id));
  const readings: Record<string, Reading> = {};
  const others: Found[] = [];
  const left: string[] = [];
  const room = shown.findLast((entry) => entry.what === 'sensor' && entry.of === 'room');
  const roomC = room?.what === 'sensor' ? room.value : undefined;
  const cards = parts.ofKind('graphics').map(({ item }) => item.id);
  const drives = parts.ofKind('drive');
  const free = [...parts.ofKind('graphics'), ...parts.ofKind('expansion'), ...drives].filter(({ item }) =>
    known.has(`link-lanes ${item.id}`),
  );

  function read(id: string | undefined, value: number, name: string): void {
    if (id === undefined || !known.has(id)) left.push(name);
    else readings[id] = { value, ...(roomC === undefined ? {} : { roomC }) };
  }
  for (const entry of shown)
    switch (entry.what) {
      case 'sensor':
        if (entry.of !== 'room') read(sensorTest(entry), entry.value, entry.name);
        break;
      case 'link': {
        const item = linked(entry);
        if (item === undefined) left.push(entry.name);
        else {
          read(`link-lanes ${item}`, entry.lanes, entry.name);
          read(`link-generation ${item}`, entry.generation, entry.name);
        }
        break;
      }
      case 'memory':
        read('memory-size', entry.gib, 'memory');
        if (entry.mts !== undefined) read('memory-rate', entry.mts, 'memory rate');
        break;
      case 'memory errors':
        read('memory-errors', entry.count, 'memory test');
        break;
      case 'network':
        read('network', entry.gbitPerS, 'network');
        break;
      case 'dropped': {
        // a count names no work: it is of the one live work, or of the only one that is promised
        const promised = tests.filter(({ code }) => code === 'dropped');
        const live = promised.filter(({ task }) =>
          facts.brief.tasks.some(({ id, kind }) => id === task && kind === 'live'),
        );
        const [one, another] = live.length > 0 ? live : promised;
        read(another ? undefined : one?.id, entry.dropped, 'dropped frames');
        break;
      }
      case 'result': {
        const id = resultTest(entry.found, entry.job);
        if (id === undefined) others.push(entry.found);
        else read(id, entry.found.value, entry.job ?? entry.found.tool);
        break;
      }
    }
  return { readings, roomC, others, left };

  function sensorTest({ of, which, unit }: Extract<Shown, { what: 'sensor' }>): string | undefined {
    const quantity = { '°C': 'heat', W: 'watts', GHz: 'clock', rpm: undefined }[unit];
    if (of === 'cooler') return unit === 'rpm' ? `cooler-fan ${parts.one('cooler')?.item.id ?? ''}` : undefined;
    if (of === 'case') return unit === 'rpm' ? 'case-fans' : undefined;
    if (quantity === undefined) return undefined;
    if (of === 'processor') return `processor-${quantity}`;
    if (of === 'card') {
      const item =
        which !== undefined && cards.includes(which) ? which : cards[/^\d+$/.test(which ?? '') ? Number(which) - 1 : 0];
      return item === undefined ? undefined : `card-${quantity} ${item}`;
    }
    if (of !== 'drive') return undefined;
    const byName = drives.find(({ item }) => item.id === which);
    const byNumber = /^\d+$/.test(which ?? '') ? drives[Number(which) - 1] : undefined;
    const item = (byName ?? byNumber ?? (drives.length === 1 ? drives[0] : undefined))?.item.id;
    return item === undefined ? undefined : `drive-${quantity} ${item}`;
  }

  function linked({ name, kind }: Extract<Shown, { what: 'link' }>): string | undefined {
    const wanted = /non-volatile|nvme/i.test(kind) ? 'drive' : /vga|3d|display/i.test(kind) ? 'graphics' : 'expansion';
    const at = free.findIndex(({ part }) => name.includes(fullName(part)) || name.includes(part.name));
    const alike = at >= 0 ? at : free.findIndex(({ part }) => part.kind === wanted);
    return alike < 0 ? undefined : free.splice(alike, 1)[0]?.item.id;
  }

  function resultTest({ workload }: Found, job: string | undefined): string | undefined {
    if (workload.work === 'memory') return 'memory-stream';
    if (workload.work === 'compress') return 'processor-work';
    if (workload.work !== 'drive' || workload.access !== 'sequential') return undefined;
    const named = drives.find(({ item }) => job === item.id || job?.startsWith(`${item.id}-`));
    const drive = named ?? (drives.length === 1 ? drives[0] : undefined);
    if (!drive) return undefined;
    if (workload.direction === 'read') return `drive-read ${drive.item.id}`;
    const long = (workload.gigabytes ?? 0) > (drive.part.writeCacheGB ?? Infinity);
    return `${long ? 'drive-kept' : 'drive-write'} ${drive.item.id}`;
  }
}
