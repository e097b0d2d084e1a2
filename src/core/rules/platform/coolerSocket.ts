import { unknown, idsOf, nameOf, type Rule } from '../rule';

export const coolerSocket: Rule = {
  id: 'cooler-socket',
  holds: 'the cooler mounts on this socket',
  compares: "the board's socket with the cooler's mounting kits",
  reads: ['cooler', 'board', 'processor', 'accessory'],
  byIdentity: true,
  levels: ['blocks', 'unproven'],
  source: 'definition',
  check: ({ parts }) => {
    const cooler = parts.one('cooler');
    const holder = parts.one('board') ?? parts.one('processor');
    if (!cooler || !holder) return [];
    const socket = holder.part.socket;
    if (socket === undefined || cooler.part.sockets === undefined)
      return [
        unknown(
          'cooler-socket',
          'whether the cooler mounts on this socket',
          ...(socket === undefined ? [[holder, 'socket'] as const] : []),
          ...(cooler.part.sockets === undefined ? [[cooler, 'sockets'] as const] : []),
        ),
      ];
    const entry = cooler.part.sockets.find((candidate) => candidate.socket === socket);
    const kitAdded = parts
      .ofKind('accessory')
      .some(
        ({ part }) =>
          part.purpose === 'mounting-kit' &&
          part.fitsSocket === socket &&
          (part.fitsCooler === undefined || part.fitsCooler === cooler.part.id),
      );
    const kit = !entry ? 'none' : entry.kit === 'included' ? 'included' : kitAdded ? 'added' : 'apart';
    return [
      {
        rule: 'cooler-socket',
        level: kit === 'none' || kit === 'apart' ? 'blocks' : 'passes',
        code: 'cooler-socket',
        items: idsOf(cooler),
        cooler: nameOf(cooler),
        socket,
        kit,
        ...(kit === 'apart' ? { adds: ['accessory'] as const } : {}),
      },
    ];
  },
};
