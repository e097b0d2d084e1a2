'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import DialogActions from '@mui/material/DialogActions';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { useForm, useWatch, type Control, type UseFormRegister, type FieldErrors } from 'react-hook-form';
import { z } from 'zod';
import type { Problem } from '@/core/formats/problems';
import { OWN_PROJECT } from '@/core/model/brief';
import { LONGEST_NAME, plainText } from '@/core/parts/common';
import { beginSeat } from '@/server/actions';
import { seatAddress } from '@/core/model/addresses';

/** A project that a seat may join. */
export interface ProjectChoice {
  readonly id: string;
  readonly name: string;
}

/** The choice that stands for a project that is made with the seat. */
const NEW = '';

const formSchema = z
  .object({
    name: plainText(LONGEST_NAME),
    project: z.string(),
    newProject: z.string().trim().max(LONGEST_NAME),
    budget: z
      .string()
      .trim()
      .regex(/^(\d{1,9}([.,]\d{1,3})?)?$/, 'is no amount; leave it empty when it is not decided'),
  })
  .superRefine(({ project, newProject }, context) => {
    const read = project === NEW ? plainText(LONGEST_NAME).safeParse(newProject) : undefined;
    if (read && !read.success)
      context.addIssue({
        code: 'custom',
        path: ['newProject'],
        message: read.error.issues[0]?.message ?? 'is no name',
      });
  });
export type SeatForm = z.infer<typeof formSchema>;

const ownProject = (projects: readonly ProjectChoice[]): string =>
  projects.find(({ name }) => name === OWN_PROJECT)?.id ?? NEW;

/** The form that makes a seat, and what came of it. */
export function useSeatForm(projects: readonly ProjectChoice[], name: string, station: 'brief' | 'draft') {
  const router = useRouter();
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const form = useForm<SeatForm>({
    resolver: zodResolver(formSchema),
    defaultValues: { name, project: ownProject(projects), newProject: OWN_PROJECT, budget: '' },
  });
  const submit = (more: (values: SeatForm) => object) =>
    form.handleSubmit(async (values) => {
      const result = await beginSeat({
        name: values.name,
        project: values.project === NEW ? { name: values.newProject } : { id: values.project },
        ...(values.budget === '' ? {} : { budget: values.budget.replace(',', '.') }),
        ...more(values),
      });
      if (result.state === 'refused') setProblems(result.problems);
      else router.push(seatAddress(result.projectId, result.seatId, station));
    });
  return { form, problems, submit };
}

interface FieldsProps {
  readonly register: UseFormRegister<SeatForm>;
  readonly control: Control<SeatForm>;
  readonly errors: FieldErrors<SeatForm>;
  readonly projects: readonly ProjectChoice[];
}

/** Whose seat it is, and in which project. */
export function SeatFields({ register, control, errors, projects }: FieldsProps) {
  const project = useWatch({ control, name: 'project' });
  return (
    <Stack direction="row" sx={{ gap: 3, flexWrap: 'wrap', alignItems: 'flex-start' }}>
      <TextField
        label="Seat"
        sx={{ width: 210 }}
        error={errors.name !== undefined}
        helperText={errors.name?.message}
        {...register('name')}
      />
      {projects.length > 0 && (
        <TextField
          select
          label="Project"
          sx={{ width: 230 }}
          defaultValue={ownProject(projects)}
          slotProps={{
            htmlInput: { 'aria-label': 'Project' },
            select: { displayEmpty: true },
            inputLabel: { shrink: true },
          }}
          {...register('project')}
        >
          {projects.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
          <MenuItem value={NEW}>A new project</MenuItem>
        </TextField>
      )}
      {project === NEW && (
        <TextField
          label="New project"
          sx={{ width: 210 }}
          error={errors.newProject !== undefined}
          helperText={errors.newProject?.message}
          {...register('newProject')}
        />
      )}
    </Stack>
  );
}

/** What the app said against it. */
export function NotMade({ problems }: { problems: readonly Problem[] }) {
  if (problems.length === 0) return null;
  return (
    <Alert severity="error" sx={{ mt: 2 }}>
      The seat is not made: {problems.map(({ path, message }) => `${path} ${message}`).join('; ')}.
    </Alert>
  );
}

interface SeatFootProps {
  readonly making: boolean;
  readonly make: string;
  readonly onClose: () => void;
  readonly children?: ReactNode;
}

/** The foot of a door's dialog: leave it, or make the seat. */
export function SeatFoot({ making, make, onClose, children }: SeatFootProps) {
  return (
    <DialogActions>
      <Button color="inherit" onClick={onClose}>
        Close
      </Button>
      {children}
      <Button type="submit" variant="contained" disabled={making} autoFocus>
        {making ? 'Making the seat …' : make}
      </Button>
    </DialogActions>
  );
}
