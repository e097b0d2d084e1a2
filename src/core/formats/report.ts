import type { Assessment, Context } from '../assess';
import type { Finding } from '../rules/rule';
import { turnsOf } from '../search/turning';
import { turnWords } from '../words/turning';
import { significant } from '../units/quantity';
import type { Band } from '../units/band';
import { workFails } from '../rules/work/taskResult';
import { findingWords } from '../words/findings';

/**
 * What a machine's worst finding means for a script: 1 something blocks, else 3 something is unproven, else 4 an
 * important or decisive task does not run or falls short, else 0.
 */
export function exitCodeOf(assessments: readonly Assessment[]): 0 | 1 | 3 | 4 {
  const levels = new Set(assessments.flatMap((assessment) => assessment.findings.map((finding) => finding.level)));
  return levels.has('blocks')
    ? 1
    : levels.has('unproven') ||
        assessments.some((assessment) => assessment.tasks.some((task) => task.verdict === 'unproven'))
      ? 3
      : assessments.some(({ findings }) => workFails(findings))
        ? 4
        : 0;
}

const band = (value: Band | undefined) =>
  value && { low: significant(value.low), likely: significant(value.likely), high: significant(value.high) };

/** An assessment as plain JSON: figures in the units their names give. With a context, turning points of what is unproven too. */
export function reportOf(assessment: Assessment, context?: Context) {
  const { facts } = assessment;
  const turning = (finding: Finding) =>
    context && 'missing' in finding
      ? {
          turns: turnsOf(facts.machine, facts.brief, finding, context).map((turn) => ({
            ...turn,
            says: turnWords(turn, facts.catalogue),
          })),
        }
      : {};
  return {
    machine: facts.machine.id,
    name: facts.machine.name,
    findings: assessment.findings.map((finding) => ({
      ...finding,
      says: findingWords(finding).says,
      ...turning(finding),
    })),
    passed: assessment.checks
      .filter((check) => check.level === 'passes')
      .map((check) => ({ rule: check.rule, code: check.code, items: check.items, says: findingWords(check).says })),
    tasks: assessment.tasks.map((task) => ({
      task: task.task,
      sitting: task.sitting,
      mode: task.mode,
      verdict: task.verdict,
      ...(task.mode === 'real-time'
        ? { targetPerS: task.target, getsPerS: band(task.gets) }
        : { targetS: task.target, takesS: band(task.gets) }),
      ratio: band(task.ratio),
      binds: task.binds,
      impossible: task.impossible,
      missing: task.missing,
    })),
    placement: facts.placement && {
      placed: Object.fromEntries(
        [...facts.placement.placed].map(([item, placed]) => [
          item,
          { slot: placed.slot, link: placed.link, gbytePerS: placed.bytesPerS && significant(placed.bytesPerS / 1e9) },
        ]),
      ),
      unplaced: Object.fromEntries(facts.placement.unplaced),
      modes: facts.placement.modes,
      exact: facts.placement.exact,
    },
    memory: {
      ...facts.memory,
      bandwidthBytesPerS: facts.memory.bandwidthBytesPerS,
      latencyNs: facts.memory.latencyNs && significant(facts.memory.latencyNs),
    },
    power: {
      sustainedW: significant(facts.power.sustainedW),
      peakW: significant(facts.power.peakW),
      excursionW: significant(facts.power.excursionW),
      lowerBound: facts.power.missing.length > 0,
      sustainedLowerBound: facts.power.sustainedOpen,
    },
    heat: facts.heat.sittings.map(({ sitting, best, worst, noise }) => ({
      sitting,
      clocks: {
        processor: significant(best.clocks.processor),
        graphics: significant(best.clocks.graphics),
        heldBy: best.heldBy,
      },
      parts: best.state.parts.map((part, i) => ({
        item: part.item,
        watts: significant(part.watts),
        tempC: significant(part.tempC),
        // where figures are only bounded, the other end
        atWorstC: significant(worst.state.parts[i]?.tempC ?? part.tempC),
        limitC: part.limitC,
        fanShare: significant(part.speed),
      })),
      airflowM3h: significant(best.state.flowM3h),
      caseAirC: significant(best.state.outletC),
      shutsDown: best.shutsDown,
      noiseDbA: significant(noise.dbA),
      noiseLowerBound: noise.missing.length > 0,
      missing: facts.heat.setup.missing,
    })),
    price: {
      currency: facts.price.currency,
      ...facts.price.total,
      lowerBound: facts.price.unpriced.length > 0,
      unpriced: facts.price.unpriced,
    },
  };
}
