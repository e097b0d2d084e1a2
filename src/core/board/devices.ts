import type { Fitted, FittedParts } from '../model/fitted';
import type { Device } from './fit';
import { isDiskForm } from '../parts/drive';
import { accessoryPurpose } from '../parts/purposes';
import type { Link } from '../units/links';

const linkOf = (part: { generation?: number | undefined; lanes?: number | undefined }): Link | undefined =>
  part.generation === undefined || part.lanes === undefined
    ? undefined
    : { generation: part.generation, lanes: part.lanes };

const M2_LENGTH: Readonly<Record<string, number>> = { 'M.2 2230': 30, 'M.2 2280': 80, 'M.2 22110': 110 };

/** What is plugged is told by form and interface together: without either it is looked for where most of its kind go. */
function driveDevice({ item, part }: Fitted<'drive'>): Device {
  const sata = part.interface === 'SATA' || (part.interface === undefined && isDiskForm(part.form));
  const m2Length = part.form === undefined ? undefined : M2_LENGTH[part.form];
  const unsaid =
    part.form === undefined ? 'form' : part.interface === undefined && part.form !== 'card' ? 'interface' : undefined;
  const needs =
    m2Length !== undefined
      ? 'm2'
      : part.form === 'card'
        ? 'card'
        : sata
          ? 'sata'
          : part.form === undefined
            ? 'm2'
            : 'u2';
  return {
    id: item.id,
    twinKey: `${part.id} ${(item.roles ?? []).join()}`,
    needs,
    sata,
    link: sata ? undefined : linkOf(part),
    ...(unsaid === undefined ? {} : { unsaid }),
    rows: 1,
    lengthMm: m2Length,
    ...(m2Length !== undefined && part.heatsinkHeightMm !== undefined ? { heightMm: part.heatsinkHeightMm } : {}),
  };
}

function cardDevice({ item, part }: Fitted<'graphics'> | Fitted<'expansion'>, riser: Link | undefined): Device {
  const slots = part.kind === 'expansion' ? (part.driveSlots ?? 0) : 0;
  return {
    id: item.id,
    twinKey: `${part.id}${item.upright ? ' upright' : ''}`,
    needs: 'card',
    sata: false,
    link: linkOf(part),
    // unknown thickness takes one row here and is reported by its own rule
    rows: Math.ceil(part.slots ?? 1),
    lengthMm: part.lengthMm,
    ...(slots > 0 && part.kind === 'expansion'
      ? // a switch that is not stated is not counted on
        {
          carries: {
            slots,
            ownSwitch: part.ownSwitch ?? false,
            lengthsMm: part.driveForms?.flatMap((form) => M2_LENGTH[form] ?? []),
          },
        }
      : {}),
    ...(item.upright ? { upright: true, ...(riser ? { riser } : {}) } : {}),
  };
}

/** Everything in the machine that needs a slot or a port on the board. */
export function devicesOf(parts: FittedParts): Device[] {
  const riser = parts.ofKind('accessory').find(({ part }) => accessoryPurpose(part) === 'riser');
  const link = riser && linkOf(riser.part);
  return [
    ...parts.ofKind('graphics').map((card) => cardDevice(card, link)),
    ...parts.ofKind('expansion').map((card) => cardDevice(card, link)),
    ...parts.ofKind('drive').map(driveDevice),
  ];
}
