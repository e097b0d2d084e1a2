import { service } from '@/server/instance';
import { quotesOf } from '@/server/quotes/manage';
import { answered } from '../../answered';

export const dynamic = 'force-dynamic';

/** The quotes that are made of a seat's drafts. */
export const GET = answered(async (request: Request) =>
  Response.json(await quotesOf(service(), new URL(request.url).searchParams.get('seat') ?? '')),
);
