import type { Brief } from '../../model/brief';
import type { Fitted, FittedParts } from '../../model/fitted';
import { cardsUnsaid, missingOf } from '../../model/unsaid';
import type { PartOf } from '../../parts';
import { WIRELESS_STANDARDS } from '../../parts/common';
import { cardPurpose } from '../../parts/purposes';
import { networksOf } from '../../work/networks';
import { inputsOf } from '../../work/inputs';
import { frontCables, plugIn } from '../ports/plugs';
import { unknown, unknownFigures, idsOf, nameOf, type Said, type Rule } from '../rule';

export const mustHaves: Rule = {
  id: 'must-haves',
  reads: ['expansion', 'board', 'mixer', 'case', 'drive', 'accessory', 'wiring'],
  levels: ['blocks', 'unproven', 'caution'],
  check: ({ parts, brief, board }) => {
    const { networkGbitPerS, wireless, videoInputs, volumeL } = brief.mustHaves;
    const checks: Said[] = [];
    const cards = parts.ofKind('expansion');
    const boardPart = parts.one('board');
    if (networkGbitPerS !== undefined && board) checks.push(network(parts, networkGbitPerS));
    if (wireless && boardPart) checks.push(...wirelessOf(parts, brief));
    if (videoInputs !== undefined) {
      const takers = [
        ...cards.filter(({ part }) => ['capture', undefined].includes(cardPurpose(part))),
        ...parts.ofKind('mixer'),
      ];
      const has = takers.reduce((sum, { part }) => sum + (inputsOf(part) ?? 0), 0);
      const vague = takers.filter(({ part }) => inputsOf(part) === undefined);
      checks.push(
        has < videoInputs && vague.length > 0
          ? unknown('video-inputs', ...vague.map((taker) => [taker, 'videoInputs'] as const))
          : {
              level: has >= videoInputs ? 'passes' : 'blocks',
              code: 'video-inputs',
              items: [],
              has,
              needs: videoInputs,
              adds: ['expansion', 'mixer'],
            },
      );
    }
    const chassis = parts.one('case');
    if (volumeL !== undefined && chassis) {
      if (chassis.part.volumeL === undefined) checks.push(unknown('case-volume', [chassis, 'volumeL']));
      else
        checks.push({
          level: chassis.part.volumeL <= volumeL ? 'passes' : 'blocks',
          code: 'volume',
          items: idsOf(chassis),
          volumeL: chassis.part.volumeL,
          limitL: volumeL,
          chassis: nameOf(chassis),
        });
    }
    checks.push(...ports(parts, brief.mustHaves), ...drivesAndBoard(parts, brief.mustHaves));
    return checks;
  },
};

type MustHaves = Brief['mustHaves'];

/** The fastest network there is; a network card of unknown rate may be fast enough, which nobody knows. */
function network(parts: FittedParts, needsGbit: number): Said {
  const boardPart = parts.one('board');
  const networks = networksOf(parts);
  const hasGbit = Math.max(0, ...networks.map(({ gbitPerS }) => gbitPerS ?? 0));
  const unsaid = [
    ...networks.flatMap(({ holder, gbitPerS }) => (gbitPerS === undefined ? missingOf(holder, 'networkGbitPerS') : [])),
    ...cardsUnsaid(parts),
  ];
  if (hasGbit < needsGbit && unsaid.length > 0) return unknownFigures('network', unsaid);
  return {
    level: hasGbit >= needsGbit ? 'passes' : 'blocks',
    code: 'network',
    items: boardPart ? idsOf(boardPart) : [],
    hasGbit,
    needsGbit,
    adds: ['expansion'],
  };
}

/** A card made for wireless has it, whether or not its sheet says so once more. */
const isWireless = ({ part }: Fitted<'expansion'>): boolean =>
  part.wireless ?? (cardPurpose(part) === 'wireless' || part.wirelessStandard !== undefined);

/** Whether there is wireless, and whether it speaks what the room's own router does. */
function wirelessOf(parts: FittedParts, { router }: Brief): Said[] {
  const board = parts.one('board');
  if (!board) return [];
  const cards = parts.ofKind('expansion').filter(isWireless);
  const unknowns = [...(board.part.wireless === undefined ? missingOf(board, 'wireless') : []), ...cardsUnsaid(parts)];
  if (cards.length === 0 && board.part.wireless !== true && unknowns.length > 0)
    return [unknownFigures('wireless', unknowns)];
  const has = cards.length > 0 || board.part.wireless === true;
  const items = idsOf(...(cards.length > 0 ? cards : [board]));
  const checks: Said[] = [{ level: has ? 'passes' : 'blocks', code: 'wireless', items, has, adds: ['expansion'] }];
  if (!has || router === undefined) return checks;
  const holders: readonly (Fitted<'expansion'> | Fitted<'board'>)[] = [
    ...cards,
    ...(board.part.wireless === true ? [board] : []),
  ];
  const standards = holders.flatMap(({ part }) => part.wirelessStandard ?? []);
  const best = Math.max(-1, ...standards.map((standard) => WIRELESS_STANDARDS.indexOf(standard)));
  const enough = best >= WIRELESS_STANDARDS.indexOf(router);
  const unsaid = holders.filter(({ part }) => part.wirelessStandard === undefined);
  if (!enough && unsaid.length > 0)
    return [...checks, unknown('wireless-standard', ...unsaid.map((holder) => [holder, 'wirelessStandard'] as const))];
  const speaks = WIRELESS_STANDARDS[best];
  if (speaks === undefined) return checks;
  return [
    ...checks,
    {
      level: enough ? 'passes' : 'caution',
      code: 'wireless-standard',
      items: idsOf(...holders),
      has: speaks,
      router,
      adds: ['expansion'],
    },
  ];
}

