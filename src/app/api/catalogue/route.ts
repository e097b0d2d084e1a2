import { answered } from '../../answered';
import { service } from '@/server/instance';

export const dynamic = 'force-dynamic';

/** The whole compiled catalogue for the page's worker; unchanged revisions are answered from the browser's cache. */
export const GET = answered(async (request: Request): Promise<Response> => {
  const { data, revision } = await service().catalogue();
  const etag = `"catalogue-${revision}"`;
  if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers: { etag } });
  return Response.json(data, { headers: { etag, 'cache-control': 'no-cache' } });
});
