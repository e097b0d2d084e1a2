'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Brief } from '@/core/model/brief';
import { leastProven, sharesAround, type TeamSeat } from '@/core/search/exact/team';
import { minorOfShown, ratioOf, shownCoins, type Currency } from '@/core/units/money';
import { tookWords } from '@/core/words/effort';
import { coins, coinsOnly, number, percent } from '@/core/words/format';
import { madeOf } from '@/core/words/found';
import { stepWords, teamWords, togetherWords } from '@/core/words/team';
import type { TeamReport } from '@/workers/searchApi';
import { Heads } from '../shared/Heads';
import { Hint } from '../shared/Hint';
import { Value } from '../shared/Value';
import { SharedSpares } from './SharedSpares';
import { unitsKept } from '../shared/unitsKept';
import { useTeam, useTogether } from './teaming';

/** Without another figure so much more and less is told of, in whole coins. */
const USUAL_STEP = 500;
const MOST_IMPORTANT = 10;

/** What somebody sets for a seat beside the others. */
interface Wish {
  readonly importance: number;
  readonly atLeastMinor: number | undefined;
}
const PLAIN: Wish = { importance: 1, atLeastMinor: undefined };

/** One budget over the seats of a project: who gets which machine, who gains from more and who loses from less. */
export function TeamShare({
  project,
  currency,
  budgetMinor: budgets,
}: {
  project: string;
  currency: Currency;
  /** What the briefs have together. */
  budgetMinor: number;
}) {
  const { seats, report, running, failed, begin, stop } = useTeam(project);
  const [budgetMinor, setBudget] = useState(budgets);
  const usual = minorOfShown(USUAL_STEP, currency);
  const [stepMinor, setStep] = useState(usual);
  const [wishes, setWishes] = useState<Readonly<Record<string, Wish>>>({});
  const [lookedTo, setLookedTo] = useState(0);
  const most = budgetMinor + stepMinor;
  const start = (): void => {
    setLookedTo(most);
    void begin(most);
  };
  return (
    <Box
      component="section"
      aria-label="One budget for all seats"
      sx={{ py: 1, borderBottom: '1px solid var(--hair)' }}
    >
      <Box className="row wrap" sx={{ gap: '10px', alignItems: 'center' }}>
        <Typography variant="body2" sx={{ flexGrow: 1 }}>
          Share{' '}
          <Money
            label="Budget of all seats"
            minor={budgetMinor}
            currency={currency}
            explains="Landed: tax and shipping in."
            onChange={(minor = budgets) => setBudget(minor)}
          >
            {coins(budgetMinor, currency)}
          </Money>{' '}
          over the seats by what each machine does of its work, and say what{' '}
          <Money
            label="More and less"
            minor={stepMinor}
            currency={currency}
            onChange={(minor = usual) => setStep(minor)}
          >
            {coins(stepMinor, currency)}
          </Money>{' '}
          more or less would change.
        </Typography>
        {running ? (
          <Button onClick={stop}>Stop, keep what is known</Button>
        ) : (
          <Button variant="contained" disabled={!seats} onClick={start}>
            Share it out
          </Button>
        )}
      </Box>
      {failed !== undefined && <p className="short small">It could not be shared out: {failed}.</p>}
      {running && <LinearProgress aria-label="Seats searched" />}
      {report && seats && (
        <Told
          names={new Map(seats.map(({ id, name }) => [id, name]))}
          briefs={new Map(seats.map(({ id, brief }) => [id, brief]))}
          wishes={wishes}
          onWish={(id, wish) => setWishes({ ...wishes, [id]: { ...(wishes[id] ?? PLAIN), ...wish } })}
          {...{ report, currency, budgetMinor, stepMinor }}
        />
      )}
      {report?.done && most > lookedTo && (
        <p className="between small">
          ◆ Machines were looked for up to {coins(lookedTo, currency)}; share it out anew.
        </p>
      )}
    </Box>
  );
}

const SHADES = ['var(--carries)', 'var(--ink)'] as const;

