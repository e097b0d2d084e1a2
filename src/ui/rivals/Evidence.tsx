'use client';

import { SideHeads } from './SideHeads';
import type { Measurement } from '@/core/model/measurement';
import { number } from '@/core/words/format';
import { APART_WORDS } from '@/core/words/money';
import { workloadWords } from '@/core/words/workload';
import { Sign } from '../shared/Beam';
import type { Sides } from './sides';
import { ratioVerdict } from './ratios';

const said = (measurement: Measurement): string => `${number(measurement.value)} ${measurement.unit}`;

/** What was measured on either machine: results that may be compared, and apart from them those that may not. */
export function Evidence({ comparison, name, mine }: Sides) {
  const { pairs, apart } = comparison;
  if (pairs.length + apart.length === 0) return null;
  return (
    <section aria-label="Measured results">
      <h2>Measured results</h2>
      {pairs.length > 0 && (
        <table>
          <SideHeads first="one tool, one setting" mine={mine} name={name} last="ours ÷ theirs" />
          <tbody>
            {pairs.map(({ ours, theirs, ratio }) => (
              <tr key={ours.id}>
                <td>
                  {workloadWords(ours.workload)}
                  <span className="quiet small"> · {ours.tool}</span>
                </td>
                <td className="num">{said(ours)}</td>
                <td className="num">{said(theirs)}</td>
                <td className="num">
                  <Sign verdict={ratioVerdict(ratio)} /> × {number(ratio)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {apart.length > 0 && (
        <>
          <h3 style={{ marginTop: 6 }}>Not to be compared</h3>
          {apart.map(({ side, measurement, because }) => (
            <p key={`${side} ${measurement.id}`} className="small">
              {side === 'ours' ? mine : name}: {workloadWords(measurement.workload)}, {said(measurement)},{' '}
              {measurement.tool} <span className="quiet">({APART_WORDS[because]})</span>
            </p>
          ))}
        </>
      )}
    </section>
  );
}
