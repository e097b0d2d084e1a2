'use client';

import { useMemo, useState } from 'react';
import { compareWithRival, type Comparison } from '@/core/money/rivals';
import type { Verdict } from '@/core/units/band';
import { coins, listed, number } from '@/core/words/format';
import { findingWords } from '@/core/words/findings';
import { kindName } from '@/core/words/names';
import { useDraftAssessment, useSeat } from '../seat/store';
import { Beam, Sign, type BeamAxis } from '../shared/Beam';
import { getsText } from '../shared/beams';
import { LevelSign } from '../shared/Level';

/** This draft against branded machines: price, tasks, parts, and what money does not measure. */
export function RivalsStation() {
  const draft = useDraftAssessment();
  const context = useSeat((state) => state.context);
  const brief = useSeat((state) => state.bundle.brief.body);
  const drafts = useSeat((state) => state.bundle.drafts);
  const draftId = useSeat((state) => state.draftId);
  const selectDraft = useSeat((state) => state.selectDraft);
  const [chosen, setChosen] = useState<string>();
  const comparisons = useMemo(
    () => context.catalogue.rivals.map((rival) => compareWithRival(draft, rival, brief, context)),
    [draft, context, brief],
  );
  const shown = comparisons.find((comparison) => comparison.rival.id === chosen) ?? comparisons[0];
  if (!shown)
    return (
      <div className="pane">
        <h2>Rivals</h2>
        <p className="quiet">The catalogue has no branded machine yet. Import a catalogue that holds some.</p>
      </div>
    );
  return (
    <div className="pane">
      <div className="row wrap" style={{ justifyContent: 'space-between', marginBottom: 10 }}>
        <span className="row wrap" role="group" aria-label="Branded machine">
          <span className="quiet">against</span>
          {comparisons.map((comparison) => (
            <button
              key={comparison.rival.id}
              type="button"
              className="chip"
              aria-pressed={comparison === shown}
              onClick={() => setChosen(comparison.rival.id)}
            >
              {comparison.rival.maker} {comparison.rival.name}
            </button>
          ))}
        </span>
        <span className="row wrap" role="group" aria-label="Draft">
          {drafts.map((entry) => (
            <button
              key={entry.id}
              type="button"
              className="chip"
              aria-pressed={entry.id === draftId}
              onClick={() => selectDraft(entry.id)}
            >
              {entry.body.name}
            </button>
          ))}
        </span>
      </div>
      <Against comparison={shown} />
    </div>
  );
}

const ratioVerdict = (ratio: number | undefined, better: 'higher' | 'lower'): Verdict =>
  ratio === undefined ? 'unproven' : (better === 'higher' ? ratio : 1 / ratio) >= 0.999 ? 'carries' : 'short';

/** A ratio of ours over theirs as a beam: right of the pivot is better for this draft. */
function RatioBeam({
  label,
  ratio,
  better,
  axis,
  gets,
  need,
  unknown,
}: {
  label: string;
  ratio: number | undefined;
  better: 'higher' | 'lower';
  axis: BeamAxis;
  gets: string;
  need?: string;
  unknown: string;
}) {
  const value = ratio === undefined ? undefined : better === 'higher' ? ratio : 1 / ratio;
  return (
    <Beam
      label={label}
      axis={axis}
      band={value === undefined ? undefined : { low: value, likely: value, high: value }}
      verdict={ratioVerdict(ratio, better)}
      gets={ratio === undefined ? unknown : gets}
      {...(need ? { need } : {})}
      sentence={`${label}: ${ratio === undefined ? unknown : gets}.`}
    />
  );
}

