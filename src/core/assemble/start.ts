import type { Assessment } from '../assess';
import { firmwarePlan, type FirmwarePlan, type FirmwareStep } from '../firmware/plan';
import { compareVersions } from '../firmware/versions';
import type { DriveRole } from '../figures/resources';
import type { FanCurve } from '../model/machine';
import { fullName, type AnyFitted } from '../model/fitted';
import { memoryTestMinutes } from '../prove/acceptance';
import { MINUTES } from './constants';

/** Ids of these steps among those of an assembly that are done. */
const OURS = 'start ';
export const isOfStart = (step: string): boolean => step.startsWith(OURS);

/** Why a machine is tried on the bench before the case. */
export type BenchReason =
  /** New firmware has to be flashed before it starts. */
  | 'firmware'
  /** Something in it was used before. */
  | 'used'
  /** In this case it would take long to reach it again. */
  | 'narrow';

/** What is done at the first start, with what must be seen. */
export type StartDoes =
  | { readonly do: 'lay-out'; readonly with: readonly string[]; readonly slot: string | undefined }
  | { readonly do: 'picture'; readonly from: 'board' | 'card' | 'unknown'; readonly card: string | undefined }
  | { readonly do: 'bridge-switch' }
  | { readonly do: 'see-setup'; readonly gib: number | undefined }
  | { readonly do: 'take-down' }
  | { readonly do: 'flash'; readonly step: FirmwareStep }
  | { readonly do: 'update'; readonly version: string; readonly fault: string | undefined }
  | { readonly do: 'defaults' }
  | { readonly do: 'profile'; readonly mts: number }
  | { readonly do: 'rate-by-hand'; readonly mts: number; readonly profileMTs: number }
  | { readonly do: 'no-profile'; readonly mts: number; readonly why: 'planned' | 'unread' | 'enough' }
  | { readonly do: 'memory-test'; readonly gib: number | undefined; readonly minutes: number | undefined }
  | { readonly do: 'processor-limit'; readonly watts: number; readonly byHand: boolean }
  | { readonly do: 'card-limit'; readonly share: number }
  | { readonly do: 'fan-curve'; readonly of: 'cooler' | 'case'; readonly curve: FanCurve; readonly byHand: boolean }
  | { readonly do: 'virtual'; readonly guests: number }
  /** Undefined where the system does not say whether it wants it. */
  | { readonly do: 'secure-start'; readonly system: string; readonly wanted: true | undefined }
  | { readonly do: 'lane-mode'; readonly port: string; readonly mode: string }
  | { readonly do: 'system-alone'; readonly drive: string; readonly others: readonly string[] }
  | { readonly do: 'install'; readonly drive: string; readonly system: string | undefined }
  | { readonly do: 'drivers'; readonly items: readonly string[]; readonly certified: boolean }
  | { readonly do: 'link'; readonly item: string; readonly lanes: number; readonly generation: number }
  | { readonly do: 'format'; readonly role: DriveRole; readonly drives: readonly string[] }
  | { readonly do: 'encrypt'; readonly drives: readonly string[]; readonly byDrive: boolean }
  | { readonly do: 'backup'; readonly to: readonly string[]; readonly server: boolean };

export interface StartStep {
  readonly id: string;
  readonly part: 'bench' | 'firmware' | 'settings' | 'system';
  readonly does: StartDoes;
  readonly minutes: number;
}

export interface StartPlan {
  /** Empty when nothing speaks for trying it on the bench. */
  readonly bench: readonly BenchReason[];
  readonly firmware: FirmwarePlan | undefined;
  readonly steps: readonly StartStep[];
  readonly minutes: number;
}

/**
 * The first start of a machine: on the bench where it pays, firmware before any setting (flashing puts settings back),
 * the memory's profile and a test after it, limits and curves as they were planned, the system on its own drive with no
 * other connected, links as they must show under load, data drives by role, encryption and backups as the brief asks.
 */
