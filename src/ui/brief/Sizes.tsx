'use client';

import { Fold } from '../shared/Fold';
import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { useState, type ReactNode } from 'react';
import type { Assessment } from '@/core/assess';
import { bareOf } from '@/core/sizing/bare';
import { derivedSizes } from '@/core/sizing/held';
import { arrayLevels, type Member } from '@/core/sizing/arrays';
import { cardKinds, publishedFloors, type CardKinds } from '@/core/sizing/kinds';
import { askedRates } from '@/core/sizing/rates';
import { copiesOf, roleSizes, type RoleSize } from '@/core/sizing/roles';
import { fullName } from '@/core/model/fitted';
import type { Machine } from '@/core/model/machine';
import { byteRate, listed, memorySize, number, size } from '@/core/words/format';
import { rateText } from '@/core/words/knownCore';
import { resourceName } from '@/core/words/names';
import { useMoment } from '../seat/moment';
import { Heads } from '../shared/Heads';
import { Num, Pick } from '../shared/phrases';
import { sittingName, taskName } from './names';
import { Software } from './Software';
import { Section } from '../shared/Section';
import { useKnownCore } from './useKnownCore';

/** Sizes that follow from the work alone, beside what the draft has. */
export function Sizes({ assessment }: { assessment: Assessment }) {
  const { context } = useMoment();
  // what the work asks for is told as if no part were chosen yet; beside it stands what the draft has
  const bare = bareOf(assessment.facts.brief, context);
  const held = derivedSizes(bare, assessment).filter(({ what }) => !what.startsWith('space:'));
  const roles = roleSizes(bare, assessment);
  const floors = publishedFloors(bare);
  const { brief } = assessment.facts;
  const has: Readonly<Record<string, number | undefined>> = {
    memory: assessment.supply.memoryBytes.rate?.value,
    'graphics memory': assessment.supply.graphicsBytes?.rate?.value,
  };
  const copies = copiesOf(roles, brief.keeping ?? 'one');
  return (
    <>
      <h2>Sizes that follow</h2>
      <Table sx={{ marginBottom: '12px' }}>
        <Heads of={['Holds', 'likely', 'to be safe', 'take at least', 'draft has']} />
        <TableBody>
          {held.map((row) => (
            <TableRow key={row.what}>
              <TableCell>
                {row.what}
                {floors
                  .filter(({ what }) => what === row.what)
                  .map((floor) => (
                    <div key={floor.application} className="quiet small">
                      {floor.application} asks for {floor.recommendedGib} GB: {number(floor.withMarginGib)} with a
                      margin
                    </div>
                  ))}
              </TableCell>
              <TableCell align="right">{memorySize(row.needsBytes)}</TableCell>
              <TableCell align="right">{memorySize(row.safeBytes)}</TableCell>
              <TableCell align="right">
                <b>{row.size}</b>
              </TableCell>
              <Has value={has[row.what]} needs={row.needsBytes} safe={row.safeBytes} format={memorySize} />
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Cards kinds={cardKinds(bare, assessment)} />
      {roles.length > 0 && (
        <Section label="Drives by role" gist={rolesGist(roles, brief.yearsOfService, assessment.facts.machine)}>
          <p className="quiet small">
            {brief.growthPercent ? `Growing ${brief.growthPercent} % a year, over` : 'Over'} {brief.yearsOfService}{' '}
            years.
          </p>
          <Table sx={{ marginBottom: '6px' }}>
            <Heads of={['Role', 'a second', 'space', 'written a day', 'draft has']} />
            <TableBody>
              {roles.map((role) => (
                <Role key={role.role} role={role} years={brief.yearsOfService} />
              ))}
            </TableBody>
          </Table>
          {copies.hereBytes > 0 && (
            <p className="small">
              Copies of {size(copies.keptBytes)} that are kept: <b>{size(copies.hereBytes)}</b> more here
              {copies.elsewhereBytes > 0 && (
                <>
                  , and <b>{size(copies.elsewhereBytes)}</b> elsewhere
                </>
              )}
              .
            </p>
          )}
          <Arrays assessment={assessment} roles={roles} />
        </Section>
      )}
      <Software assessment={assessment} />
      <Asked assessment={assessment} />
    </>
  );
}

function graphicsWords({ cards, stacks, certified, displays }: NonNullable<CardKinds['graphics']>): string[] {
  const said = [
    cards === undefined
      ? ''
      : cards === 1
        ? 'one card like the draft’s has the rates that the targets ask for'
        : `the rates of ${cards} cards like the draft’s for the targets`,
    stacks === undefined
      ? ''
      : stacks.length === 0
        ? 'no compute stack runs all of the applications'
        : `with ${stacks.join(' or ')}`,
    certified.length > 0 ? `a certified driver for ${certified.join(' and ')}` : '',
    displays > 0 ? `for ${displays} ${displays === 1 ? 'display' : 'displays'}` : '',
  ].filter(Boolean);
  return said.length > 0 ? said : ['any that draws'];
}

/** Number and kind of cards, as one sentence each. */
function Cards({ kinds: { graphics, capture, networkBitPerS } }: { kinds: CardKinds }) {
  const gbit = (bits: number) => (bits < 1e9 ? `${number(bits / 1e6, 4)} Mb/s` : `${number(bits / 1e9, 4)} Gb/s`);
  return (
    <Box component="ul" className="small" aria-label="Cards" sx={{ marginBottom: '12px' }}>
      {graphics && (
        <li>
          <b>Graphics</b>: {graphicsWords(graphics).join('; ')}.
        </li>
      )}
      {capture && (
        <li>
          <b>Capture</b>: {capture.inputs} {capture.inputs === 1 ? 'picture' : 'pictures'} at once
          {capture.bitPerS === undefined ? '' : `, up to ${gbit(capture.bitPerS)} on the wire`}.
        </li>
      )}
      {networkBitPerS > 0 && (
        <li>
          <b>Network</b>: {gbit(networkBitPerS)} or more.
        </li>
      )}
    </Box>
  );
}

function Has({
  value,
  needs,
  safe,
  format,
}: {
  value: number | undefined;
  needs: number;
  safe: number;
  format: (value: number) => string;
}) {
  const verdict = value === undefined ? 'quiet' : value >= safe ? 'carries' : value >= needs ? 'between' : 'short';
  return <TableCell className={`num ${verdict}`}>{value === undefined ? 'nothing known' : format(value)}</TableCell>;
}

/** The drives that the draft lacks, and those that are too small or too short-lived; else which roles there are. */
function rolesGist(roles: readonly RoleSize[], years: number, machine: Machine): ReactNode {
  const named = (list: readonly RoleSize[]) => listed(list.map(({ role }) => role));
  const missing = roles.filter(({ has }) => has.drives === 0);
  const weak = roles.filter(
    ({ has, spaceAtEndBytes }) =>
      has.drives > 0 &&
      ((has.spaceBytes !== undefined && has.spaceBytes < spaceAtEndBytes) ||
        (has.years !== undefined && has.years < years)),
  );
  // before anything is chosen nothing is amiss
  if (machine.items.length === 0 || missing.length + weak.length === 0) return named(roles);
  const said = [
    ...(missing.length > 0 ? [`no drive for ${named(missing)}`] : []),
    ...(weak.length > 0 ? [`${named(weak)} not enough`] : []),
  ];
  return <span className="short">{said.join('; ')}</span>;
}

function Role({ role, years }: { role: RoleSize; years: number }) {
  const { has } = role;
  const told = (value: number | undefined) => (value === undefined ? '?' : byteRate(value));
  const rates = (read: number | undefined, write: number | undefined) => (
    <>
      {read !== 0 && <div className="small">reads {told(read)}</div>}
      {write !== 0 && <div className="small">writes {told(write)}</div>}
    </>
  );
  const grows = role.spaceAtEndBytes > role.spaceBytes * 1.001;
  const small = has.spaceBytes !== undefined && has.spaceBytes < role.spaceAtEndBytes;
  return (
    <TableRow>
      <TableCell component="th" scope="row">
        {role.role}
      </TableCell>
      <TableCell align="right" className="wraps">
        {rates(role.readBytesPerS, role.writeBytesPerS)}
      </TableCell>
      <TableCell align="right" className="wraps">
        {role.spaceBytes === 0 ? '' : size(role.spaceBytes)}
        {grows && <div className="quiet small">{size(role.spaceAtEndBytes)} at the end</div>}
      </TableCell>
      <TableCell align="right" className="wraps">
        {role.writtenADayBytes === 0 ? '' : size(role.writtenADayBytes)}
        {role.writtenADayBytes > 0 && (
          <div className="quiet small">{number(role.ratingBytes / 1e12, 3)} TBW to last</div>
        )}
      </TableCell>
      <TableCell align="right" className="wraps">
        {has.drives === 0 ? (
          <span className="quiet">no drive for it</span>
        ) : (
          <>
            <span className={small ? 'short' : ''}>{has.spaceBytes === undefined ? '?' : size(has.spaceBytes)}</span>
            <div className="quiet">{rates(has.readBytesPerS, has.writeBytesPerS)}</div>
            {role.writtenADayBytes > 0 && (
              <div className={`small ${has.years === undefined ? 'unproven' : has.years < years ? 'short' : 'quiet'}`}>
                {has.years === undefined
                  ? 'endurance unknown'
                  : has.years > 100
                    ? 'outlasts the machine'
                    : `lasts ${number(has.years, 2)} years`}
              </div>
            )}
          </>
        )}
      </TableCell>
    </TableRow>
  );
}

/** The levels that so many of the draft's drives make. */
function Arrays({ assessment, roles }: { assessment: Assessment; roles: readonly RoleSize[] }) {
  const fitted = assessment.facts.parts
    .ofKind('drive')
    .filter(({ part, item }) => part.capacityGB !== undefined && (item.roles?.length ?? 0) > 0);
  const parts = [...new Map(fitted.map(({ part }) => [part.id as string, part])).values()];
  const largest = [...roles].sort((a, b) => b.spaceAtEndBytes - a.spaceAtEndBytes)[0];
  const first = fitted.find(({ item }) => largest && item.roles?.includes(largest.role))?.part ?? parts[0];
  const [chosen, setChosen] = useState<string>();
  const [drives, setDrives] = useState(4);
  const part = parts.find(({ id }) => id === chosen) ?? first;
  if (!part?.capacityGB || !largest) return null;
  const member: Member = {
    capacityBytes: part.capacityGB * 1e9,
    readBytesPerS: part.seqReadMBs === undefined ? undefined : part.seqReadMBs * 1e6,
    writeBytesPerS: part.sustainedWriteMBs === undefined ? undefined : part.sustainedWriteMBs * 1e6,
    unrecoverablePerBit: part.unrecoverableReadPerBit,
  };
  return (
    <Fold summary={<span className="small">Compare array levels</span>}>
      <p className="sentence">
        <Num
          label="Drives of the array"
          value={drives}
          min={1}
          max={24}
          whole
          onChange={(value) => setDrives(value ?? 4)}
        />{' '}
        of{' '}
        <Pick
          label="Drive of the array"
          value={part.id as string}
          options={parts.map((entry) => [entry.id as string, fullName(entry)] as const)}
          onChange={setChosen}
        />
        , for {size(largest.spaceAtEndBytes)} of {largest.role} space:
      </p>
      <Table>
        <Heads of={['Level', 'usable', 'reads, writes', 'may fail', 'rebuild', 'loss then']} />
        <TableBody>
          {arrayLevels(member, drives).map((level) => (
            <TableRow key={level.level}>
              <TableCell component="th" scope="row">
                {level.level}
              </TableCell>
              <TableCell className={`num ${level.usableBytes < largest.spaceAtEndBytes ? 'short' : ''}`}>
                {size(level.usableBytes)}
              </TableCell>
              <TableCell align="right">
                {level.readBytesPerS === undefined ? '?' : byteRate(level.readBytesPerS)},{' '}
                {level.writeBytesPerS === undefined ? '?' : byteRate(level.writeBytesPerS)}
              </TableCell>
              <TableCell className={`num ${level.survives === 0 ? 'between' : ''}`}>
                {level.survives === 0 ? 'none: the only copy' : level.survives}
              </TableCell>
              <TableCell align="right">
                {level.survives === 0
                  ? ''
                  : level.rebuildHours === undefined
                    ? '?'
                    : `${number(level.rebuildHours, 2)} h`}
              </TableCell>
              <TableCell className={`num ${(level.lossOnRebuild ?? 0) > 0.05 ? 'between' : ''}`}>
                {level.survives === 0
                  ? ''
                  : level.lossOnRebuild === undefined
                    ? '?'
                    : level.lossOnRebuild === 0
                      ? 'none'
                      : `${number(level.lossOnRebuild * 100, 2)} %`}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Fold>
  );
}

/** Least rates that the targets ask for, before any part is chosen. */
function Asked({ assessment }: { assessment: Assessment }) {
  const { brief } = assessment.facts;
  const { context } = useMoment();
  const core = useKnownCore();
  const asked = askedRates(bareOf(assessment.facts.brief, context), assessment);
  if (asked.length === 0) return null;
  const rate = rateText(core);
  const under = asked.filter(({ asked, offered }) => offered !== undefined && offered < asked).length;
  const unknown = asked.filter(({ offered }) => offered === undefined).length;
  const nameOf = (by: (typeof asked)[number]['by']) =>
    'task' in by ? taskName(brief, by.task) : sittingName(brief, by.sitting);
  return (
    <Section
      label="Rates that the targets ask for"
      gist={
        unknown > 0
          ? `${unknown} of ${asked.length} not known of the draft`
          : `${under === 0 ? 'none' : under} above what the draft offers`
      }
    >
      <Table sx={{ marginBottom: '12px' }}>
        <Heads of={['At least', 'asked', 'most by', 'draft offers']} words={['most by']} />
        <TableBody>
          {asked.map((row) => (
            <TableRow key={row.resource}>
              <TableCell>{resourceName(row.resource)}</TableCell>
              <TableCell align="right">{rate(row.asked, row.unit)}</TableCell>
              <TableCell className="small">{nameOf(row.by)}</TableCell>
              <TableCell
                className={`num ${row.offered === undefined ? 'quiet' : row.offered < row.asked ? 'short' : 'carries'}`}
              >
                {row.offered === undefined ? 'nothing known' : rate(row.offered, row.unit)}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <p className="small quiet">A core: {core.whose}.</p>
    </Section>
  );
}