function Against({ comparison }: { comparison: Comparison }) {
  const brief = useSeat((state) => state.bundle.brief.body);
  const { rival, ours, theirs, assessment } = comparison;
  const draft = useDraftAssessment();
  const { currency } = draft.facts.price;
  const region = draft.region;
  const bound = comparison.oursLowerBound ? 'at least ' : '';
  const blocking = draft.findings.filter((finding) => finding.level === 'blocks').length;
  const rivalName = `${rival.maker} ${rival.name}`;
  const row = (label: string, mine: number | undefined, its: number | undefined, strong = false) => (
    <tr>
      <th scope="row" style={{ fontWeight: strong ? 650 : 400, color: 'var(--ink)' }}>
        {label}
      </th>
      <td className="num" style={{ fontWeight: strong ? 650 : 400 }}>
        {mine === undefined ? '—' : `${bound}${coins(mine, currency)}`}
      </td>
      <td className="num" style={{ fontWeight: strong ? 650 : 400 }}>
        {its === undefined ? 'not sold here' : coins(its, currency)}
      </td>
    </tr>
  );
  return (
    <div style={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(430px, 1fr))', gap: '18px 28px' }}>
      <section aria-label="Price and speed">
        <h1>
          {draft.facts.machine.name} against {rivalName}
        </h1>
        {blocking > 0 && (
          <p className="small">
            <LevelSign level="blocks" /> {draft.facts.machine.name} still has {blocking}{' '}
            {blocking === 1 ? 'finding that blocks' : 'findings that block'}; its price is not yet that of a machine
            that works.
          </p>
        )}
        <table style={{ marginTop: 6 }}>
          <thead>
            <tr>
              <th scope="col">{region.name}</th>
              <th scope="col" className="num">
                {draft.facts.machine.name}
              </th>
              <th scope="col" className="num">
                {rivalName}
              </th>
            </tr>
          </thead>
          <tbody>
            {row('Goods, before tax', ours.netMinor, theirs?.netMinor)}
            {row('Shipping', ours.shippingMinor, theirs?.shippingMinor)}
            {row(`${region.taxName}, ${number(region.taxRate * 100)} %`, ours.taxMinor, theirs?.taxMinor)}
            {row('Landed, tax and shipping in', ours.landedMinor, theirs?.landedMinor, true)}
          </tbody>
        </table>
        <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: '4px 24px', marginTop: 10 }}>
          <RatioBeam
            label="Price, tax in"
            ratio={comparison.priceRatio}
            better="lower"
            axis={{ kind: 'ratio' }}
            gets={`${number(comparison.priceRatio ?? 0)} of its price`}
            unknown={theirs ? 'our total is a lower bound' : 'not sold in this region'}
          />
          <RatioBeam
            label="Price, before tax"
            ratio={comparison.netPriceRatio}
            better="lower"
            axis={{ kind: 'ratio' }}
            gets={`${number(comparison.netPriceRatio ?? 0)} of its price`}
            unknown={theirs ? 'our total is a lower bound' : 'not sold in this region'}
          />
          <RatioBeam
            label="Speed over the tasks"
            ratio={comparison.speedRatio}
            better="higher"
            axis={{ kind: 'ratio' }}
            gets={`${number(comparison.speedRatio ?? 0)} × its speed`}
            need={`${comparison.tasksCompared} of ${brief.tasks.length} tasks compared`}
            unknown="no task runs on both"
          />
          <RatioBeam
            label="Work a coin"
            ratio={comparison.perCoinRatio}
            better="higher"
            axis={{ kind: 'ratio' }}
            gets={`${number(comparison.perCoinRatio ?? 0)} × as much`}
            unknown="needs both prices and speeds"
          />
        </div>
        <Difference comparison={comparison} />
      </section>

      <section aria-label="Task by task">
        <h2>Task by task</h2>
        <table>
          <thead>
            <tr>
              <th scope="col">Task</th>
              <th scope="col">{draft.facts.machine.name}</th>
              <th scope="col">{rivalName}</th>
              <th scope="col" style={{ width: 110 }}>
                ours ÷ theirs
              </th>
            </tr>
          </thead>
          <tbody>
            {comparison.tasks.map((task) => {
              const name = brief.tasks.find((candidate) => candidate.id === task.task)?.name ?? task.task;
              const oursResult = draft.tasks.find((candidate) => candidate.task === task.task);
              const theirResult = assessment.tasks.find((candidate) => candidate.task === task.task);
              return (
                <tr key={task.task}>
                  <td>{name}</td>
                  <td>
                    <Sign verdict={task.ours.verdict} /> {oursResult && getsText(oursResult)}
                  </td>
                  <td>
                    <Sign verdict={task.theirs.verdict} /> {theirResult && getsText(theirResult)}
                    {task.standIn && (
                      <span className="quiet small">
                        <br />
                        rests on a stand-in
                      </span>
                    )}
                  </td>
                  <td>
                    <Beam
                      axis={{ kind: 'ratio' }}
                      band={
                        task.ratio === undefined ? undefined : { low: task.ratio, likely: task.ratio, high: task.ratio }
                      }
                      verdict={task.ratio === undefined ? 'unproven' : task.ratio >= 0.995 ? 'carries' : 'short'}
                      gets={task.ratio === undefined ? 'unproven' : `× ${number(task.ratio)}`}
                      sentence={`${name}: ${task.ratio === undefined ? 'cannot be compared' : `ours is ${number(task.ratio)} times theirs`}`}
                    />
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </section>

      <section aria-label="Part by part">
        <h2>Part by part</h2>
        <table>
          <thead>
            <tr>
              <th scope="col" />
              <th scope="col">{draft.facts.machine.name}</th>
              <th scope="col">{rivalName}</th>
            </tr>
          </thead>
          <tbody>
            {comparison.parts.map((part) => (
              <tr key={part.kind}>
                <th scope="row" style={{ fontWeight: 400 }}>
                  {kindName(part.kind)}
                </th>
                <td>{part.ours.length > 0 ? part.ours.join(', ') : <span className="quiet">none</span>}</td>
                <td>
                  {part.theirs.length === 0 && <span className="quiet">none</span>}
                  {part.theirs.map((entry, i) => (
                    <span key={i} style={{ display: 'block' }}>
                      {entry.standsInFor ? (
                        <>
                          {entry.standsInFor}
                          <span className="unproven small" style={{ display: 'block' }}>
                            ○ not published: {entry.name} stands in
                          </span>
                        </>
                      ) : part.same ? (
                        <span className="quiet">the same</span>
                      ) : (
                        entry.name
                      )}
                    </span>
                  ))}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>

      <section aria-label="What money does not measure">
        <h2>What money does not measure</h2>
        <table>
          <tbody>
            <tr>
              <th scope="row" style={{ fontWeight: 400 }}>
                {rivalName}: warranty
              </th>
              <td>
                {rival.warrantyMonths} months{rival.onSite ? ', on site' : ', sent in'}
              </td>
            </tr>
            {rival.notes.map((note) => (
              <tr key={note}>
                <th scope="row" style={{ fontWeight: 400 }}>
                  {rivalName}
                </th>
                <td>{note}</td>
              </tr>
            ))}
            <tr>
              <th scope="row" style={{ fontWeight: 400 }}>
                {draft.facts.machine.name}: warranty
              </th>
              <td>{warranties(draft.facts.parts.all.map(({ part }) => part.warrantyMonths))}</td>
            </tr>
          </tbody>
        </table>
        {assessment.findings.length > 0 && (
          <>
            <h3 style={{ marginTop: 8 }}>The same rules say of {rivalName}</h3>
            {assessment.findings.map((finding, i) => (
              <p key={i} className="small" style={{ padding: '2px 0' }}>
                <LevelSign level={finding.level} /> {findingWords(finding).says}
                {assessment.facts.machine.items.some((item) => finding.items.includes(item.id) && item.standsInFor) && (
                  <span className="quiet"> (a stand-in is involved, so this may not hold for the real part)</span>
                )}
              </p>
            ))}
          </>
        )}
      </section>
    </div>
  );
}

function warranties(months: readonly (number | undefined)[]): string {
  const known = months.filter((value) => value !== undefined);
  if (known.length === 0) return 'not stated';
  return `part by part, ${Math.min(...known)} to ${Math.max(...known)} months, parts sent in by the builder`;
}

/** What the rival's price is made of: its parts at offer prices and the remainder, before tax and shipping. */
function Difference({ comparison }: { comparison: Comparison }) {
  const { theirs, theirParts } = comparison;
  const currency = useDraftAssessment().facts.price.currency;
  if (!theirs) return null;
  const share = Math.min(1, theirParts.netMinor / theirs.netMinor);
  return (
    <div style={{ marginTop: 12 }}>
      <h3>What its price before tax is made of</h3>
      <div
        style={{ display: 'flex', height: 14, marginTop: 4 }}
        role="img"
        aria-label={`parts ${coins(theirParts.netMinor, currency)} of ${coins(theirs.netMinor, currency)}`}
      >
        <span style={{ width: `${share * 100}%`, background: 'var(--info)' }} />
        <span style={{ flex: 1, background: 'var(--hatch)' }} />
      </div>
      <p className="spread small">
        <span>
          parts at offer prices {theirParts.without.length > 0 ? 'at least ' : ''}
          <b>{coins(theirParts.netMinor, currency)}</b>
        </span>
        <span>
          {theirParts.remainderMinor === undefined ? (
            'remainder unknown'
          ) : (
            <>
              assembly, support, the name: <b>{coins(theirParts.remainderMinor, currency)}</b>
            </>
          )}
        </span>
      </p>
      {theirParts.without.length > 0 && <p className="quiet small">No offer here for {listed(theirParts.without)}.</p>}
    </div>
  );
}
