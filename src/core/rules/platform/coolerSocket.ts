import { missingOf } from '../../model/unsaid';
import { accessoryPurpose } from '../../parts/purposes';
import { unknown, unknownFigures, idsOf, nameOf, type Rule } from '../rule';

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
    const unsaid = accessories.flatMap((each) => {
      const { fitsSocket = socket, fitsCooler = cooler.part.id } = each.part;
      const purpose = accessoryPurpose(each.part);
      const may =
        (purpose ?? 'mounting-kit') === 'mounting-kit' && fitsSocket === socket && fitsCooler === cooler.part.id;
      if (!may) return [];
      const lacks = (['fitsSocket', 'fitsCooler'] as const).filter((field) => each.part[field] === undefined);
      return missingOf(each, ...(purpose ? [] : ['purpose']), ...lacks);
    });
    if ((kit === 'none' || kit === 'apart') && unsaid.length > 0) return [unknownFigures('cooler-socket', unsaid)];
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
