import { answered } from '../../../answered';
import { PART_KINDS } from '@/core/parts';
import { goodsOfKind } from '@/server/catalogueFor';
import { service } from '@/server/instance';

export const dynamic = 'force-dynamic';

/** All parts of a kind with their offers; what has not changed is answered from the browser's cache. */
export const GET = answered(
  async (request: Request, { params }: { params: Promise<{ kind: string }> }): Promise<Response> => {
    const asked = (await params).kind;
    const kind = PART_KINDS.find((name) => name === asked);
    if (!kind)
      return Response.json(
        { message: `"${asked.slice(0, 40)}" is no kind of part; there are ${PART_KINDS.join(', ')}` },
        { status: 404 },
      );
    const known = await service().catalogue();
    const etag = `"catalogue-${known.revision}-${kind}"`;
    if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers: { etag } });
    return Response.json(goodsOfKind(kind, known), { headers: { etag, 'cache-control': 'no-cache' } });
  },
);
