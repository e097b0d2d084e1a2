import { answered } from '../../../answered';
import { service } from '@/server/instance';
import { waitingOnKind } from '@/server/prices/history';

export const dynamic = 'force-dynamic';

/** What waiting has been worth on parts of a kind in a region. */
export const GET = answered(async (request: Request): Promise<Response> => {
  const asked = new URL(request.url).searchParams;
  return Response.json(await waitingOnKind(service(), asked.get('kind') ?? '', asked.get('region') ?? ''));
});
