'use client';

import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { memo } from 'react';
import { shallow } from 'zustand/shallow';
import type { Task } from '@/core/model/tasks';
import type { EditBrief } from './editing';
import { TaskBlock } from './TaskBlock';

interface TaskListProps {
  readonly ids: readonly string[];
  /** All of the brief's. */
  readonly tasks: readonly Task[];
  readonly edit: EditBrief;
}

/** Tasks one under the other, each to be moved to another place; what else their sitting is does not touch them. */
export const TaskList = memo(List, ({ ids: were, ...was }, { ids, ...is }) => shallow(were, ids) && shallow(was, is));

function List({ ids, tasks, edit }: TaskListProps) {
  return (
    <SortableContext items={[...ids]} strategy={verticalListSortingStrategy}>
      {ids.map((id) => {
        const task = tasks.find((candidate) => candidate.id === id);
        return task && <TaskBlock key={id} task={task} edit={edit} />;
      })}
    </SortableContext>
  );
}
