import { unknown, idsOf, nameOf, type Check, type Rule } from './rule';

export const mustHaves: Rule = {
  id: 'must-haves',
  holds: 'network, wireless, video inputs and volume are as the brief asks',
  compares: "the machine with the brief's must-haves",
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
    return checks;
  },
};
