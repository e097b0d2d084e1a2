'use client';

import { Press } from '../shared/Press';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { ChoiceButton } from '../shared/ChoiceButton';
import { ChoiceRow } from '../shared/ChoiceRow';
import { TextButton } from '../shared/TextButton';
import { useEffect, useMemo, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { fullName } from '@/core/model/fitted';
import { tightness } from '@/core/memory/timing';
import { withPart } from '@/core/search/candidates';
import type { Currency } from '@/core/units/money';
import type { Tested } from '@/core/search/memorySheet';
import { coins, coinsChange, number } from '@/core/words/format';
import type { MemorySheetRows } from '@/workers/api';
import { valueWords } from '@/core/words/values';
import { useBrief, useDraft } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { useWorker } from '../seat/worker';
import { identity } from '../shared/identity';
import { LevelSign } from '../shared/Level';
import { Hint } from '../shared/Hint';
import { Term } from '../shared/Term';

const TESTED: Readonly<Record<Tested, string>> = {
  both: 'by both',
  board: 'by the board’s maker',
  memory: 'by its maker',
  neither: 'by neither',
  unknown: 'not known',
};

type Row = MemorySheetRows['rows'][number];
const ORDERS = {
  'this brief': undefined,
  price: (row: Row) => row.candidate.landedMinor ?? Infinity,
  'price a GB': (row: Row) => row.minorPerGib ?? Infinity,
  latency: (row: Row) => row.access?.open ?? Infinity,
  bandwidth: (row: Row) => -(row.bandwidthBytesPerS ?? 0),
} as const;
type Order = keyof typeof ORDERS;

/** The kits that fit in place of the one there: how each runs here, what it costs a GB, what it does to this brief. */
export function MemoryView({ assessment }: { assessment: Assessment }) {
  const open = useSeat((state) => state.open);
  const know = useSeat((state) => state.know);
  const look = useSeat((state) => state.look);
  const editDraft = useSeat((state) => state.editDraft);
  const brief = useBrief();
  const draft = useDraft();
  const [order, setOrder] = useState<Order>('this brief');
  const [sizeOnly, setSizeOnly] = useState(true);
  const [active, setActive] = useState<string>();
  const kit = assessment.facts.parts.one('memory');
  const position = useMemo(() => ({ kind: 'memory' as const, ...(kit ? { item: kit.item.id } : {}) }), [kit]);
  const answer = useWorker(`kits ${identity(draft)} ${identity(brief)} ${position.item ?? ''}`, (api) =>
    api.memorySheet(draft, brief, position),
  );
  const sheet = answer.state === 'ready' ? answer.value : undefined;
  useEffect(() => {
    if (sheet) know(sheet.goods);
  }, [sheet, know]);
  const { currency } = assessment.facts.price;
  const now = sheet?.rows.find((row) => row.candidate.current);
  const rank = ORDERS[order];
  const rows = (sheet?.rows ?? [])
    .filter((row) => !sizeOnly || !now || row.gib === now.gib)
    .slice()
    .sort((a, b) => (rank ? rank(a) - rank(b) : 0));
  const lookAt = (row: Row | undefined) => {
    setActive(row?.candidate.part.id);
    look(row && !row.candidate.current ? withPart(draft, position, row.candidate.part) : undefined);
  };
  const take = (row: Row) => {
    if (row.candidate.current) return;
    editDraft(row.candidate.edit, `${fullName(row.candidate.part)}${kit ? ` for ${fullName(kit.part)}` : ''}`);
    setActive(undefined);
  };
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: 0, flex: '1 1 auto' }}>
      <Box className="panehead" sx={{ marginBottom: '4px' }}>
        <h2>Memory that fits</h2>
        <TextButton onClick={() => open(undefined)}>Back to the map</TextButton>
      </Box>
      <MemoryFacts assessment={assessment} />
      <Box className="row wrap" sx={{ gap: '6px', margin: '6px 0' }}>
        <span className="small quiet">By</span>
        <ChoiceRow
          aria-label="Order of the kits"
          value={order}
          options={(Object.keys(ORDERS) as Order[]).map((id) => ({ id, label: id }))}
          onPick={setOrder}
        />
        {now && (
          <ChoiceButton chosen={sizeOnly} onClick={() => setSizeOnly(!sizeOnly)}>
            only {now.gib} GB
          </ChoiceButton>
        )}
      </Box>
      {answer.state === 'waiting' && <p className="quiet">Trying every kit in this machine …</p>}
      {answer.state === 'failed' && <p className="short">The kits could not be tried: {answer.message}.</p>}
      {sheet && (
        <>
          <p className="small quiet">
            {rows.length} of {sheet.fits} kits that fit. <Paying sheet={sheet} now={now} />
          </p>
          <Box sx={{ overflow: 'auto', minHeight: 0, flex: '1 1 auto' }}>
            <Table>
              <TableHead>
                <TableRow>
                  <TableCell scope="col">Kit</TableCell>
                  <TableCell align="right" scope="col">
                    Runs at
                  </TableCell>
                  <Hint says="Open row: first word after the column address">
                    <TableCell align="right" scope="col">
                      Open ns
                    </TableCell>
                  </Hint>
                  <Hint says="Row to row in one bank">
                    <TableCell align="right" scope="col">
                      Cycle ns
                    </TableCell>
                  </Hint>
                  <Hint says="CL : RCD : RP as sold, and the first word against 10 ns">
                    <TableCell align="right" scope="col">
                      CL:RCD:RP
                    </TableCell>
                  </Hint>
                  <TableCell align="right" scope="col">
                    GB/s
                  </TableCell>
                  <TableCell align="right" scope="col">
                    A GB
                  </TableCell>
                  <TableCell align="right" scope="col">
                    Landed price
                  </TableCell>
                </TableRow>
              </TableHead>
              <TableBody>
                {rows.map((row) => (
                  <KitLine
                    key={row.candidate.part.id}
                    row={row}
                    currency={currency}
                    active={row.candidate.part.id === active}
                    onLook={() => lookAt(row)}
                    onTake={() => take(row)}
                  />
                ))}
              </TableBody>
            </Table>
          </Box>
        </>
      )}
    </Box>
  );
}

