import type { Brief } from '../../brief';
import type { FittedParts } from '../../fitted';
import { unknown, idsOf, nameOf, type Check, type Rule } from '../rule';

export const mustHaves: Rule = {
  id: 'must-haves',
  holds: 'network, wireless, video inputs and volume are as the brief asks',
  compares: "the machine with the brief's must-haves",
  reads: ['expansion', 'board', 'mixer', 'case', 'drive', 'wiring'],
  levels: ['blocks', 'unproven'],
  source: 'the brief',
  check: ({ parts, brief, board }) => {
    const { networkGbitPerS, wireless, videoInputs, volumeL } = brief.mustHaves;
    const checks: Check[] = [];
    const cards = parts.ofKind('expansion');
    const boardPart = parts.one('board');
    if (networkGbitPerS !== undefined && board) {
      const onBoard = board.integrated
        .filter((item) => item.kind === 'network')
        .map((item) => (item.bytesPerS * 8) / 1e9);
      const onCards = cards.flatMap(({ part }) => (part.networkGbitPerS === undefined ? [] : [part.networkGbitPerS]));
      const hasGbit = Math.max(0, ...onBoard, ...onCards);
      checks.push({
        rule: 'must-haves',
        level: hasGbit >= networkGbitPerS ? 'passes' : 'blocks',
        code: 'network',
        items: boardPart ? idsOf(boardPart) : [],
        hasGbit,
        needsGbit: networkGbitPerS,
        adds: ['expansion'],
      });
    }
    if (wireless && boardPart) {
      const onCard = cards.some(({ part }) => part.wireless === true);
      if (!onCard && boardPart.part.wireless === undefined)
        checks.push(unknown('must-haves', 'whether the board has wireless', [boardPart, 'wireless']));
      else
        checks.push({
          rule: 'must-haves',
          level: onCard || boardPart.part.wireless === true ? 'passes' : 'blocks',
          code: 'wireless',
          items: idsOf(boardPart),
          has: onCard || boardPart.part.wireless === true,
          adds: ['expansion'],
        });
    }
    if (videoInputs !== undefined) {
      const has = [...cards, ...parts.ofKind('mixer')].reduce((sum, { part }) => sum + (part.videoInputs ?? 0), 0);
      checks.push({
        rule: 'must-haves',
        level: has >= videoInputs ? 'passes' : 'blocks',
        code: 'video-inputs',
        items: [],
        has,
        needs: videoInputs,
        adds: ['expansion', 'mixer'],
      });
    }
    const chassis = parts.one('case');
    if (volumeL !== undefined && chassis) {
      if (chassis.part.volumeL === undefined)
        checks.push(unknown('must-haves', 'how large the case is', [chassis, 'volumeL']));
      else
        checks.push({
          rule: 'must-haves',
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

function ports(parts: FittedParts, { fastPorts }: MustHaves): Check[] {
  const board = parts.one('board');
  const chassis = parts.one('case');
  if (!fastPorts || !board) return [];
  const fast = (list: readonly { gbitPerS: number; count: number }[] | undefined) =>
    (list ?? []).filter((port) => port.gbitPerS >= fastPorts.gbitPerS).reduce((sum, port) => sum + port.count, 0);
  // a front port is as fast as its header
  const front = Math.min(fast(chassis?.part.frontUsb), fast(board.part.frontUsbHeaders));
  const has = fast(board.part.rearUsb) + front;
  const missing = [
    ...(board.part.rearUsb === undefined ? [[board, 'rearUsb'] as const] : []),
    ...(chassis && chassis.part.frontUsb === undefined ? [[chassis, 'frontUsb'] as const] : []),
    ...(chassis && board.part.frontUsbHeaders === undefined ? [[board, 'frontUsbHeaders'] as const] : []),
  ];
  if (has < fastPorts.count && missing.length > 0)
    return [unknown('must-haves', 'how many fast ports there are', ...missing)];
  return [
    {
      rule: 'must-haves',
      level: has >= fastPorts.count ? 'passes' : 'blocks',
      code: 'fast-ports',
      items: idsOf(board, ...(chassis ? [chassis] : [])),
      needs: fastPorts.count,
      gbitPerS: fastPorts.gbitPerS,
      has,
    },
  ];
}

function drivesAndBoard(parts: FittedParts, { opticalDrive, encryption, remoteManagement }: MustHaves): Check[] {
  const checks: Check[] = [];
  const drives = parts.ofKind('drive');
  if (opticalDrive) {
    const has = drives.some(({ part }) => part.cellKind === 'optical');
    checks.push({
      rule: 'must-haves',
      level: has ? 'passes' : 'blocks',
      code: 'optical-drive',
      items: [],
      has,
      adds: ['drive'],
    });
  }
  if (encryption)
    for (const drive of drives) {
      if (drive.part.cellKind === 'optical') continue;
      if (drive.part.encryption === undefined)
        checks.push(unknown('must-haves', 'whether the drive encrypts by itself', [drive, 'encryption']));
      else
        checks.push({
          rule: 'must-haves',
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
    if (has === undefined)
      checks.push(unknown('must-haves', 'whether the board can be managed from afar', [board, 'remoteManagement']));
    else
      checks.push({
        rule: 'must-haves',
        level: has ? 'passes' : 'blocks',
        code: 'remote-management',
        items: idsOf(board),
        board: nameOf(board),
        has,
      });
  }
  return checks;
}
