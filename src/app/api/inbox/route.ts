import { keepUpload } from '@/server/inbox';
import { UnreadableFile } from '@/server/import/text';
import { service } from '@/server/instance';

export const dynamic = 'force-dynamic';

/** Takes a file as it arrives; its name comes in the address. */
export async function POST(request: Request): Promise<Response> {
  const name = new URL(request.url).searchParams.get('name') ?? 'file';
  if (!request.body) return Response.json({ message: 'the file is empty' }, { status: 400 });
  try {
    return Response.json(await keepUpload(service(), name, request.body));
  } catch (error) {
    if (error instanceof UnreadableFile) return Response.json({ message: error.message }, { status: 413 });
    throw error;
  }
}
