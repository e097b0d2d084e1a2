import { termsOf, workshopSchema, type QuoteTerms } from '@/core/quote/terms';
import { readWorkshop, writeLogo, writeWorkshop } from '@/store/quoteStore';
import { answering, DONE, read, refuse, type Done, type Refused } from '../refuse';
import type { Service } from '../service';
import { servePages } from './pages';

/** Terms of a quote that nobody said otherwise. */
export const termsFromWorkshop = async (service: Service): Promise<{ value: QuoteTerms }> => ({
  value: termsOf(await readWorkshop(service.db), { number: '1' }),
});

export async function saveWorkshop(service: Service, input: unknown): Promise<Done | Refused> {
  return answering(async () => {
    const workshop = read(workshopSchema, input);
    await writeWorkshop(service.db, workshop);
    await servePages(service);
    return DONE;
  });
}

/** Largest picture at the head of papers, bytes. */
const MOST_LOGO = 300_000;
const PNG = Buffer.from([0x89, 0x50, 0x4e, 0x47]);
const JPEG = Buffer.from([0xff, 0xd8, 0xff]);

/** Keeps a picture for the head of papers, from base64; without one takes it away. */
export async function saveLogo(service: Service, input: unknown): Promise<Done | Refused> {
  return answering(async () => {
    if (input === undefined || input === null) {
      await writeLogo(service.db, undefined);
      return DONE;
    }
    const bytes = Buffer.from(typeof input === 'string' ? input : '', 'base64');
    if (![PNG, JPEG].some((sign) => bytes.subarray(0, sign.length).equals(sign)))
      refuse('logo', 'is neither a PNG nor a JPEG picture; save it as one of these');
    if (bytes.length > MOST_LOGO)
      refuse('logo', `has ${Math.round(bytes.length / 1000)} kB; make it smaller than ${MOST_LOGO / 1000} kB`);
    await writeLogo(service.db, bytes);
    return DONE;
  });
}
