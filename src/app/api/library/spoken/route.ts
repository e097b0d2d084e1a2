import { answered } from '../../../answered';
import { service } from '@/server/instance';
import { spokenView } from '@/server/spoken';

export const dynamic = 'force-dynamic';

/** The parts that a machine in words names. */
export const GET = answered(async (request: Request): Promise<Response> => {
  const said = new URL(request.url).searchParams.get('said') ?? '';
  return Response.json(await spokenView(service(), said));
});
