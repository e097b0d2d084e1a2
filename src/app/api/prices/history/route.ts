import { answered } from '../../../answered';
import { service } from '@/server/instance';
import { draftHistory, partHistory } from '@/server/prices/history';

export const dynamic = 'force-dynamic';

/** Price by day: of a part in a region (`part`, `region`), or of a whole draft (`seat`, `draft`). */
export const GET = answered(async (request: Request): Promise<Response> => {
  const asked = new URL(request.url).searchParams;
  const get = (name: string) => asked.get(name) ?? '';
  const view =
    asked.get('part') === null
      ? await draftHistory(service(), get('seat'), get('draft'))
      : await partHistory(service(), get('part'), get('region'));
  return view
    ? Response.json(view, { headers: { 'cache-control': 'no-store' } })
    : Response.json({ message: 'there is no such part or draft' }, { status: 404 });
});
