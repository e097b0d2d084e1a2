import { subjectOf } from '@/core/assess';
import { cableWaysOf } from '@/core/assemble/cableWays';
import { detailsOf } from '@/core/assemble/details';
import { planOf } from '@/core/assemble/plan';
import { FIRST } from '@/core/model/machine';
import type { CatalogueData } from '@/core/model/catalogueSchema';
import { inPhase } from '@/core/model/phases';
import { CRAFT, detailWords, gapWords, minutesWords, stepTitle, whyLines } from '@/core/words/assemble';
import { openCase } from './openCase';
import { optionsOf, refuse, say } from './say';

const PLAN_USE = 'vane plan CASE.json [--machine ID] [--json]';

/** Prints how each machine of a case is put together; with `--json` as `{machines: [{id, steps}]}`. */
export async function planCommand(args: readonly string[], around: () => Promise<CatalogueData>): Promise<number> {
  const json = args.includes('--json');
  const read = optionsOf(
    args.filter((arg) => arg !== '--json'),
    ['machine'],
  );
  if ('problem' in read) return refuse([read.problem]);
  const [path] = read.rest;
  if (path === undefined) return refuse([{ path: 'CASE.json', message: `is missing; use: ${PLAN_USE}` }]);
  const opened = await openCase(path, around);
  if ('problems' in opened) return refuse(opened.problems);
  const { file, context } = opened;
  const wanted = read.options.get('machine')?.[0];
  const chosen = file.machines.filter(({ id }) => wanted === undefined || id === wanted);
  if (chosen.length === 0)
    return refuse([
      {
        path: wanted ?? path,
        message: `is no machine of this case; there are ${file.machines.map(({ id }) => id).join(', ') || 'none'}`,
      },
    ]);
  const subject = subjectOf(file.brief, context);
  const machines = chosen.map((machine) => {
    const assessment = subject.assess(inPhase(machine, FIRST));
    const plan = planOf(assessment);
    return { machine, assessment, plan, ways: cableWaysOf(assessment, plan.steps) };
  });
  if (json)
    say(
      JSON.stringify(
        {
          machines: machines.map(({ machine, assessment, plan, ways }) => ({
            id: machine.id,
            minutes: plan.minutes,
            steps: plan.steps.map((step) => ({
              id: step.id,
              does: stepTitle(step, assessment),
              here: detailsOf(step, assessment, ways).map(detailWords),
              code: step.code,
              mounts: step.mounts,
              after: step.before.map(({ step: before, why }) => ({ step: before, ...why })),
              minutes: step.minutes,
              lasting: step.lasting,
            })),
            gaps: plan.gaps.map((gap) => gapWords(gap, assessment)),
            knots: plan.knots,
          })),
        },
        null,
        1,
      ),
    );
  else
    for (const { machine, assessment, plan, ways } of machines) {
      say(`${machine.name}: ${plan.steps.length} steps, ${minutesWords(plan.minutes)}`);
      for (const gap of plan.gaps) say(`  ! ${gapWords(gap, assessment)}`);
      const titles = new Map(plan.steps.map((step) => [step.id, stepTitle(step, assessment)]));
      plan.steps.forEach((step, i) => {
        say(
          `${String(i + 1).padStart(3)}. ${titles.get(step.id) ?? ''}${step.lasting ? ' (cannot be undone without loss)' : ''}`,
        );
        const craft = CRAFT[step.code];
        say(`     ${craft.with}; not: ${craft.mistake}; right when: ${craft.right}`);
        for (const detail of detailsOf(step, assessment, ways)) say(`     ${detailWords(detail)}`);
        // that all of it comes before the case is closed needs no words
        if (step.code !== 'close') {
          const covered = step.before.filter(({ why }) => why.code === 'covers');
          for (const line of whyLines(covered, (before) => titles.get(before) ?? before)) say(`     ${line}`);
        }
      });
    }
  return machines.some(({ plan }) => plan.gaps.length > 0 || plan.knots.length > 0) ? 3 : 0;
}
