import { answered, decoded } from '../../../answered';
import { service } from '@/server/instance';
import { exportCase } from '@/server/cases';

export const dynamic = 'force-dynamic';

/** A seat as a case file to save. */
export const GET = answered(
  async (_request: Request, { params }: { params: Promise<{ seat: string }> }): Promise<Response> => {
    const { seat } = await params;
    const file = await exportCase(service(), decoded(seat));
    if (!file) return Response.json({ message: 'there is no such seat' }, { status: 404 });
    return new Response(`${JSON.stringify(file, null, 1)}\n`, {
      headers: {
        'content-type': 'application/json',
        'content-disposition': `attachment; filename="${encodeURIComponent(seat)}.case.json"`,
      },
    });
  },
);
