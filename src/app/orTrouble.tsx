import type { ReactNode } from 'react';
import { troubleOf } from '@/server/trouble';
import { TroublePage } from '@/ui/shared/TroublePage';

/** A page, or what is the matter with the database that it needs. */
export async function orTrouble(page: () => Promise<ReactNode>): Promise<ReactNode> {
  try {
    return await page();
  } catch (error) {
    const trouble = troubleOf(error);
    if (!trouble) throw error;
    return <TroublePage trouble={trouble} />;
  }
}
