import { randomBytes } from 'node:crypto';
import { z } from 'zod';
import { insideOf, WAYS_TO_SEND } from '@/core/quote/kept';
import { UNNAMED, type Workshop } from '@/core/quote/terms';
import { readLogo, readWorkshop, writeSent, writeToken } from '@/store/quoteStore';
import { answering, DONE, read, refuse, type Done, type Refused } from '../refuse';
import { todayOf, type Service } from '../service';
import { compose, seatsNow } from './compose';
import { revisionOf } from './found';
import { sendQuote } from './mail';

const sendSchema = z.object({
  id: z.string().max(200),
  revision: z.number().int(),
  version: z.number().int(),
  how: z.enum(WAYS_TO_SEND),
  to: z.string().trim().max(200).optional(),
});

/** An address of a page: 24 bytes of chance. */
const newToken = (): string => randomBytes(24).toString('base64url');

export const pageAddress = ({ pages }: Workshop, token: string): string => `http://127.0.0.1:${pages.port}/${token}`;

/** Sends an open revision, and freezes it as it went out. */
export async function sendRevision(service: Service, input: unknown): Promise<Done | Refused> {
  return answering(async () => {
    const { id, revision, version, how, to } = read(sendSchema, input);
    const { mine } = await revisionOf(service, id, revision);
    if (mine.sent) refuse('revision', `was sent on ${mine.sent.on} already`);
    if (mine.version !== version)
      refuse('revision', 'was changed in another window; look at it again before it goes out');
    const workshop = await readWorkshop(service.db);
    const { terms } = mine.spec;
    const from = terms.from.name === UNNAMED.name ? workshop.from : terms.from;
    if (!from) refuse('from', 'has no name yet: say under Workshop what the workshop is called');
    const on = await todayOf(service);
    const seats = await seatsNow(service, mine.spec);
    const made = await compose(service, { ...mine.spec, terms: { ...terms, from, revision } }, seats, on);
    const token = workshop.pages.on && how !== 'file' ? newToken() : undefined;
    if (how === 'page' && token === undefined)
      refuse('page', 'pages for clients are off; turn them on under Workshop, or send it by mail or as a file');
    if (how === 'mail') {
      if (workshop.mailPort === undefined)
        refuse('mail', 'no mail server is named under Workshop; name one, or send it as a file');
      if (to === undefined || !/^[^\s@<>]+@[^\s@<>]+$/.test(to)) refuse('to', 'is no address; write it as name@place');
      await sendQuote(workshop.mailPort, to, made.quote, {
        logo: await readLogo(service.db),
        page: token === undefined ? undefined : pageAddress(workshop, token),
      });
    }
    const sent = {
      on,
      how,
      ...(to === undefined || to === '' ? {} : { to }),
      quote: made.quote,
      inside: insideOf(made.inside, made.quote),
      seats,
    };
    if (!(await writeSent(service.db, id, revision, sent, token))) refuse('revision', 'was sent from another window');
    return DONE;
  });
}

/** Takes the page of a revision away; its address answers as one that never was. */
export async function withdrawPage(service: Service, id: string, revision: number): Promise<Done | Refused> {
  return answering(async () => {
    await revisionOf(service, id, revision);
    await writeToken(service.db, id, revision, undefined);
    return DONE;
  });
}
