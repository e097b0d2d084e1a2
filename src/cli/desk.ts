import { createInterface } from 'node:readline';
import { deskNow } from '@/server/deskSeats';
import { withService } from './files';
import { say } from './say';

/** Works out the desk for the app: one line of JSON for each line that it is asked with, until nobody asks. */
export const deskJobCommand = (): Promise<number> =>
  withService(async (service) => {
    for await (const asked of createInterface({ input: process.stdin }))
      if (asked !== '') say(JSON.stringify(await deskNow(service)));
    return 0;
  });
