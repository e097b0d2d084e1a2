'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import type { Problem } from '@/core/formats/problems';
import { settingsSchema, type Settings } from '@/core/model/settings';
import { saveSettings } from '@/server/actions';
import { Problems } from '../shared/Problems';

const reachSchema = settingsSchema.shape.sources.unwrap();
const { loopbackPorts, hosts, folder } = reachSchema.shape;

const words = (text: string): string[] => text.split(/[\s,;]+/).filter(Boolean);

/** A list as it is typed, read by the schema of the list. */
const typedList = <T,>(schema: z.ZodType<T>, read: (word: string) => unknown) =>
  z.string().superRefine((text, context) => {
    const result = schema.safeParse(words(text).map(read));
    for (const issue of result.error?.issues ?? []) context.addIssue({ code: 'custom', message: issue.message });
  });

const formSchema = z.object({
  ports: typedList(loopbackPorts, Number),
  hosts: typedList(hosts, String),
  folder: z.union([z.literal(''), folder.unwrap()]),
});
type Form = z.infer<typeof formSchema>;

/** What sources may reach beside public addresses: named, because a source is asked by this machine. */
export function ReachForm({ settings }: { settings: Settings }) {
  const router = useRouter();
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const { sources } = settings;
  const { register, handleSubmit, formState, reset } = useForm<Form>({
    resolver: zodResolver(formSchema),
    defaultValues: {
      ports: sources.loopbackPorts.join(', '),
      hosts: sources.hosts.join(', '),
      folder: sources.folder ?? '',
    },
  });
  const { errors, isDirty } = formState;
  const keep = handleSubmit(async (form) => {
    const result = await saveSettings({
      ...settings,
      sources: {
        loopbackPorts: words(form.ports).map(Number),
        hosts: words(form.hosts),
        ...(form.folder === '' ? {} : { folder: form.folder }),
      },
    });
    setProblems(result.state === 'refused' ? result.problems : []);
    if (result.state !== 'done') return;
    reset(form);
    router.refresh();
  });
  const field = (name: keyof Form, label: string, hint: string) => (
    <TextField
      label={label}
      error={errors[name] !== undefined}
      helperText={errors[name]?.message ?? hint}
      slotProps={{ inputLabel: { shrink: true } }}
      {...register(name)}
    />
  );
  return (
    <form noValidate aria-label="What sources may reach" onSubmit={(event) => void keep(event)}>
      <Typography variant="subtitle2" component="h3" sx={{ mt: 4, mb: 2 }}>
        What sources may reach beside public addresses
      </Typography>
      <Stack sx={{ gap: 3, maxWidth: 420 }}>
        {field('ports', 'Ports of this machine', 'none, unless a source runs here')}
        {field('hosts', 'Hosts of the private network', 'by name or address')}
        {field('folder', 'Folder of price files', 'files elsewhere are not read')}
      </Stack>
      {isDirty && (
        <Button type="submit" variant="outlined" sx={{ mt: 2 }}>
          Keep
        </Button>
      )}
      {problems.length > 0 && <Problems title="Not kept" list={problems} />}
    </form>
  );
}
