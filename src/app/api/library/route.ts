import { answered } from '../../answered';
import { service } from '@/server/instance';
import { librarySearchSchema, searchPage } from '@/server/library';

export const dynamic = 'force-dynamic';

/** One window of the grid: the question as JSON in `q`. */
export const GET = answered(async (request: Request): Promise<Response> => {
  const text = new URL(request.url).searchParams.get('q') ?? '';
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return Response.json({ message: 'the question is not JSON' }, { status: 400 });
  }
  const search = librarySearchSchema.safeParse(json);
  if (!search.success)
    return Response.json({ message: 'the question is not one that the library answers' }, { status: 400 });
  return Response.json(await searchPage(service(), search.data));
});
