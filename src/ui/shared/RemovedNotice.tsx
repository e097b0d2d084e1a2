'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Problem } from '@/core/formats/problems';
import { bringBack } from '@/server/actions';
import type { Removed } from '@/server/contract';
import { Problems } from './Problems';

/** What was removed, each to be brought back as it was. */
export function RemovedNotice({ removed }: { removed: readonly Removed[] }) {
  const router = useRouter();
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  return (
    <>
      {removed.map(({ id, label, at }) => (
        <Alert
          key={id}
          severity="info"
          icon={false}
          role="status"
          sx={{ mb: 2 }}
          action={
            <Button
              onClick={() =>
                void bringBack(id).then((result) => {
                  setProblems(result.state === 'refused' ? result.problems : []);
                  router.refresh();
                })
              }
            >
              Bring it back
            </Button>
          }
        >
          {label} is removed, since {at.slice(0, 16).replace('T', ', ')} UTC.
        </Alert>
      ))}
      {problems.length > 0 && <Problems title="Not brought back" list={problems} />}
    </>
  );
}
