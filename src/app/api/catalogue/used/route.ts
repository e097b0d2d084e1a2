import { answered } from '../../../answered';
import { usedCatalogue } from '@/server/catalogueFor';
import { service } from '@/server/instance';

export const dynamic = 'force-dynamic';

/** The catalogue with the parts that machines use, for the page's workers. */
export const GET = answered(async (): Promise<Response> =>
  Response.json(await usedCatalogue(service()), { headers: { 'cache-control': 'no-store' } }),
);