function Paying({ sheet, now }: { sheet: MemorySheetRows; now: Row | undefined }) {
  const paying = sheet.rows.find((row) => row.candidate.part.id === sheet.paysUpTo);
  if (!paying || !now) return null;
  return (
    <>
      For this brief faster stops paying at <b>{fullName(paying.candidate.part)}</b>
      {paying.candidate.current ? ', which is there' : ''}.
    </>
  );
}

/** The three rates of the memory that is there, and its four access times. */
function MemoryFacts({ assessment }: { assessment: Assessment }) {
  const { memory, parts } = assessment.facts;
  const part = parts.one('memory')?.part;
  const kit = part && tightness({ cl: part.casLatency, rcd: part.rcd, rp: part.rp, ras: part.ras }, part.rateMTs);
  const rate = (value: number | undefined) => (value === undefined ? 'unknown' : `${value} MT/s`);
  const { access } = memory;
  const ns = (value: number | undefined) => (value === undefined ? '?' : `${value.toFixed(2)} ns`);
  return (
    <p className="small">
      Runs at <b>{rate(memory.effectiveMTs)}</b>; <Term word="profile" /> {rate(memory.profileMTs)}, supported by the
      processor {rate(memory.supportedByProcessorMTs)}, by the board {rate(memory.supportedByBoardMTs)} with{' '}
      {memory.modulesPerChannel ?? '?'} a channel.{' '}
      {access
        ? `Open row ${ns(access.open)}, closed ${ns(access.closed)}, conflict ${ns(access.conflict)}, cycle ${ns(access.cycle)}.`
        : 'Its timings are sold for the profile, which is not in use.'}
      {kit && (
        <>
          {' '}
          How tight: <b>CL : RCD : RP {kit.cycles.join(' : ')}</b>; first word {number(kit.firstWordOfTen)} of 10 ns;
          row-active time {kit.rowActiveNs === undefined ? 'not stated' : ns(kit.rowActiveNs)} beside the ideal CL + RCD
          of {ns(kit.idealRowActiveNs)} (rules of thumb, not faults).
        </>
      )}
    </p>
  );
}

