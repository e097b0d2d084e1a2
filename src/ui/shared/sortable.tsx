'use client';

import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useDroppable,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
} from '@dnd-kit/core';
import { sortableKeyboardCoordinates, useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import type { CSSProperties, ReactNode } from 'react';
import { GripIcon } from './icons';

const HOW = 'Space takes it, the arrow keys move it, Space lets it go, Escape leaves it where it was.';

interface DraggingProps {
  readonly children: ReactNode;
  /** What a screen reader calls a thing, or a place where things are let go. */
  readonly nameOf: (id: string) => string;
  /** `over` is the id of what it was let go on. */
  readonly onMoved: (id: string, over: string) => void;
}

/** Around things whose order matters: they are moved with the pointer, or with Space and the arrow keys. */
export function Dragging({ children, nameOf, onMoved }: DraggingProps) {
  const sensors = useSensors(
    // a press is no move
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const end = ({ active, over }: DragEndEvent) => {
    if (over && over.id !== active.id) onMoved(String(active.id), String(over.id));
  };
  const name = (it: { readonly id: string | number } | null): string => (it ? nameOf(String(it.id)) : 'nothing');
  const announcements: Announcements = {
    onDragStart: ({ active }) => `${name(active)} is held.`,
    onDragOver: ({ active, over }) => `${name(active)} is over ${name(over)}.`,
    onDragEnd: ({ active, over }) => `${name(active)} is let go on ${name(over)}.`,
    onDragCancel: ({ active }) => `${name(active)} stays where it was.`,
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={{ announcements, screenReaderInstructions: { draggable: HOW } }}
      onDragEnd={end}
    >
      {children}
    </DndContext>
  );
}

/** One of the things: where it is drawn now, and what it is taken by. */
export function useMovable(id: string, name: string) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id,
  });
  const style: CSSProperties = {
    transform: CSS.Translate.toString(transform),
    ...(transition === undefined ? {} : { transition }),
    ...(isDragging ? { position: 'relative', zIndex: 3, background: 'var(--sheet)' } : {}),
  };
  const handle = (
    <IconButton
      ref={setActivatorNodeRef}
      {...attributes}
      {...listeners}
      aria-label={`Move ${name}`}
      className="unprinted"
      sx={{ cursor: 'grab', p: 0, width: 24, height: 24, color: 'var(--quiet)', touchAction: 'none' }}
    >
      <GripIcon fontSize="small" />
    </IconButton>
  );
  return { ref: setNodeRef, style, handle };
}

/** The head of a list that things are let go on, also where the list is empty. */
export function DropHead({ id, children }: { id: string; children: ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id });
  return (
    <Box
      ref={setNodeRef}
      className="row"
      sx={{
        borderBottom: '1px solid var(--edge)',
        paddingBottom: '2px',
        justifyContent: 'space-between',
        ...(isOver ? { background: 'var(--carries-soft)' } : {}),
      }}
    >
      {children}
    </Box>
  );
}
