'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { TextButton } from '../shared/TextButton';
import { inPhase } from '@/core/model/phases';
import type { Policy } from '@/core/model/settings';
import { EXCURSION_SHARE, policiesOf } from '@/core/power/policies';
import Dialog from '@mui/material/Dialog';
import { useId, type ReactNode } from 'react';
import type { Assessment } from '@/core/assess';
import { fullName } from '@/core/model/fitted';
import { heaviestOf } from '@/core/power/draw';
import { supplyWallW, tierEfficiency } from '@/core/power/efficiency';
import { yearlyEnergy } from '@/core/power/energy';
import { coins, listed, number, percent, watts } from '@/core/words/format';
import { basketFor } from '@/core/versus/basketFor';
import { BasketTable, StillLacking } from '../shared/BasketTable';
import { seatAddress } from '@/core/model/addresses';
import { Sign } from '../shared/Beam';
import { useMoment, useWholeDraft } from './moment';
import { assessmentOf, useSeat } from './useSeat';
import { PageLink } from '../shared/PageLink';

function Sheet({ title, onClose, children }: { title: string; onClose: () => void; children: ReactNode }) {
  const id = useId();
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby={id}>
      <Box className="pane" sx={{ padding: '18px' }}>
        <div className="panehead">
          <h1 id={id}>{title}</h1>
          <TextButton onClick={onClose} autoFocus>
            Close
          </TextButton>
        </div>
        {children}
      </Box>
    </Dialog>
  );
}

/** The landed price as its best basket: each order's lines, shipping, tax. */
export function PriceWhy({ assessment, onClose }: { assessment: Assessment; onClose: () => void }) {
  const seat = useSeat((state) => state.bundle.seat);
  const { price, machine } = assessment.facts;
  const basket = basketFor(assessment);
  const owned = assessment.facts.parts.all.filter(({ item }) => item.owned);
  return (
    <Sheet title={`What ${machine.name} costs, ${price.currency}`} onClose={onClose}>
      <BasketTable assessment={assessment} basket={basket} />
      <StillLacking lacking={basket.lacking} />
      {owned.length > 0 && (
        <Box component="p" className="quiet small" sx={{ marginTop: '8px' }}>
          Owned already, nothing to pay: {listed(owned.map(({ part }) => fullName(part)))}.
        </Box>
      )}
      <Box component="p" className="quiet small" sx={{ marginTop: '8px' }}>
        The cheapest way to buy everything in {assessment.region.name} from sellers that the desk trusts, with shipping,
        coupons and bundles. <PageLink href={seatAddress(seat.projectId, seat.id, 'buy')}>Buy</PageLink> has the offers
        of each part. Bought one by one, each from its cheapest seller: {coins(price.total.landedMinor, price.currency)}
        .
      </Box>
    </Sheet>
  );
}

/** The draw part by part, in the heaviest sitting and at the limit, and what the wall sees. */
export function PowerWhy({ assessment, onClose }: { assessment: Assessment; onClose: () => void }) {
  const { power, parts, brief, region } = assessment.facts;
  const heaviest = heaviestOf(power);
  const sitting = brief.sittings.find((entry) => entry.id === heaviest?.sitting);
  const supply = parts.one('supply')?.part;
  const load = supply?.ratedW === undefined ? undefined : power.sustainedW / supply.ratedW;
  const efficiency = supply?.tier && load !== undefined ? tierEfficiency(supply.tier, load, region.mainsV) : undefined;
  const bound = power.missing.length > 0 ? 'at least ' : '';
  const open = power.sustainedOpen;
  const { settings } = assessment.facts;
  const energy = yearlyEnergy(power, brief, supply, settings.tariffMinorPerKWh, region.mainsV);
  return (
    <Sheet title={`What ${assessment.facts.machine.name} draws`} onClose={onClose}>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell scope="col">Part</TableCell>
            <TableCell align="right" scope="col">
              {sitting ? sitting.name : 'sustained'}
            </TableCell>
            <TableCell align="right" scope="col">
              limit
            </TableCell>
            <TableCell align="right" scope="col">
              excursion
            </TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {power.parts.map((part) => {
            const fitted = parts.all.find((entry) => entry.item.id === part.item);
            const unknown = power.missing.some((figure) => figure.item === part.item);
            return (
              <TableRow key={part.item}>
                <TableCell>
                  {fitted ? fullName(fitted.part) : part.item}
                  {unknown && <span className="unproven"> ○ a figure is unknown</span>}
                </TableCell>
                <TableCell align="right">{watts(heaviest?.byItem.get(part.item) ?? part.maxW)}</TableCell>
                <TableCell align="right">{watts(part.maxW)}</TableCell>
                <TableCell align="right">{watts(part.excursionW)}</TableCell>
              </TableRow>
            );
          })}
          <TableRow>
            <TableCell component="th" scope="row">
              {bound ? 'At least' : 'In all'}
            </TableCell>
            <TableCell align="right">
              {open ? 'at least ' : ''}
              {watts(power.sustainedW)}
            </TableCell>
            <TableCell align="right">{watts(power.peakW)}</TableCell>
            <TableCell align="right">{watts(power.excursionW)}</TableCell>
          </TableRow>
        </TableBody>
      </Table>
      <Policies assessment={assessment} />
      {supply?.ratedW !== undefined && supply.tier && efficiency !== undefined && load !== undefined && (
        <Box component="p" sx={{ marginTop: '8px' }}>
          {fullName(supply)} delivers up to {watts(supply.ratedW)} whatever its efficiency. At {percent(load)} load its{' '}
          {supply.tier} tier reaches {percent(efficiency)} at least ({region.mainsV} V), so the wall sees{' '}
          {open ? 'at least ' : ''}
          {watts(supplyWallW(power.sustainedW, supply.ratedW, supply.tier, region.mainsV))}
          {open ? '' : ' at most'}.
        </Box>
      )}
      {energy && brief.sittings.length > 0 && (
        <Box component="p" sx={{ marginTop: '4px' }}>
          {(brief.idleHoursPerWeek ?? 0) > 0 ? 'The sittings and hours at rest' : 'The sittings'} of a year take{' '}
          {energy.lowerBound ? 'at least ' : 'at most '}
          {number(energy.kWh)} kWh from the wall
          {energy.costMinor === undefined
            ? '; Workshop has no price of electricity, so no cost is named'
            : `: ${coins(energy.costMinor, assessment.facts.price.currency)} a year at Workshop's price of electricity`}
          .
        </Box>
      )}
      <Box component="p" className="quiet small" sx={{ marginTop: '4px' }}>
        {open && power.missing.length === 0 ? 'A run whose speed is unknown is not counted in the sitting. ' : ''}
        Idle and limit of each part, weighed by how busy the sitting keeps it, at the clocks that heat and power limits
        leave.
      </Box>
    </Sheet>
  );
}

