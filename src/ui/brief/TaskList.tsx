'use client';

import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import type { Editing } from './editing';
import { TaskBlock } from './TaskBlock';

/** Tasks one under the other, each to be moved to another place. */
export function TaskList({ ids, brief, edit }: Editing & { readonly ids: readonly string[] }) {
  return (
    <SortableContext items={[...ids]} strategy={verticalListSortingStrategy}>
      {ids.map((id) => {
        const task = brief.tasks.find((candidate) => candidate.id === id);
        return task && <TaskBlock key={id} task={task} edit={edit} />;
      })}
    </SortableContext>
  );
}
