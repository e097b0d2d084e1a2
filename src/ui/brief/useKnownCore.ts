import { knownCore, type KnownCore } from '@/core/words/knownCore';
import { useJudge } from '../seat/moment';
import { useSeat } from '../seat/useSeat';

/** A core of the seat's present machine, else the reference core. */
export function useKnownCore(): KnownCore {
  const judge = useJudge();
  const present = useSeat((state) => state.bundle.drafts.find(({ body }) => body.present === true)?.body);
  return knownCore(present && judge(present));
}
