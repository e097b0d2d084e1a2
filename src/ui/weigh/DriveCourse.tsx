'use client';

import Box from '@mui/material/Box';
import { resourceKey } from '@/core/figures/resources';
import type { Assessment } from '@/core/assess';
import { fullName } from '@/core/model/fitted';
import { writeCourse } from '@/core/predict/driveWrites';
import { driveFor } from '@/core/work/flowEnds';
import type { Task } from '@/core/model/tasks';
import { duration, number } from '@/core/words/format';

const rate = (bytesPerS: number) => `${number(bytesPerS / 1e6, 3)} MB/s`;

/** How long a drive's fast-write cache lasts at what the task's sitting writes, and what is left after it. */
export function DriveCourse({ task, assessment }: { task: Task; assessment: Assessment }) {
  const { parts, sittings } = assessment.facts;
  const result = assessment.tasks.find((entry) => entry.task === task.id);
  const sitting = sittings.find((entry) => entry.sitting === result?.sitting);
  if (!sitting) return null;
  const asked = new Map<string, number>();
  const add = (item: string | undefined, bytesPerS: number) =>
    item !== undefined && bytesPerS > 0 && asked.set(item, (asked.get(item) ?? 0) + bytesPerS);
  for (const other of sitting.tasks)
    for (const use of other.uses) {
      const key = resourceKey(use.resource);
      if (key.of === 'drive' && key.direction === 'write' && other.mode === 'real-time')
        add(driveFor({ parts }, key.role)?.item.id, use.demand.value);
    }
  for (const { flow } of sitting.flows) add(flow.to, flow.bytesPerS);
  const rows = parts.ofKind('drive').flatMap(({ item, part }) => {
    const bytesPerS = asked.get(item.id);
    const course = bytesPerS === undefined ? undefined : writeCourse(part, bytesPerS);
    return course && bytesPerS !== undefined ? [{ item: item.id, name: fullName(part), bytesPerS, course }] : [];
  });
  if (rows.length === 0) return null;
  return (
    <Box component="section" aria-label="Drives over time" sx={{ marginBottom: '16px' }}>
      <h3>Drives, written in this sitting</h3>
      {rows.map(({ item, name, bytesPerS, course }) => (
        <p key={item} className="small">
          {name}: {rate(bytesPerS)} asked;{' '}
          {course.fullAfterS === undefined ? (
            course.after >= bytesPerS ? (
              'held for as long as there is space.'
            ) : (
              <span className="short">takes {rate(course.after)} from the start; its cache is not known.</span>
            )
          ) : (
            <span className="between">
              takes {rate(course.before)} for {duration(course.fullAfterS)}, then {rate(course.after)}.
            </span>
          )}
        </p>
      ))}
    </Box>
  );
}
