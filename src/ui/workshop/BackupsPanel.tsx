'use client';

import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Problem } from '@/core/formats/problems';
import { backUp, tryBackup } from '@/server/actions';
import type { BackupRow } from '@/server/contract';
import { Panel } from '../shared/Panel';
import { Problems } from '../shared/Problems';

const SHOWN = 4;

/** The last backups, one more at a press, and each tried in a scratch database. */
export function BackupsPanel({ backups, kept }: { backups: readonly BackupRow[]; kept: number }) {
  const router = useRouter();
  const [busy, setBusy] = useState<string>();
  const [told, setTold] = useState<string>();
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const run = async (what: string, work: () => ReturnType<typeof backUp>) => {
    setBusy(what);
    setTold(undefined);
    setProblems([]);
    try {
      const result = await work();
      if (result.state === 'refused') setProblems(result.problems);
      else setTold(result.text);
      router.refresh();
    } finally {
      setBusy(undefined);
    }
  };
  return (
    <Panel title="Backups">
      <Typography variant="body2" color="text.secondary">
        {kept > 0 ? `One a day beside the database, the last ${kept} kept.` : 'None are made by the clock.'} With the
        app ended, <code>vane restore FILE</code> puts one back.
      </Typography>
      <Stack component="ul" sx={{ listStyle: 'none', p: 0, my: 0.5 }}>
        {backups.slice(0, SHOWN).map(({ name, at, bytes }) => (
          <Stack component="li" key={name} direction="row" sx={{ alignItems: 'center', gap: 1 }}>
            <Typography variant="body2" sx={{ flexGrow: 1 }}>
              {at.slice(0, 16).replace('T', ' ')} UTC, {Math.max(0.1, bytes / 1e6).toFixed(1)} MB
            </Typography>
            <Button size="small" disabled={busy !== undefined} onClick={() => void run(name, () => tryBackup(name))}>
              {busy === name ? 'Trying …' : 'Try it'}
            </Button>
          </Stack>
        ))}
      </Stack>
      <Button
        variant="outlined"
        size="small"
        disabled={busy !== undefined}
        onClick={() => void run('new', () => backUp())}
      >
        {busy === 'new' ? 'Backing up …' : 'Back up now'}
      </Button>
      {told && (
        <Typography variant="body2" role="status" sx={{ mt: 0.5, overflowWrap: 'anywhere' }}>
          {told}
        </Typography>
      )}
      {problems.length > 0 && <Problems title="No backup" list={problems} />}
    </Panel>
  );
}
