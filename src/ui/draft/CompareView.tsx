'use client';

import { useMemo, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { fullName, type AnyFitted } from '@/core/model/fitted';
import { compareDrafts, type Line } from '@/core/versus/drafts';
import { findingWords } from '@/core/words/findings';
import { basketFor } from '@/core/versus/basketFor';
import { coins, coinsChange } from '@/core/words/format';
import type { Currency } from '@/core/units/money';
import { kindName } from '@/core/words/names';
import { valueWords } from '../library/Sheet';
import { assessmentOf, useSeat } from '../seat/store';
import { Beam } from '../shared/Beam';
import { taskBeam } from '@/core/words/beams';
import { LevelSign } from '../shared/Level';

/** This draft beside another of the seat: task by task, then line by line, same lines quiet, others with what differs. */
export function CompareView({ assessment }: { assessment: Assessment }) {
  const open = useSeat((state) => state.open);
  const drafts = useSeat((state) => state.bundle.drafts);
  const draftId = useSeat((state) => state.draftId);
  const brief = useSeat((state) => state.bundle.brief.body);
  const context = useSeat((state) => state.context);
  const others = drafts.filter((draft) => draft.id !== draftId);
  const [chosen, setChosen] = useState<string>();
  const other = others.find((draft) => draft.id === chosen) ?? others[0];
  const right = other && assessmentOf(other.body, brief, context);
  const comparison = useMemo(() => right && compareDrafts(assessment, right), [assessment, right]);
  if (!other || !right || !comparison)
    return <p className="quiet">There is no other draft to compare with; copy this one and change it.</p>;
  const { currency } = assessment.facts.price;
  const [here, there] = [assessment.facts.price.total.landedMinor, right.facts.price.total.landedMinor];
  // what is ordered is one basket: the same totals as on Weigh, Buy and in the ledger
  const baskets = [assessment, right].map((side) => basketFor(side));
  const differing = comparison.lines.filter((line) => !line.same);
  const same = comparison.lines.filter((line) => line.same);
  return (
    <div>
      <div className="panehead">
        <span className="row wrap" role="group" aria-label="Draft to compare with" style={{ gap: 6 }}>
          <h2>{assessment.facts.machine.name} beside</h2>
          {others.map((draft) => (
            <button
              key={draft.id}
              type="button"
              className="chip"
              aria-pressed={draft.id === other.id}
              onClick={() => setChosen(draft.id)}
            >
              {draft.body.name}
            </button>
          ))}
        </span>
        <button type="button" className="link small" onClick={() => open(undefined)}>
          Back to the map
        </button>
      </div>
      <table style={{ tableLayout: 'fixed' }}>
        <thead>
          <tr>
            <th scope="col" style={{ width: '20%' }}>
              Task
            </th>
            <th scope="col">{assessment.facts.machine.name}</th>
            <th scope="col">{right.facts.machine.name}</th>
          </tr>
        </thead>
        <tbody>
          {brief.tasks.map((task) => (
            <tr key={task.id}>
              <th scope="row">{task.name}</th>
              {[assessment, right].map((side, i) => {
                const result = side.tasks.find((entry) => entry.task === task.id);
                const model = result && taskBeam(task, result);
                return (
                  <td key={i} style={{ paddingTop: 2, paddingBottom: 2 }}>
                    {model && (
                      <Beam
                        axis={model.axis}
                        band={model.band}
                        verdict={model.verdict}
                        need={model.need}
                        gets={model.gets}
                        sentence={model.sentence}
                      />
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <h3 style={{ marginTop: 14 }}>
        {differing.length} {differing.length === 1 ? 'line differs' : 'lines differ'}, {same.length} the same
      </h3>
      <table style={{ tableLayout: 'fixed' }}>
        <thead>
          <tr>
            <th scope="col" style={{ width: '13%' }}>
              Part
            </th>
            <th scope="col">{assessment.facts.machine.name}</th>
            <th scope="col">{right.facts.machine.name}</th>
            <th scope="col" className="num" style={{ width: '14%' }}>
              Landed, {right.facts.machine.name} − {assessment.facts.machine.name}
            </th>
          </tr>
        </thead>
        <tbody>
          {[...differing, ...same].map((line, i) => (
            <LineRow key={i} line={line} currency={currency} />
          ))}
          <tr>
            <th scope="row">Landed, as one basket, tax and shipping in</th>
            {baskets.map(({ lowerBound, total }, i) => (
              <td key={i}>
                <b>
                  {lowerBound ? 'at least ' : ''}
                  {coins(total.landedMinor, currency)}
                </b>
              </td>
            ))}
            <td className="num">
              <b>
                {coinsChange((baskets[1]?.total.landedMinor ?? 0) - (baskets[0]?.total.landedMinor ?? 0), currency)}
              </b>
            </td>
          </tr>
          <tr>
            <th scope="row">Landed, bought one by one, tax and shipping in</th>
            <td>{coins(here, currency)}</td>
            <td>{coins(there, currency)}</td>
            <td className="num">{coinsChange(there - here, currency)}</td>
          </tr>
        </tbody>
      </table>
      <Apart name={assessment.facts.machine.name} findings={comparison.onlyLeft} />
      <Apart name={right.facts.machine.name} findings={comparison.onlyRight} />
    </div>
  );
}

const SHOWN = 5;

function LineRow({ line, currency }: { line: Line; currency: Currency }) {
  const change = (line.rightMinor ?? 0) - (line.leftMinor ?? 0);
  const known =
    (line.left === undefined || line.leftMinor !== undefined) &&
    (line.right === undefined || line.rightMinor !== undefined);
  // structures and lists say little in a line; the part's sheet has them
  const plain = line.differences.filter(
    ({ field }) => !['structure', 'list'].includes(field.type) && field.path !== 'maker',
  );
  const more = plain.length - SHOWN;
  return (
    <tr className={line.same ? 'quiet' : undefined}>
      <th scope="row" style={{ textTransform: 'capitalize', verticalAlign: 'top', paddingTop: 6 }}>
        {kindName(line.kind)}
      </th>
      <td>{nameOf(line.left)}</td>
      <td>
        {line.same ? 'the same' : nameOf(line.right)}
        {!line.same && plain.length > 0 && (
          <span className="small quiet" style={{ display: 'block' }}>
            {plain
              .slice(0, SHOWN)
              .map(({ field, here, there }) => {
                const [now, then] = [valueWords(field, here), valueWords(field, there)];
                return now === then ? `${field.label} not the same` : `${field.label} ${then} instead of ${now}`;
              })
              .join(', ')}
            {more > 0 ? ` and ${more} more` : ''}
          </span>
        )}
      </td>
      <td className="num">
        {line.same ? coins(line.leftMinor ?? 0, currency) : known ? coinsChange(change, currency) : 'price unknown'}
      </td>
    </tr>
  );
}

const nameOf = (fitted: AnyFitted | undefined) =>
  fitted ? (
    <>
      {fullName(fitted.part)}
      {(fitted.item.roles?.length ?? 0) > 0 && <span className="quiet small"> · {fitted.item.roles?.join(', ')}</span>}
    </>
  ) : (
    <span className="quiet">none</span>
  );

function Apart({ name, findings }: { name: string; findings: Assessment['findings'] }) {
  if (findings.length === 0) return null;
  return (
    <>
      <h3 style={{ marginTop: 12 }}>Only in {name}</h3>
      <ul>
        {findings.map((finding, i) => (
          <li key={i} className="small" style={{ padding: '3px 0', display: 'flex', gap: 6 }}>
            <LevelSign level={finding.level} /> <span>{findingWords(finding).says}</span>
          </li>
        ))}
      </ul>
    </>
  );
}
