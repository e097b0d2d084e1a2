'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { Sides } from './sides';
import { SideHeads } from './SideHeads';
import type { Assessment } from '@/core/assess';
import { basketFor } from '@/core/versus/basketFor';
import type { Comparison } from '@/core/versus/rivals';
import { failing } from '@/core/rules/rule';
import { coins, coinsOnly, number } from '@/core/words/format';
import { findingWords } from '@/core/words/findings';
import { kindName } from '@/core/words/names';
import { getsText, runsWhere } from '@/core/words/results';
import type { Verdict } from '@/core/units/band';
import { useBrief } from '../seat/moment';
import { rivalAnswer } from '@/core/words/answers';
import { Answer } from '../shared/Answer';
import { Beam, Sign } from '../shared/Beam';
import { LevelSign, levelSummary } from '../shared/Level';
import { BesideMoney } from './BesideMoney';
import { Difference } from './Difference';
import { Evidence } from './Evidence';
import { Options } from './Options';
import { OverYears } from './OverYears';
import { FindMachines } from '../find/FindMachines';
import { Section } from '../shared/Section';
import { ratioVerdict } from './ratios';

/** One branded machine in full, beside the draft. */
export function Against({ comparison, draft }: { comparison: Comparison; draft: Assessment }) {
  const { side, ours, theirs, assessment } = comparison;
  const { currency } = draft.facts.price;
  const { region } = draft;
  const bound = comparison.oursLowerBound ? 'at least ' : '';
  const failings = draft.findings.filter(({ level }) => failing(level));
  // of theirs only the work is judged: what their maker leaves out, a stand-in fills
  const notDone = comparison.assessment.findings.filter(({ code, level }) => code === 'task-result' && failing(level));
  const name = `${side.rival.maker} ${side.rival.name}`;
  const mine = draft.facts.machine.name;
  const row = (label: string, our: number | undefined, its: number | undefined, strong = false) => (
    <TableRow>
      <TableCell component="th" scope="row" sx={{ fontWeight: strong ? 650 : 400, color: 'var(--ink)' }}>
        {label}
      </TableCell>
      <TableCell align="right" sx={{ fontWeight: strong ? 650 : 400 }}>
        {our === undefined ? '—' : `${bound}${coins(our, currency)}`}
      </TableCell>
      <TableCell align="right" sx={{ fontWeight: strong ? 650 : 400 }}>
        {its === undefined ? 'not sold here' : coins(its, currency)}
      </TableCell>
    </TableRow>
  );
  const orders = basketFor(draft).best?.orders.length ?? 0;
  const noRatio = !theirs
    ? 'not sold in this region'
    : ours.landedMinor === 0
      ? 'nothing of ours is bought'
      : 'our total is a lower bound';
  const ratios = [
    {
      label: 'Price, landed',
      ratio: comparison.priceRatio === undefined ? undefined : 1 / comparison.priceRatio,
      gets: `${number(comparison.priceRatio ?? 0)} of its price`,
      unknown: noRatio,
    },
    {
      label: 'Price, before tax',
      ratio: comparison.netPriceRatio === undefined ? undefined : 1 / comparison.netPriceRatio,
      gets: `${number(comparison.netPriceRatio ?? 0)} of its price`,
      unknown: noRatio,
    },
    {
      label: 'Speed over the tasks',
      ratio: comparison.speedRatio,
      gets: `${number(comparison.speedRatio?.likely ?? 0)} × its speed`,
      need: `${comparison.tasksCompared} of ${draft.facts.brief.tasks.length} tasks`,
      unknown: 'no task runs on both',
    },
    {
      label: 'Work for the money',
      ratio: comparison.perCoinRatio,
      gets: `${number(comparison.perCoinRatio?.likely ?? 0)} × as much`,
      unknown: 'needs both prices and speeds',
    },
  ];
  return (
    <>
      <Box sx={{ marginTop: '8px' }}>
        <Answer>{rivalAnswer(draft, assessment, name, theirs && coins(theirs.landedMinor, currency))}</Answer>
      </Box>
      <h2>
        {mine} against {name}
      </h2>
      {failings.length > 0 && (
        <p className="small">
          <LevelSign level="blocks" /> {mine}: {levelSummary(failings)}; its price is not yet that of a machine that
          does the work.
        </p>
      )}
      {notDone.length > 0 && (
        <p className="small">
          <LevelSign level="short" /> {name}: {levelSummary(notDone)}; stand-ins fill what its maker does not say.
        </p>
      )}
      <Options comparison={comparison} />
      <Box
        component="section"
        aria-label="Price and speed"
        sx={{
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fit, minmax(140px, 1fr))',
          gap: '4px 24px',
          marginBlock: '8px',
        }}
      >
        {ratios.map(({ label, ratio, gets, need, unknown }) => (
          <Beam
            key={label}
            label={label}
            axis={{ kind: 'ratio' }}
            band={typeof ratio === 'number' ? { low: ratio, likely: ratio, high: ratio } : ratio}
            verdict={ratioVerdict(ratio)}
            gets={ratio === undefined ? unknown : gets}
            {...(need ? { need } : {})}
            sentence={`${label}: ${ratio === undefined ? unknown : gets}.`}
          />
        ))}
      </Box>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fit, minmax(min(100%, 600px), 1fr))',
          gap: '0 28px',
        }}
      >
        <div>
          <TaskByTask comparison={comparison} draft={draft} name={name} mine={mine} />
          {theirs && (
            <Section label="Match it" title={`Match ${name}, or better it for the same money`} gist="found by search">
              <FindMachines
                match={{ machine: assessment.facts.machine, landedMinor: theirs.landedMinor, name }}
                key={side.rival.id}
              />
            </Section>
          )}
          <PartByPart comparison={comparison} name={name} mine={mine} />
          <Evidence comparison={comparison} name={name} mine={mine} />
          {assessment.findings.length > 0 && (
            <Section
              label="Findings of theirs"
              title={`The same rules say of ${name}`}
              gist={levelSummary(assessment.findings)}
            >
              {assessment.findings.map((finding, i) => (
                <Box component="p" key={i} className="small" sx={{ padding: '2px 0' }}>
                  <LevelSign level={finding.level} /> {findingWords(finding).says}
                  {assessment.facts.machine.items.some(
                    (item) => finding.items.includes(item.id) && item.standsInFor,
                  ) && <span className="quiet"> (a stand-in is involved, so this may not hold for the real part)</span>}
                </Box>
              ))}
            </Section>
          )}
        </div>
        <div>
          <Difference comparison={comparison} name={name} mine={mine} />
          <Section
            label="Both prices"
            gist={`${region.name}: ${[ours.landedMinor, theirs?.landedMinor]
              .map((minor) => (minor === undefined ? 'not sold here' : coinsOnly(minor, currency)))
              .join(' against ')}`}
          >
            <Table>
              <SideHeads first={region.name} mine={mine} name={name} />
              <TableBody>
                {row('Goods, before tax', ours.netMinor, theirs?.netMinor)}
                {row('Shipping', ours.shippingMinor, theirs?.shippingMinor)}
                {row(`${region.taxName}, ${number(region.taxRate * 100)} %`, ours.taxMinor, theirs?.taxMinor)}
                {row('Landed, tax and shipping in', ours.landedMinor, theirs?.landedMinor, true)}
              </TableBody>
            </Table>
            <p className="quiet small">
              {mine} as its best basket: {orders === 1 ? '1 order' : `${orders} orders`}.
            </p>
          </Section>
          <OverYears comparison={comparison} draft={draft} name={name} mine={mine} />
          <BesideMoney comparison={comparison} draft={draft} name={name} mine={mine} />
        </div>
      </Box>
    </>
  );
}

