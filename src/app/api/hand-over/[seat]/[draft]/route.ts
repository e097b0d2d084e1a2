import { handOverPdf } from '@/server/handOver';
import { service } from '@/server/instance';
import { answered, decoded } from '../../../../answered';

export const dynamic = 'force-dynamic';

/** The sheet that goes with a machine, as a PDF to save. */
export const GET = answered(
  async (_request: Request, { params }: { params: Promise<{ seat: string; draft: string }> }): Promise<Response> => {
    const { seat, draft } = await params;
    const pdf = await handOverPdf(service(), decoded(seat), decoded(draft));
    if (!pdf) return Response.json({ message: 'there is no such draft' }, { status: 404 });
    return new Response(new Uint8Array(pdf), {
      headers: {
        'content-type': 'application/pdf',
        'content-disposition': `attachment; filename="hand-over-${encodeURIComponent(decoded(seat))}.pdf"`,
      },
    });
  },
);