export function startOf(assessment: Assessment): StartPlan {
  const { facts } = assessment;
  const { parts, memory, placement, heat, machine, brief } = facts;
  const board = parts.one('board');
  if (!board) return { bench: [], firmware: undefined, steps: [], minutes: 0 };
  const processor = parts.one('processor');
  const firmware = firmwarePlan(board.part, processor?.part, machine.firmware);
  const bench = benchReasons(assessment, firmware);
  const steps: StartStep[] = [];
  const add = (part: StartStep['part'], id: string, does: StartDoes, minutes: number): void => {
    steps.push({ id: `${OURS}${id}`, part, does, minutes });
  };
  const glance = MINUTES.look.value;

  // what cannot start before is flashed first; what merely should be newer waits until it is seen to start
  const first = firmware.steps.length > 0;
  if (first) flash();
  if (bench.length > 0) onTheBench();
  if (!first) update();
  if (bench.length > 0) add('bench', 'take down', { do: 'take-down' }, glance);
  settings();
  system();
  return { bench, firmware, steps, minutes: steps.reduce((sum, step) => sum + step.minutes, 0) };

  /** The least that starts: board, processor, cooler, one module, supply, and a card where the picture comes from one. */
  function onTheBench(): void {
    const picture = pictureOf(assessment);
    const [first] = memory.modules;
    const least: readonly (AnyFitted | undefined)[] = [
      board,
      processor,
      parts.one('cooler'),
      parts.ofKind('memory').find(({ item }) => item.id === first?.item),
      parts.one('supply'),
      picture.from === 'board' ? undefined : parts.one('graphics'),
    ];
    add(
      'bench',
      'lay out',
      {
        do: 'lay-out',
        with: least.flatMap((fitted) => fitted?.item.id ?? []),
        slot: board?.part.memorySlots?.find(({ id }) => id === first?.slot)?.label ?? first?.slot,
      },
      MINUTES.benchLay.value,
    );
    add('bench', 'picture', { do: 'picture', ...picture }, glance);
    add('bench', 'switch', { do: 'bridge-switch' }, glance);
    add('bench', 'see', { do: 'see-setup', gib: first?.gib }, MINUTES.firstStart.value);
  }

  function flash(): void {
    const each = MINUTES.flash.value / firmware.steps.length;
    firmware.steps.forEach((step, i) => add('firmware', `firmware ${i + 1}`, { do: 'flash', step }, each));
  }

  /** A newer release is worth a quarter of an hour where the one that is there has a known fault or is not known. */
  function update(): void {
    const { has, takes } = firmware;
    if (takes?.channel !== 'release') return;
    const fault = board?.part.firmwareVersions?.find(({ version }) => version === has)?.fault;
    if (has === undefined || (fault !== undefined && compareVersions(takes.version, has) > 0))
      add('firmware', 'update', { do: 'update', version: takes.version, fault }, MINUTES.flash.value);
  }

  function settings(): void {
    // flashing puts settings back, and another's may still be there
    add('settings', 'defaults', { do: 'defaults' }, glance);
    if (memory.effectiveMTs !== undefined)
      add('settings', 'profile', profileOf(memory.effectiveMTs), MINUTES.setting.value);
    const gib = memory.bytes === undefined ? undefined : memory.bytes / 2 ** 30;
    if (memory.modules.length > 0) {
      const minutes = memoryTestMinutes(memory.bytes, memory.bandwidthBytesPerS);
      add('settings', 'memory test', { do: 'memory-test', gib, minutes }, glance);
    }
    for (const { port, name } of placement?.modes ?? [])
      add('settings', `lanes ${port}`, { do: 'lane-mode', port, mode: name }, MINUTES.setting.value);
    const hot = heat.setup.hot.find(({ kind }) => kind === 'processor');
    const { packageW, cardShare, coolerCurve, caseCurve } = machine.tuning ?? {};
    const allowed = hot?.allowedW.best;
    if (allowed !== undefined && Number.isFinite(allowed))
      add(
        'settings',
        'processor limit',
        { do: 'processor-limit', watts: allowed, byHand: packageW !== undefined },
        MINUTES.setting.value,
      );
    if (cardShare !== undefined)
      add('settings', 'card limit', { do: 'card-limit', share: cardShare }, MINUTES.setting.value);
    if (hot?.hasFans)
      add(
        'settings',
        'cooler curve',
        { do: 'fan-curve', of: 'cooler', curve: hot.curve, byHand: coolerCurve !== undefined },
        MINUTES.setting.value,
      );
    if ((heat.setup.plan?.sides ?? []).some(({ fans }) => fans.length > 0))
      add(
        'settings',
        'case curve',
        { do: 'fan-curve', of: 'case', curve: heat.setup.caseCurve, byHand: caseCurve !== undefined },
        MINUTES.setting.value,
      );
    const guests = brief.tasks.reduce((most, task) => (task.kind === 'guests' ? Math.max(most, task.guests) : most), 0);
    for (const { item, part } of parts.ofKind('system'))
      if (part.secureStart !== false)
        add(
          'settings',
          `secure start ${item.id}`,
          { do: 'secure-start', system: fullName(part), wanted: part.secureStart },
          MINUTES.setting.value,
        );
    if (guests > 0) add('settings', 'virtual', { do: 'virtual', guests }, MINUTES.setting.value);
  }

  /** The profile where the board reads it and goes as high, else a lower rate by hand, or none where none is needed. */
  function profileOf(mts: number): StartDoes {
    if (machine.memoryProfile === 'off') return { do: 'no-profile', mts, why: 'planned' };
    if (memory.profileReadable === false) return { do: 'no-profile', mts, why: 'unread' };
    if (parts.ofKind('memory').every(({ part }) => (part.standardRateMTs ?? 0) >= mts))
      return { do: 'no-profile', mts, why: 'enough' };
    const { profileMTs } = memory;
    return profileMTs !== undefined && profileMTs > mts
      ? { do: 'rate-by-hand', mts, profileMTs }
      : { do: 'profile', mts };
  }

  function system(): void {
    const drives = parts.ofKind('drive').filter(({ part }) => part.cellKind !== 'optical');
    const target =
      drives.find(({ item }) => item.roles?.includes('system')) ??
      (drives.length === 1 ? drives[0] : drives.find(({ part }) => part.interface === 'NVMe'));
    const others = drives.filter((drive) => drive !== target).map(({ item }) => item.id);
    if (target) {
      if (others.length > 0)
        add('system', 'alone', { do: 'system-alone', drive: target.item.id, others }, MINUTES.setting.value);
      add(
        'system',
        'install',
        { do: 'install', drive: target.item.id, system: parts.one('system')?.part.system },
        MINUTES.install.value,
      );
    }
    const cards = [...parts.ofKind('graphics'), ...parts.ofKind('expansion')];
    add(
      'system',
      'drivers',
      {
        do: 'drivers',
        items: [board, ...cards].flatMap((fitted) => fitted?.item.id ?? []),
        certified: parts.ofKind('graphics').some(({ part }) => part.certifiedDriver === true),
      },
      MINUTES.drivers.value,
    );
    for (const { item } of [...cards, ...drives]) {
      const link = placement?.placed.get(item.id)?.link;
      if (link) add('system', `link ${item.id}`, { do: 'link', item: item.id, ...link }, glance);
    }
    const roles = new Map<DriveRole, string[]>();
    for (const { item } of drives)
      for (const role of item.roles ?? [])
        if (role !== 'system' || item.id !== target?.item.id) roles.set(role, [...(roles.get(role) ?? []), item.id]);
    for (const [role, ids] of roles)
      // what is on the system's drive is a folder there
      if (ids.some((id) => id !== target?.item.id))
        add(
          'system',
          `format ${role}`,
          { do: 'format', role, drives: ids.filter((id) => id !== target?.item.id) },
          MINUTES.setting.value,
        );
    if (brief.mustHaves.encryption)
      add(
        'system',
        'encrypt',
        {
          do: 'encrypt',
          drives: drives.map(({ item }) => item.id),
          byDrive: drives.every(({ part }) => part.encryption === true),
        },
        MINUTES.setting.value,
      );
    if (brief.keeping !== undefined && brief.keeping !== 'one') {
      const server = brief.secondCopy === 'server';
      const to = drives.filter(({ item }) => item.roles?.includes('backup')).map(({ item }) => item.id);
      add('system', 'backup', { do: 'backup', to, server }, MINUTES.backup.value);
    }
  }
}

/** Where the first picture comes from: the board when the processor draws and the board has a plug for it, else a card. */
export function pictureOf({
  facts,
}: Pick<Assessment, 'facts'>): Pick<Extract<StartDoes, { do: 'picture' }>, 'from' | 'card'> {
  const { parts } = facts;
  const draws = parts.one('processor')?.part.integratedGraphics;
  const plugs = parts.one('board')?.part.displayOutputs;
  const card = parts.one('graphics')?.item.id;
  if (draws !== undefined && draws !== 'none' && (plugs?.length ?? 0) > 0) return { from: 'board', card };
  if (card !== undefined) return { from: 'card', card };
  return { from: 'unknown', card };
}

function benchReasons({ facts }: Assessment, firmware: FirmwarePlan): BenchReason[] {
  const { parts, machine } = facts;
  const reasons: BenchReason[] = [];
  if (firmware.route !== 'not-needed') reasons.push('firmware');
  if (machine.present !== true && parts.all.some(({ item }) => item.owned === true)) reasons.push('used');
  const radiator = parts.ofKind('cooler').some(({ part }) => part.radiatorMm !== undefined);
  if (radiator || parts.one('board')?.part.form === 'Mini-ITX') reasons.push('narrow');
  return reasons;
}
