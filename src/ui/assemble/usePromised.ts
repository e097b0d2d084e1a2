'use client';

import { useMemo } from 'react';
import type { Assessment } from '@/core/assess';
import { asPromised } from '@/core/prove/learning';
import { useDraft, useJudge } from '../seat/moment';

/** The draft as it was promised: what its own proof has taught since does not move what it is held to. */
export function usePromised(): Assessment {
  const draft = useDraft();
  const judge = useJudge();
  const promised = useMemo(() => asPromised(draft), [draft]);
  return judge(promised);
}
