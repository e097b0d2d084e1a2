import { answered, unlessKept } from '../../answered';
import { service } from '@/server/instance';

export const dynamic = 'force-dynamic';

/** The whole catalogue, for programs that want all of it; pages ask for what they use and for kinds. */
export const GET = answered(async (request: Request): Promise<Response> => {
  const { data, revision } = await service().catalogue();
  return unlessKept(request, `catalogue-${revision}`, () => data);
});
