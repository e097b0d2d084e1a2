'use client';

import type { Assessment } from '@/core/assess';
import { softwareOf } from '@/core/money/software';
import { TERMS } from '@/core/words/findings/work';
import { coins } from '@/core/words/format';
import { Heads } from '../shared/Heads';

/** What the applications of the brief cost over its years, and which licence that is. */
export function Software({ assessment }: { assessment: Assessment }) {
  const { brief, parts, region } = assessment.facts;
  const rows = softwareOf(brief, parts, assessment.facts);
  if (rows.length === 0) return null;
  const money = (minor: number | undefined) =>
    minor === undefined ? 'by use' : minor === 0 ? '–' : coins(minor, region.currency);
  return (
    <>
      <div className="spread">
        <h2>Software</h2>
        <span className="quiet small">with tax and shipping, over {brief.yearsOfService} years</span>
      </div>
      <table style={{ marginBottom: 12 }}>
        <Heads of={['Licence', 'once', 'a year', 'in all']} />
        <tbody>
          {rows.map((row) => (
            <tr key={row.part}>
              <td>
                {row.licence}
                <div className="quiet small">
                  {row.terms === undefined ? 'terms unknown' : TERMS[row.terms]}
                  {row.owned ? ', owned' : row.here ? ', in the draft' : ', not in the draft: the one that costs least'}
                </div>
              </td>
              <td className="num">{money(row.onceMinor)}</td>
              <td className="num">{money(row.yearlyMinor)}</td>
              <td className="num">
                <b>{row.totalMinor === undefined ? 'unknown' : money(row.totalMinor)}</b>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
