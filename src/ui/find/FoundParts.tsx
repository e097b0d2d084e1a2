'use client';

import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import type { Share } from '@/core/search/exact/shares';
import { minorOfShown, ratioOf, shownCoins } from '@/core/units/money';
import { coinsOnly, percent } from '@/core/words/format';
import type { FoundWords, Good } from '@/core/words/found';
import { kindName } from '@/core/words/names';
import { useCurrency } from '../seat/useSeat';
import { Heads } from '../shared/Heads';
import { TextButton } from '../shared/TextButton';
import { Value } from '../shared/Value';
import type { Limits } from './limits';

interface Props {
  readonly found: FoundWords;
  readonly limits: Limits;
  readonly onLimit: (change: Partial<Limits>) => void;
}

/** The parts of a found machine: each may stay, be left out, or its maker with it, and another machine is looked for. */
export function FoundParts({ found, limits, onLimit }: Props) {
  const currency = useCurrency();
  const { machine, goods } = found;
  const { keep, withoutParts, withoutMakers } = limits;
  const keeps = ({ part }: Good): boolean => keep.some((item) => item.part === part);
  return (
    <Table>
      <Heads of={['Part', currency, 'Look again']} words={['Look again']} />
      <TableBody>
        {goods.map((good) => (
          <TableRow key={good.part}>
            <TableCell component="th" scope="row">
              <span className="quiet small">{kindName(good.kind)} </span>
              {good.pieces > 1 ? `${good.pieces} × ` : ''}
              {good.name}
            </TableCell>
            <TableCell align="right">
              {good.owned ? 'owned' : good.minor === undefined ? '?' : coinsOnly(good.minor, currency)}
            </TableCell>
            <TableCell>
              {keeps(good) ? (
                <span className="quiet small">stays</span>
              ) : (
                <span className="row wrap">
                  <TextButton
                    aria-label={`Keep ${good.name}`}
                    onClick={() =>
                      onLimit({ keep: [...keep, ...machine.items.filter((item) => item.part === good.part)] })
                    }
                  >
                    keep
                  </TextButton>
                  <TextButton
                    aria-label={`Leave out ${good.name}`}
                    onClick={() => onLimit({ withoutParts: [...withoutParts, { id: good.part, name: good.name }] })}
                  >
                    leave out
                  </TextButton>
                  <TextButton
                    aria-label={`Nothing by ${good.maker}`}
                    onClick={() => onLimit({ withoutMakers: [...withoutMakers, good.maker] })}
                  >
                    no {good.maker}
                  </TextButton>
                </span>
              )}
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

/** How the money is split, each share with the most that it may take. */
export function FoundShares({ found, limits, onLimit }: Props) {
  const currency = useCurrency();
  const total = Math.max(1, found.priceMinor);
  const limit = (share: Share, major: number | undefined): void => {
    const { [share]: _before, ...others } = limits.mostFor;
    onLimit({ mostFor: major === undefined ? others : { ...others, [share]: minorOfShown(major, currency) } });
  };
  return (
    <span className="quiet small">
      {found.shares
        .filter(({ what, minor }) => minor > 0 || what === 'graphics')
        .map(({ what, minor }, i) => (
          <span key={what}>
            {i > 0 && ', '}
            {what}{' '}
            {what === 'the rest' ? (
              percent(ratioOf(minor, total))
            ) : (
              <Value
                label={`Most for ${what}`}
                editor={{
                  kind: 'number',
                  value: shownCoins(limits.mostFor[what] ?? minor, currency),
                  unit: currency,
                  min: 0,
                  optional: true,
                  explains: 'What these parts may cost together; the search then puts the money elsewhere.',
                  onChange: (major) => limit(what, major),
                }}
              >
                {percent(ratioOf(minor, total))}
              </Value>
            )}
          </span>
        ))}
    </span>
  );
}
