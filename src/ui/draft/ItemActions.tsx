'use client';

import Box from '@mui/material/Box';
import { ChoiceButton } from '../shared/ChoiceButton';
import { TextButton } from '../shared/TextButton';
import { explain } from '@/core/board/explain';
import { fullName } from '@/core/model/fitted';
import { FIRST, type Item, type Machine } from '@/core/model/machine';
import { phaseOf, phasesOf } from '@/core/model/phases';
import { Value } from '../shared/Value';
import { DRIVE_ROLES, type DriveRole } from '@/core/figures/resources';
import type { Side } from '@/core/parts/case';
import { keyFigures } from '@/core/words/partFigures';
import { placeWords } from '@/core/words/placement';
import { useDraft, useDraftAssessment, useWholeDraft } from '../seat/moment';
import { useSeat } from '../seat/useSeat';

/** What can be done with the part that is there: owned, out, roles of a drive, its pin. */
export function ItemActions({ itemId }: { itemId: string }) {
  const draft = useDraft();
  const item = draft.items.find((entry) => entry.id === itemId);
  const part = useSeat((state) => (item ? state.context.catalogue.part(item.part) : undefined));
  const editDraft = useSeat((state) => state.editDraft);
  const choose = useSeat((state) => state.choose);
  const open = useSeat((state) => state.open);
  const assessment = useDraftAssessment();
  const whole = useWholeDraft();
  if (!item) return null;
  const name = item.label ?? item.part;
  const roles = item.roles ?? [];
  const toggle = (role: DriveRole) =>
    editDraft(
      {
        kind: 'roles',
        item: item.id,
        roles: roles.includes(role) ? roles.filter((has) => has !== role) : [...roles, role],
      },
      `Roles of ${name}`,
    );
  const pinned = draft.pins?.[item.id];
  const { problem, placement, board, parts } = assessment.facts;
  const explained =
    problem && placement ? explain(problem, placement).find((entry) => entry.device === item.id) : undefined;
  const deviceName = (id: string) => {
    const fitted = parts.all.find((entry) => entry.item.id === id);
    return fitted ? fullName(fitted.part) : id;
  };
  const slotName = (id: string) => board?.slotById.get(id)?.label ?? id;
  return (
    <Box className="small" sx={{ marginBottom: '6px' }}>
      <p>
        Now: <b>{name}</b> {part && <span className="quiet">{keyFigures(part)}</span>}
      </p>
      {explained && <p className="quiet">{placeWords(explained, deviceName, slotName)}</p>}
      {part?.kind === 'drive' && (
        <Box className="row wrap" role="group" aria-label="Roles of the drive" sx={{ gap: '4px', margin: '3px 0' }}>
          {DRIVE_ROLES.map((role) => (
            <ChoiceButton key={role} chosen={roles.includes(role)} onClick={() => toggle(role)}>
              {role}
            </ChoiceButton>
          ))}
        </Box>
      )}
      {whole.phases && <Span item={item} machine={whole} />}
      <Sides itemId={item.id} />
      <Box component="span" className="row wrap" sx={{ gap: '10px' }}>
        <TextButton
          onClick={() =>
            editDraft(
              { kind: 'own', item: item.id, owned: !item.owned },
              item.owned ? `${name} is to be bought` : `${name} is owned`,
            )
          }
        >
          {item.owned ? 'Owned: count its price again' : 'Already owned'}
        </TextButton>
        {pinned !== undefined && (
          <TextButton onClick={() => editDraft({ kind: 'unpin', item: item.id }, `${name} finds its own slot`)}>
            Pinned to {slotName(pinned)}: let it go
          </TextButton>
        )}
        {pinned === undefined && explained && (
          <TextButton
            onClick={() =>
              editDraft({ kind: 'pin', item: item.id, slot: explained.slot }, `${name} pinned to its slot`)
            }
          >
            Pin it to {slotName(explained.slot)}
          </TextButton>
        )}
        {(part?.kind === 'graphics' || part?.kind === 'expansion') && (
          <TextButton
            onClick={() =>
              editDraft(
                { kind: 'stand', item: item.id, upright: !item.upright },
                item.upright ? `${name} in its slot` : `${name} upright`,
              )
            }
          >
            {item.upright ? 'Put it into its slot' : 'Stand it upright'}
          </TextButton>
        )}
        {part?.kind === 'board' && <TextButton onClick={() => open('firmware')}>Its firmware</TextButton>}
        {part?.kind === 'memory' && <TextButton onClick={() => open('memory')}>Compare kits</TextButton>}
        <TextButton
          onClick={() => {
            editDraft({ kind: 'remove', item: item.id }, `Leave out ${name}`);
            choose(undefined);
          }}
        >
          Leave it out
        </TextButton>
      </Box>
    </Box>
  );
}

