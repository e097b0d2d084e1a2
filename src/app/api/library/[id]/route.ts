import { answered, decoded } from '../../../answered';
import { service } from '@/server/instance';
import { partSheet } from '@/server/library';

export const dynamic = 'force-dynamic';

/** The sheet of one part. */
export const GET = answered(
  async (_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    const { id } = await params;
    const sheet = await partSheet(service(), decoded(id));
    return sheet ? Response.json(sheet) : Response.json({ message: 'is not in the library any more' }, { status: 404 });
  },
);