type Ports = PartOf<'board'>['rearUsb'];

/** Front ports of the case that have a header, as fast as the header lets them be; undefined where a figure is missing. */
function frontPorts(board: PartOf<'board'>, chassis: PartOf<'case'> | undefined, cables: number): Ports {
  if (!chassis) return [];
  if (chassis.frontUsb === undefined || board.frontUsbHeaders === undefined) return undefined;
  return plugIn(chassis.frontUsb, board.frontUsbHeaders, cables).flatMap(({ port, getsGbit }) =>
    getsGbit === undefined
      ? []
      : [{ gbitPerS: getsGbit, count: 1, ...(port.connector ? { connector: port.connector } : {}) }],
  );
}

function ports(parts: FittedParts, { fastPorts, ports: asked }: MustHaves): Said[] {
  const board = parts.one('board');
  const chassis = parts.one('case');
  if (!board) return [];
  const rear: Ports = board.part.rearUsb;
  const front = frontPorts(board.part, chassis?.part, frontCables(parts));
  const missing = [
    ...(rear === undefined ? [[board, 'rearUsb'] as const] : []),
    ...(chassis && chassis.part.frontUsb === undefined ? [[chassis, 'frontUsb'] as const] : []),
    ...(chassis && board.part.frontUsbHeaders === undefined ? [[board, 'frontUsbHeaders'] as const] : []),
  ];
  const items = idsOf(board, ...(chassis ? [chassis] : []));
  const checks: Said[] = [];
  const count = (list: Ports, wants: (port: NonNullable<Ports>[number]) => boolean) =>
    (list ?? []).filter(wants).reduce((sum, port) => sum + port.count, 0);
  if (fastPorts) {
    const fast = (port: { gbitPerS: number }) => port.gbitPerS >= fastPorts.gbitPerS;
    const has = count(rear, fast) + count(front, fast);
    checks.push(
      has < fastPorts.count && missing.length > 0
        ? unknown('fast-ports', ...missing)
        : {
            level: has >= fastPorts.count ? 'passes' : 'blocks',
            code: 'fast-ports',
            items,
            needs: fastPorts.count,
            gbitPerS: fastPorts.gbitPerS,
            has,
          },
    );
  }
  for (const demand of asked ?? []) {
    const here = [...(demand.place === 'front' ? [] : [rear]), ...(demand.place === 'rear' ? [] : [front])];
    const fast = (port: { gbitPerS: number }) => port.gbitPerS >= demand.gbitPerS;
    const has = here.reduce(
      (all, list) => all + count(list, (port) => fast(port) && port.connector === demand.connector),
      0,
    );
    // a port whose connector nobody states may be one of them
    const perhaps = here.reduce(
      (all, list) => all + count(list, (port) => fast(port) && port.connector === undefined),
      0,
    );
    const lacking = missing.filter(([, field]) =>
      demand.place === 'rear' ? field === 'rearUsb' : demand.place === 'front' ? field !== 'rearUsb' : true,
    );
    if (has < demand.count && (lacking.length > 0 || has + perhaps >= demand.count)) {
      const vague =
        lacking.length > 0
          ? lacking
          : [
              ...(demand.place !== 'front' ? [[board, 'rearUsb'] as const] : []),
              ...(demand.place !== 'rear' && chassis ? [[chassis, 'frontUsb'] as const] : []),
            ];
      checks.push(unknown(['port-connectors', PLACE[demand.place]], ...vague));
    } else
      checks.push({
        level: has >= demand.count ? 'passes' : 'blocks',
        code: 'ports',
        subject: `${demand.connector} ${demand.place} ${demand.gbitPerS}`,
        items,
        has,
        needs: demand.count,
        connector: demand.connector,
        place: demand.place,
        gbitPerS: demand.gbitPerS,
      });
  }
  return checks;
}

const PLACE = { rear: 'at the back', front: 'in front', anywhere: 'of the machine' } as const;

function drivesAndBoard(parts: FittedParts, { opticalDrive, encryption, remoteManagement }: MustHaves): Said[] {
  const checks: Said[] = [];
  const drives = parts.ofKind('drive');
  if (opticalDrive) {
    const has = drives.some(({ part }) => part.cellKind === 'optical');
    const vague = drives.filter(({ part }) => part.cellKind === undefined);
    checks.push(
      !has && vague.length > 0
        ? unknown('optical-drive', ...vague.map((drive) => [drive, 'cellKind'] as const))
        : {
            level: has ? 'passes' : 'blocks',
            code: 'optical-drive',
            items: [],
            has,
            adds: ['drive'],
          },
    );
  }
  if (encryption)
    for (const drive of drives) {
      if (drive.part.cellKind === 'optical') continue;
      if (drive.part.encryption === undefined) checks.push(unknown('drive-encryption', [drive, 'encryption']));
      else
        checks.push({
          level: drive.part.encryption ? 'passes' : 'blocks',
          code: 'encryption',
          items: idsOf(drive),
          drive: nameOf(drive),
          has: drive.part.encryption,
        });
    }
  const board = parts.one('board');
  if (remoteManagement && board) {
    const has = board.part.remoteManagement;
    if (has === undefined) checks.push(unknown('remote-management', [board, 'remoteManagement']));
    else
      checks.push({
        level: has ? 'passes' : 'blocks',
        code: 'remote-management',
        items: idsOf(board),
        board: nameOf(board),
        has,
      });
  }
  return checks;
}
