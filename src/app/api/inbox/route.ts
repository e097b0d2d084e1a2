import { turnedAway } from '@/server/door/guard.mjs';
import { answered } from '../../answered';
import { keepUpload } from '@/server/inbox';
import { UnreadableFile } from '@/server/import/text';
import { service } from '@/server/instance';

export const dynamic = 'force-dynamic';

/** Takes a file as it arrives; its name comes in the address. */
export const POST = answered(async (request: Request): Promise<Response> => {
  // the door lets its bodies pass unseen
  const refused = turnedAway({ method: request.method, header: (name) => request.headers.get(name) });
  if (refused) return Response.json({ message: refused.message }, { status: refused.status });
  const name = new URL(request.url).searchParams.get('name') ?? 'file';
  if (!request.body) return Response.json({ message: 'the file is empty' }, { status: 400 });
  try {
    return Response.json(await keepUpload(service(), name, request.body));
  } catch (error) {
    if (error instanceof UnreadableFile)
      return Response.json({ message: error.problems.map(({ message }) => message).join('; ') }, { status: 413 });
    throw error;
  }
});