const SHOWN = 3;

function KitLine({
  row,
  currency,
  active,
  onLook,
  onTake,
}: {
  row: Row;
  currency: Currency;
  active: boolean;
  onLook: () => void;
  onTake: () => void;
}) {
  const { candidate, access } = row;
  const { effect, part } = candidate;
  const tight =
    part.kind === 'memory'
      ? tightness({ cl: part.casLatency, rcd: part.rcd, rp: part.rp, ras: part.ras }, part.rateMTs)
      : undefined;
  const brings = effect.brought.filter((finding) => finding.level !== 'note');
  const above = row.effectiveMTs !== undefined && row.supportedMTs !== undefined && row.effectiveMTs > row.supportedMTs;
  const gain = Math.exp(effect.gain) - 1;
  return (
    <TableRow style={active ? { background: 'var(--carries-soft)' } : undefined}>
      <TableCell>
        <Press onClick={onLook} onDoubleClick={onTake} aria-pressed={active} style={{ fontWeight: 650 }}>
          {fullName(part)}
        </Press>
        <Box component="span" className="small quiet" sx={{ display: 'block' }}>
          {candidate.current
            ? 'in the draft'
            : Math.abs(gain) < 0.002
              ? 'no change to the tasks'
              : `tasks ${gain > 0 ? '+' : '−'}${number(Math.abs(gain) * 100)} %`}
          {' · tested '}
          {TESTED[row.tested]}
          {brings.length > 0 && (
            <span className={brings[0]?.level}>
              {' · '}
              <LevelSign level={brings[0]?.level ?? 'note'} /> brings {brings.length}
            </span>
          )}
        </Box>
        {row.lookalikes.slice(0, 1).map((other) => (
          <Box component="span" key={other.part.id} className="small caution" sx={{ display: 'block' }}>
            ◆ easily taken for {fullName(other.part)}:{' '}
            {other.differences
              .slice(0, SHOWN)
              .map(
                ({ field, here, there }) =>
                  `${field.label} ${valueWords(field, here)}, not ${valueWords(field, there)}`,
              )
              .join('; ')}
          </Box>
        ))}
        {active && !candidate.current && (
          <Button variant="outlined" sx={{ marginTop: '4px' }} onClick={onTake}>
            Take it
          </Button>
        )}
      </TableCell>
      <TableCell className={`num ${above ? 'caution' : ''}`}>
        {row.effectiveMTs ?? '?'}
        <Box component="span" className="small quiet" sx={{ display: 'block' }}>
          of {row.profileMTs ?? '?'}
          {above ? `, ${row.supportedMTs} supported` : ''}
        </Box>
      </TableCell>
      <TableCell align="right">{access?.open === undefined ? '?' : access.open.toFixed(2)}</TableCell>
      <TableCell align="right">{access?.cycle === undefined ? '?' : access.cycle.toFixed(2)}</TableCell>
      <TableCell align="right">
        {tight === undefined ? '?' : tight.cycles.join(':')}
        <Box component="span" className="small quiet" sx={{ display: 'block' }}>
          {tight === undefined ? '' : `${number(tight.firstWordOfTen)} of 10 ns`}
        </Box>
      </TableCell>
      <TableCell align="right">
        {row.bandwidthBytesPerS === undefined ? '?' : (row.bandwidthBytesPerS / 1e9).toFixed(1)}
      </TableCell>
      <TableCell align="right">
        {row.minorPerGib === undefined ? '?' : coins(Math.round(row.minorPerGib), currency)}
      </TableCell>
      <TableCell align="right">
        {candidate.landedMinor === undefined ? 'no offer' : coins(candidate.landedMinor, currency)}
        {!candidate.current && effect.priceMinor !== undefined && (
          <Box component="span" className="small quiet" sx={{ display: 'block' }}>
            {coinsChange(effect.priceMinor, currency)}
          </Box>
        )}
      </TableCell>
    </TableRow>
  );
}
