import { accessoryPurpose } from '../../parts/purposes';
import { unknown, idsOf, nameOf, type Rule } from '../rule';

export const coolerSocket: Rule = {
  id: 'cooler-socket',
  reads: ['cooler', 'board', 'processor', 'accessory'],
  byIdentity: true,
  levels: ['blocks', 'unproven'],
  check: ({ parts }) => {
    const cooler = parts.one('cooler');
    const holder = parts.one('board') ?? parts.one('processor');
    if (!cooler || !holder) return [];
    const socket = holder.part.socket;
    const accessories = parts.ofKind('accessory');
    const kits = accessories.filter(
      ({ part }) => accessoryPurpose(part) === 'mounting-kit' && (socket === undefined || part.fitsSocket === socket),
    );
    // a kit made for this cooler mounts it, whatever the cooler's own list says
    const own = kits.some(({ part }) => part.fitsCooler === cooler.part.id);
    if (socket === undefined || (cooler.part.sockets === undefined && !own))
      return [
        unknown(
          'cooler-socket',
          ...(socket === undefined ? [[holder, 'socket'] as const] : []),
          ...(cooler.part.sockets === undefined ? [[cooler, 'sockets'] as const] : []),
        ),
      ];
    const entry = cooler.part.sockets?.find((candidate) => candidate.socket === socket);
    const kitAdded = own || kits.some(({ part }) => part.fitsCooler === undefined);
    const kit =
      entry?.kit === 'included' ? 'included' : own || (entry && kitAdded) ? 'added' : entry ? 'apart' : 'none';
    // what may be a kit for it, as far as it says
    const perhaps = accessories.flatMap((each) => {
      const { purpose, fitsSocket, fitsCooler } = each.part;
      const may =
        (accessoryPurpose(each.part) ?? 'mounting-kit') === 'mounting-kit' &&
        (fitsSocket ?? socket) === socket &&
        (fitsCooler ?? cooler.part.id) === cooler.part.id;
      const unsaid = Object.entries({ purpose: purpose ?? accessoryPurpose(each.part), fitsSocket, fitsCooler });
      return may ? unsaid.flatMap(([field, value]) => (value === undefined ? [[each, field] as const] : [])) : [];
    });
    if ((kit === 'none' || kit === 'apart') && perhaps.length > 0) return [unknown('cooler-socket', ...perhaps)];
    return [
      {
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
