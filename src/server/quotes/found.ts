import { readQuote } from '@/store/quoteStore';
import { refuse } from '../refuse';
import type { Service } from '../service';

export const GONE = 'is not there any more; another window took it away';

/** A revision with its quote. @throws Refusal where it is gone */
export async function revisionOf(service: Service, id: string, revision: number) {
  const quote = await readQuote(service.db, id);
  const mine = quote?.revisions.find((each) => each.revision === revision);
  if (!quote || !mine) refuse('quote', GONE);
  return { quote, mine };
}
