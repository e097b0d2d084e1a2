import { answered } from '../../../answered';
import { service } from '@/server/instance';
import { successionsOfKind } from '@/server/prices/history';

export const dynamic = 'force-dynamic';

/** What a maker's next parts of a kind have done to prices in a region. */
export const GET = answered(async (request: Request): Promise<Response> => {
  const asked = new URL(request.url).searchParams;
  return Response.json(await successionsOfKind(service(), asked.get('kind') ?? '', asked.get('region') ?? ''));
});
