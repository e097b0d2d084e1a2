import { answered } from '../../../answered';
import { cancelUpload } from '@/server/files';
import { service } from '@/server/instance';
import { jobOutcome } from '@/server/jobs';

export const dynamic = 'force-dynamic';

/** How far the work on an upload is. */
export const GET = answered(
  async (_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    const { id } = await params;
    return Response.json((await jobOutcome(service(), id)) ?? { state: 'none' });
  },
);

/** Ends the work on it; nothing of it stays. */
export const DELETE = answered(
  async (_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    const { id } = await params;
    cancelUpload(id);
    return Response.json({ state: 'cancelled' });
  },
);
