import { answered, unlessKept } from '../../../answered';
import { goodsEverywhere } from '@/core/model/needed';
import { PART_KINDS } from '@/core/parts';
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
    const { compiled, revision } = await service().catalogue();
    return unlessKept(request, `catalogue-${revision}-${kind}`, () => goodsEverywhere(compiled.ofKind(kind), compiled));
  },
);