function Told({
  report,
  names,
  briefs,
  wishes,
  onWish,
  currency,
  budgetMinor,
  stepMinor,
}: {
  report: TeamReport;
  names: ReadonlyMap<string, string>;
  briefs: ReadonlyMap<string, Brief>;
  wishes: Readonly<Record<string, Wish>>;
  onWish: (id: string, wish: Partial<Wish>) => void;
  currency: Currency;
  budgetMinor: number;
  stepMinor: number;
}) {
  const { seats: known, state, effort, seconds, done } = report;
  const nameOf = (id: string): string => names.get(id) ?? id;
  const seats: TeamSeat[] = known.map(({ id, points }) => {
    const { importance, atLeastMinor } = wishes[id] ?? PLAIN;
    return { id, points, importance, ...(atLeastMinor === undefined ? {} : { atLeastMinor }) };
  });
  const sharing = sharesAround(seats, budgetMinor, stepMinor);
  const shares = sharing.kind === 'shared' ? sharing.shares : undefined;
  const pointOf = (i: number, at: number | undefined) => (at === undefined ? undefined : known[i]?.points[at]);
  const gets = done
    ? shares?.seats.flatMap(({ id, point }, i) => {
        const [found, brief] = [pointOf(i, point), briefs.get(id)];
        return found && brief ? [{ id, brief, machine: found.machine }] : [];
      })
    : undefined;
  const together = useTogether(gets?.map(({ brief, machine }) => ({ brief, machine })));
  const waiting = known.filter((seat) => seat.state === 'waiting');
  const open = known.filter((seat) => seat.state !== 'whole' && seat.state !== 'none');
  const proven = leastProven(known);
  if (waiting.length > 0)
    return (
      <p className="quiet small" role={done ? 'status' : undefined}>
        {done ? 'Stopped' : 'First a machine for each'}: {known.length - waiting.length} of {known.length} seats have
        one.
      </p>
    );
  return (
    <>
      {teamWords(sharing, budgetMinor, currency, nameOf, proven).map((line) => (
        <Typography
          key={line}
          component="h3"
          variant="subtitle2"
          className={shares ? undefined : proven ? 'short' : 'between'}
        >
          {line}
        </Typography>
      ))}
      {shares && (
        <>
          <Split
            parts={shares.seats.flatMap(({ id, point }, i) => {
              const found = pointOf(i, point);
              return found ? [{ name: nameOf(id), minor: found.priceMinor }] : [];
            })}
            of={Math.max(budgetMinor, shares.spentMinor)}
            currency={currency}
          />
          {together && <p className="small">{togetherWords(together, currency)}</p>}
          {/* over the first machines that are come across the next coins say nothing */}
          {proven &&
            stepWords(shares, known, stepMinor, currency, nameOf).map((line) => (
              <p key={line} className="small">
                {open.length > 0 && 'So far: '}
                {unitsKept(line)}
              </p>
            ))}
        </>
      )}
      <Table size="small" aria-label="What each seat gets">
        <Heads of={['Seat', `Price, ${currency}`, 'Of what is asked', 'Counts', 'At least']} />
        <TableBody>
          {known.map(({ id, points, state: seatState }, i) => {
            const found = pointOf(i, shares?.seats[i]?.point);
            const { importance, atLeastMinor } = wishes[id] ?? PLAIN;
            return (
              <TableRow key={id}>
                <TableCell component="th" scope="row">
                  {found ? (
                    <Hint says={madeOf(found.machine)}>
                      <span>{nameOf(id)}</span>
                    </Hint>
                  ) : (
                    nameOf(id)
                  )}
                  <span className="quiet small">
                    {seatState === 'none'
                      ? ' no machine does its work'
                      : ` ${points.length} ${points.length === 1 ? 'machine' : 'machines'}${seatState === 'whole' ? '' : ' so far'}`}
                  </span>
                </TableCell>
                <TableCell className="num">{found ? coinsOnly(found.priceMinor, currency) : '–'}</TableCell>
                <TableCell className="num">{found ? percent(found.rank.percent / 100) : '–'}</TableCell>
                <TableCell className="num">
                  <Value
                    label={`How much ${nameOf(id)} counts`}
                    editor={{
                      kind: 'number',
                      value: importance,
                      unit: 'times',
                      min: 0,
                      max: MOST_IMPORTANT,
                      onChange: (times = PLAIN.importance) => onWish(id, { importance: times }),
                    }}
                  >
                    {`${number(importance)} ×`}
                  </Value>
                </TableCell>
                <TableCell className="num">
                  <Money
                    label={`The least for ${nameOf(id)}`}
                    minor={atLeastMinor}
                    currency={currency}
                    optional
                    onChange={(minor) => onWish(id, { atLeastMinor: minor })}
                  >
                    {atLeastMinor === undefined ? 'any' : coinsOnly(atLeastMinor, currency)}
                  </Money>
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
      {gets && gets.length > 1 && (
        <SharedSpares
          key={gets.map(({ machine }) => madeOf(machine)).join()}
          machines={gets.map(({ brief, machine }) => ({ brief, machine }))}
          seatOf={(machine) => nameOf(gets[machine]?.id ?? '')}
          currency={currency}
        />
      )}
      <p className="quiet small" role={done ? 'status' : undefined}>
        {state === 'proven'
          ? 'Proven: no other way of sharing it does more'
          : `${state === 'stopped' ? 'Stopped' : 'Looking'}: of ${open.length} ${open.length === 1 ? 'seat' : 'seats'} more machines may come; shared over what is known`}
        . {tookWords(effort, seconds)}.
      </p>
    </>
  );
}

/** An amount that can be changed. */
function Money({
  label,
  minor,
  currency,
  onChange,
  explains,
  optional,
  children,
}: {
  label: string;
  minor: number | undefined;
  currency: Currency;
  onChange: (minor: number | undefined) => void;
  explains?: string;
  optional?: boolean;
  children: string;
}) {
  return (
    <Value
      label={label}
      editor={{
        kind: 'number',
        value: minor === undefined ? undefined : shownCoins(minor, currency),
        unit: currency,
        min: 0,
        ...(explains === undefined ? {} : { explains }),
        ...(optional ? { optional } : {}),
        onChange: (major) => onChange(major === undefined ? undefined : minorOfShown(major, currency)),
      }}
    >
      {children}
    </Value>
  );
}

/** The budget as a bar, a piece for each seat; what is left stays open. */
function Split({
  parts,
  of,
  currency,
}: {
  parts: readonly { readonly name: string; readonly minor: number }[];
  of: number;
  currency: Currency;
}) {
  return (
    <Box
      role="img"
      aria-label={`Of ${coins(of, currency)}: ${parts.map(({ name, minor }) => `${name} ${percent(ratioOf(minor, of))}`).join(', ')}`}
      sx={{ display: 'flex', height: 22, margin: '6px 0', border: '1px solid var(--edge)' }}
    >
      {parts.map(({ name, minor }, i) => (
        <Box
          key={name}
          className="cut small"
          sx={{
            width: `${100 * ratioOf(minor, of)}%`,
            padding: '0 4px',
            borderRight: '1px solid var(--paper)',
            background: `color-mix(in srgb, ${SHADES[i % SHADES.length] ?? SHADES[0]} 22%, var(--paper))`,
          }}
        >
          {name}
        </Box>
      ))}
    </Box>
  );
}
