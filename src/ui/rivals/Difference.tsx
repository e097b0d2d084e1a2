'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { SideHeads } from './SideHeads';
import type { Share, ShareRow } from '@/core/versus/difference';
import { ratioOf, type Currency } from '@/core/units/money';
import { coins, coinsChange, coinsOnly, listed } from '@/core/words/format';
import { SHARE_NAMES } from '@/core/words/money';
import { useCurrency } from '../seat/useSeat';
import type { Sides } from './sides';
import { Section } from '../shared/Section';

const LABEL = 'What the difference is made of';

/** Tone of each share; the remainder is hatched, because nobody says what it is. */
const TONE: Readonly<Record<Share, string>> = {
  parts: 'var(--info)',
  system: 'var(--carries)',
  software: 'var(--carries-soft)',
  assembly: 'var(--doubt)',
  warranty: 'var(--doubt-soft)',
  shipping: 'var(--edge)',
  tax: 'var(--info-soft)',
  remainder: 'repeating-linear-gradient(135deg, var(--sunk) 0 4px, var(--hatch) 4px 6px)',
};

/** What both prices are made of, as one bar each on one scale, and where they differ. */
export function Difference({ comparison, name, mine }: Sides) {
  const currency = useCurrency();
  const { shares } = comparison;
  if (!shares)
    return (
      <Section label={LABEL} gist="not sold here">
        <p className="quiet small">{name} is not sold here as it is ordered, so there is no price to take apart.</p>
      </Section>
    );
  const total = (side: 'oursMinor' | 'theirsMinor') => shares.reduce((sum, row) => sum + row[side], 0);
  const [ours, theirs] = [total('oursMinor'), total('theirsMinor')];
  const most = Math.max(ours, theirs);
  return (
    <Section label={LABEL} gist={differenceGist(shares, currency)} open>
      <Bar label={mine} rows={shares} side="oursMinor" most={most} total={ours} />
      <Bar label={name} rows={shares} side="theirsMinor" most={most} total={theirs} />
      <Table sx={{ marginTop: '6px' }}>
        <SideHeads first={`before tax, ${currency}`} mine={mine} name={name} last="difference" />
        <TableBody>
          {shares
            .filter((row) => row.oursMinor !== 0 || row.theirsMinor !== 0)
            .map((row) => (
              <TableRow key={row.share}>
                <TableCell component="th" scope="row" sx={{ fontWeight: 400 }}>
                  <span
                    aria-hidden="true"
                    style={{
                      display: 'inline-block',
                      width: 10,
                      height: 10,
                      marginRight: 6,
                      background: TONE[row.share],
                    }}
                  />
                  {SHARE_NAMES[row.share]}
                  {row.share === 'remainder' && <span className="quiet small"> assembly, support, the name</span>}
                </TableCell>
                <TableCell align="right">{row.oursMinor === 0 ? '–' : coinsOnly(row.oursMinor, currency)}</TableCell>
                <TableCell align="right">
                  {row.theirsMinor === 0 ? '–' : coinsOnly(row.theirsMinor, currency)}
                </TableCell>
                <TableCell align="right">{coinsChange(row.differenceMinor, currency)}</TableCell>
              </TableRow>
            ))}
          <TableRow>
            <TableCell component="th" scope="row">
              Landed, tax and shipping in
            </TableCell>
            <TableCell align="right">{coinsOnly(ours, currency)}</TableCell>
            <TableCell align="right">{coinsOnly(theirs, currency)}</TableCell>
            <TableCell align="right">{coinsChange(ours - theirs, currency)}</TableCell>
          </TableRow>
        </TableBody>
      </Table>
      {comparison.withoutOffer.length > 0 && (
        <p className="quiet small">
          No offer here for {listed(comparison.withoutOffer)}: its parts come to more than said, its remainder to less.
        </p>
      )}
    </Section>
  );
}

/** The whole difference and the share that makes most of it. */
function differenceGist(shares: readonly ShareRow[], currency: Currency): string {
  const whole = shares.reduce((sum, row) => sum + row.differenceMinor, 0);
  const [most] = [...shares].sort((a, b) => Math.abs(b.differenceMinor) - Math.abs(a.differenceMinor));
  if (!most || most.differenceMinor === 0) return 'none';
  const part = `${SHARE_NAMES[most.share].toLowerCase()} ${coinsChange(most.differenceMinor, currency)}`;
  return `${coinsChange(whole, currency)} in all, ${part}`;
}

/** A share's part of the scale, %. */
const LEAST_LABELLED = 14;

function Bar({
  label,
  rows,
  side,
  most,
  total,
}: {
  label: string;
  rows: readonly ShareRow[];
  side: 'oursMinor' | 'theirsMinor';
  most: number;
  total: number;
}) {
  const currency = useCurrency();
  const shown = rows.filter((row) => row[side] > 0);
  const below = rows.find((row) => row[side] < 0);
  return (
    <Box sx={{ marginTop: '4px' }}>
      <span className="spread small">
        <span>{label}</span>
        <b className="num">{coins(total, currency)}</b>
      </span>
      <Box
        sx={{ display: 'flex', height: 18 }}
        role="img"
        aria-label={`${label}: ${shown.map((row) => `${SHARE_NAMES[row.share]} ${coins(row[side], currency)}`).join(', ')}`}
      >
        {shown.map((row) => {
          const share = ratioOf(row[side], most) * 100;
          const pale = ['software', 'warranty', 'tax', 'remainder'].includes(row.share);
          return (
            <span
              key={row.share}
              className="small cut"
              style={{
                width: `${share}%`,
                background: TONE[row.share],
                color: pale ? 'var(--ink)' : 'var(--paper)',
                padding: share > LEAST_LABELLED ? '0 5px' : 0,
                lineHeight: '18px',
              }}
            >
              {share > LEAST_LABELLED ? SHARE_NAMES[row.share] : ''}
            </span>
          );
        })}
      </Box>
      {below && (
        <p className="quiet small">
          Its {SHARE_NAMES[below.share].toLowerCase()} is below nothing: the maker asks less than its parts cost singly.
        </p>
      )}
    </Box>
  );
}
