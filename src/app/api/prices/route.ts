import { answered } from '../../answered';
import { service } from '@/server/instance';
import { priceState } from '@/server/prices/manage';

export const dynamic = 'force-dynamic';

/** Sources of prices, the refresh that runs and the last one, watches and exchange rates. */
export const GET = answered(async (): Promise<Response> => {
  return Response.json(await priceState(service()), { headers: { 'cache-control': 'no-store' } });
});