const POLICY: Readonly<Record<Policy, (assessment: Assessment) => string>> = {
  sustained: ({ facts }) => `Heaviest sitting at ${percent(facts.settings.supplyShare)} of the rating`,
  peak: () => 'Everything at its limit, 100 % of the rating',
  excursion: ({ facts }) => {
    const standard = facts.parts.one('supply')?.part.standard ?? 'ATX 3.1';
    return `Excursions of the cards, at ${percent(EXCURSION_SHARE[standard])} for a moment (${standard})`;
  },
  maker: () => 'What the card’s maker recommends',
  multiple: ({ facts }) => `Heaviest sitting × ${number(facts.settings.drawMultiple)}`,
};

/** What each way of sizing asks of the supply, side by side; the desk says which of them count. */
function Policies({ assessment }: { assessment: Assessment }) {
  const whole = useWholeDraft();
  const { brief, context } = useMoment();
  const { parts, power, settings } = assessment.facts;
  const supply = parts.one('supply');
  // of all phases the last: what has to hold in the end
  const end = whole.id === assessment.facts.machine.id ? whole.phases?.at(-1) : undefined;
  const later = end && assessmentOf(inPhase(whole, end.id), brief, context).facts;
  const after = later && policiesOf(later.parts, later.power, settings);
  const grade = supply?.part.evidence?.testedGrade;
  return (
    <>
      <Box component="h3" sx={{ marginTop: '10px' }}>
        What the supply should be rated at
      </Box>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell scope="col">By</TableCell>
            <TableCell align="right" scope="col">
              asks for
            </TableCell>
            {end && (
              <TableCell align="right" scope="col">
                {end.name}
              </TableCell>
            )}
            <TableCell scope="col">
              {supply?.part.ratedW === undefined ? '' : `${watts(supply.part.ratedW)} there`}
            </TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {policiesOf(parts, power, settings).map((answer, i) => (
            <TableRow key={answer.policy}>
              <TableCell>
                {POLICY[answer.policy](assessment)}
                {!answer.counts && <span className="quiet small"> · does not count here</span>}
              </TableCell>
              <TableCell align="right">
                {answer.asksW === undefined
                  ? 'unknown'
                  : `${answer.lowerBound ? 'at least ' : ''}${watts(answer.asksW)}`}
              </TableCell>
              {end && (
                <TableCell align="right">
                  {after?.[i]?.asksW === undefined ? 'unknown' : watts(after[i].asksW)}
                </TableCell>
              )}
              <TableCell>
                <Sign verdict={answer.holds === undefined ? 'unproven' : answer.holds ? 'carries' : 'short'} />{' '}
                {answer.holds === undefined ? 'unproven' : answer.holds ? 'carries' : 'too small'}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {supply && (
        <Box component="p" className="small" sx={{ marginTop: '4px' }}>
          Label: {supply.part.tier ?? 'no tier stated'}.{' '}
          {grade === undefined ? 'Nobody is known to have tested it.' : `Tested grade: ${grade}.`} A better tier draws
          less from the wall; it does not deliver more.
        </Box>
      )}
    </>
  );
}
