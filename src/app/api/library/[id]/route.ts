import { service } from '@/server/instance';
import { partSheet } from '@/server/library';

export const dynamic = 'force-dynamic';

/** The sheet of one part. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const sheet = await partSheet(service(), decodeURIComponent(id));
  return sheet ? Response.json(sheet) : Response.json({ message: 'is not in the library any more' }, { status: 404 });
}