function TaskByTask({ comparison, draft, name, mine }: Sides & { draft: Assessment }) {
  const tasks = useBrief().tasks;
  const { assessment } = comparison;
  return (
    <Section label="Task by task" gist={speedGist(comparison)} open>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell scope="col">Task</TableCell>
            <TableCell scope="col">{mine}</TableCell>
            <TableCell scope="col">{name}</TableCell>
            <TableCell scope="col" sx={{ width: 110 }}>
              ours ÷ theirs
            </TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {comparison.tasks.map((task) => {
            const label = tasks.find((candidate) => candidate.id === task.task)?.name ?? task.task;
            const oursResult = draft.tasks.find((candidate) => candidate.task === task.task);
            const theirResult = assessment.tasks.find((candidate) => candidate.task === task.task);
            const unlike = oursResult && theirResult ? runsWhere(oursResult, theirResult) : 'unproven';
            return (
              <TableRow key={task.task}>
                <TableCell>{label}</TableCell>
                <TableCell>
                  <Sign verdict={task.ours.verdict} /> {oursResult && getsText(oursResult)}
                </TableCell>
                <TableCell>
                  <Sign verdict={task.theirs.verdict} /> {theirResult && getsText(theirResult)}
                  {task.standIn && (
                    <span className="quiet small">
                      <br />
                      rests on a stand-in
                    </span>
                  )}
                </TableCell>
                <TableCell>
                  {task.ratio === undefined && unlike !== 'unproven' ? (
                    unlike
                  ) : (
                    <Beam
                      axis={{ kind: 'ratio' }}
                      band={task.ratio}
                      verdict={ratioVerdict(task.ratio)}
                      gets={task.ratio === undefined ? unlike : `× ${number(task.ratio.likely)}`}
                      sentence={`${label}: ${task.ratio === undefined ? 'cannot be compared' : `ours is ${number(task.ratio.likely)} times theirs, between ${number(task.ratio.low)} and ${number(task.ratio.high)}`}`}
                    />
                  )}
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
    </Section>
  );
}

/** On how many tasks each is quicker, which are too close to tell, and which cannot be compared. */
function speedGist({ tasks }: Comparison): string {
  const verdicts = tasks.map((task) => ratioVerdict(task.ratio));
  const told = (verdict: Verdict, before: string, after: string) => {
    const count = verdicts.filter((entry) => entry === verdict).length;
    return count === 0 ? [] : [`${before}${count}${after}`];
  };
  return [
    ...told('carries', 'ours quicker in ', ''),
    ...told('short', 'theirs quicker in ', ''),
    ...told('between', '', ' too close to tell'),
    ...told('unproven', '', ' unproven'),
  ].join(', ');
}

function PartByPart({ comparison, name, mine }: Sides) {
  return (
    <Section
      label="Part by part"
      gist={`${comparison.parts.filter(({ theirs }) => theirs.some(({ standsInFor }) => standsInFor)).length} not published`}
    >
      <Table>
        <SideHeads first="Part" mine={mine} name={name} words />
        <TableBody>
          {comparison.parts.map((part) => (
            <TableRow key={part.kind}>
              <TableCell component="th" scope="row" sx={{ fontWeight: 400 }}>
                {kindName(part.kind)}
              </TableCell>
              <TableCell>{part.ours.length > 0 ? part.ours.join(', ') : <span className="quiet">none</span>}</TableCell>
              <TableCell>
                {part.theirs.length === 0 && <span className="quiet">none</span>}
                {part.theirs.map((entry, i) => (
                  <Box component="span" key={i} sx={{ display: 'block' }}>
                    {entry.standsInFor ? (
                      <>
                        {entry.standsInFor}
                        <Box component="span" className="unproven small" sx={{ display: 'block' }}>
                          ○ not published: {entry.name} stands in
                          {entry.between && `, between ${entry.between[0]} and ${entry.between[1]}`}
                        </Box>
                      </>
                    ) : part.same ? (
                      <span className="quiet">the same</span>
                    ) : (
                      entry.name
                    )}
                    {entry.fixed && (
                      <Box component="span" className="caution small" sx={{ display: 'block' }}>
                        ◆ {entry.fixed === 'soldered' ? 'soldered: stays as it is' : 'of a form of its own'}
                      </Box>
                    )}
                  </Box>
                ))}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Section>
  );
}
