'use client';
import { daysBetween } from '@/core/units/days';
import { SideHeads } from './SideHeads';
import type { Assessment } from '@/core/assess';
import { advantagesOf } from '@/core/versus/advantages';
import { basketFor } from '@/core/versus/basketFor';
import { ADVANTAGE_NAMES, saidWords } from '@/core/words/money';
import type { Sides } from './sides';

/** What money does not measure, side by side; who is better off is said the same way for both. */
export function BesideMoney({ comparison, draft, name, mine }: Sides & { draft: Assessment }) {
  const arrives = basketFor(draft).best?.arrives;
  const rows = advantagesOf(
    draft,
    arrives === undefined ? undefined : daysBetween(draft.facts.today, arrives),
    comparison.side,
    comparison.assessment,
  );
  const { rival } = comparison.side;
  return (
    <section aria-label="What money does not measure">
      <h2>What money does not measure</h2>
      <table>
        <SideHeads mine={mine} name={name} words />
        <tbody>
          {rows.map((row) => (
            <tr key={row.id}>
              <th scope="row" style={{ fontWeight: 400 }}>
                {ADVANTAGE_NAMES[row.id]}
              </th>
              {(['ours', 'theirs'] as const).map((side) => (
                <td key={side} style={{ fontWeight: row.better === side ? 650 : 400 }}>
                  {saidWords(row[side])}
                  {row.better === side && <span className="quiet small"> · better</span>}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {rival.notes.map((note) => (
        <p key={note} className="small">
          <span className="quiet">{name}:</span> {note}
        </p>
      ))}
    </section>
  );
}