const SIDE_NAME: Readonly<Record<Side, string>> = {
  front: 'in front',
  top: 'under the roof',
  rear: 'at the back',
  bottom: 'on the floor',
  side: 'at the side',
};

/** Where in the case a fan or a radiator goes: the app finds a side, or a person says. */
function Sides({ itemId }: { itemId: string }) {
  const draft = useDraft();
  const editDraft = useSeat((state) => state.editDraft);
  const { parts, heat } = useDraftAssessment().facts;
  const fitted = parts.all.find((entry) => entry.item.id === itemId);
  const item = draft.items.find((entry) => entry.id === itemId);
  const mounts = parts.one('case')?.part.mounts ?? [];
  if (
    !item ||
    !fitted ||
    (fitted.part.kind !== 'fan' && !(fitted.part.kind === 'cooler' && fitted.part.type === 'liquid'))
  )
    return null;
  const { part } = fitted;
  const takes = mounts.filter((mount) =>
    part.kind === 'fan'
      ? mount.fans?.some((fan) => fan.sizeMm === part.sizeMm)
      : part.kind === 'cooler' && mount.radiatorsMm?.includes(part.radiatorMm ?? 0),
  );
  if (takes.length === 0) return null;
  const found = heat.setup.plan?.sides.find(
    (side) => side.fans.some((fan) => fan.item === itemId) || side.radiator?.item === itemId,
  )?.side;
  return (
    <Box className="row wrap" role="group" aria-label="Side of the case" sx={{ gap: '4px', margin: '3px 0' }}>
      <ChoiceButton
        chosen={item.side === undefined}
        onClick={() => editDraft({ kind: 'side', item: itemId }, `${item.label ?? item.part} finds its own side`)}
      >
        {item.side === undefined && found ? `found: ${SIDE_NAME[found]}` : 'finds its own side'}
      </ChoiceButton>
      {takes.map(({ side }) => (
        <ChoiceButton
          key={side}
          chosen={item.side === side}
          onClick={() =>
            editDraft({ kind: 'side', item: itemId, side }, `${item.label ?? item.part} ${SIDE_NAME[side]}`)
          }
        >
          {SIDE_NAME[side]}
        </ChoiceButton>
      ))}
    </Box>
  );
}

/** From which phase on a part is there, and until which. */
function Span({ item, machine }: { item: Item; machine: Machine }) {
  const editDraft = useSeat((state) => state.editDraft);
  const order = phasesOf(machine);
  const nameOf = (id: string): string => phaseOf(machine, id)?.name ?? 'now';
  const begins = item.from ?? FIRST;
  const set = (from: string, until: string | undefined): void =>
    editDraft(
      { kind: 'span', item: item.id, from, ...(until === undefined ? {} : { until }) },
      `${item.label ?? item.part}: phases`,
    );
  const LAST = '';
  return (
    <p>
      There from{' '}
      <Value
        label="There from"
        editor={{
          kind: 'choice',
          value: begins,
          options: order
            .filter((id) => item.until === undefined || order.indexOf(id) < order.indexOf(item.until))
            .map((id) => ({ value: id, label: nameOf(id) })),
          onChange: (from) => set(from, item.until),
        }}
      >
        {nameOf(begins)}
      </Value>{' '}
      until{' '}
      <Value
        label="There until"
        editor={{
          kind: 'choice',
          value: item.until ?? LAST,
          options: [
            ...order
              .filter((id) => order.indexOf(id) > order.indexOf(begins))
              .map((id) => ({ value: id, label: nameOf(id) })),
            { value: LAST, label: 'the end' },
          ],
          onChange: (until) => set(begins, until === LAST ? undefined : until),
        }}
      >
        {item.until === undefined ? 'the end' : nameOf(item.until)}
      </Value>
    </p>
  );
}
