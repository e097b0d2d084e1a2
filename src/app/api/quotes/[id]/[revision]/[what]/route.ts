import { insideCsv, quoteCsv } from '@/core/formats/paper/csv';
import { quotePage } from '@/core/formats/paper/html';
import { service } from '@/server/instance';
import { quotePdf } from '@/server/papers/pdf';
import { quoteDetail } from '@/server/quotes/manage';
import { quoteRisk } from '@/server/quotes/risk';
import { readLogo } from '@/store/quoteStore';
import { answered, decoded } from '../../../../../answered';

export const dynamic = 'force-dynamic';

/** A revision of a quote: in full, its risk, or one of its papers as a file. */
export const GET = answered(
  async (_request: Request, { params }: { params: Promise<{ id: string; revision: string; what: string }> }) => {
    const { id, revision, what } = await params;
    const [quoteId, at] = [decoded(id), Number(revision)];
    if (what === 'risk') return Response.json(await quoteRisk(service(), quoteId, at));
    const detail = await quoteDetail(service(), quoteId, at);
    if (what === 'detail') return Response.json(detail);
    if (detail.state === 'refused')
      return Response.json({ message: detail.problems.map(({ message }) => message).join('; ') }, { status: 404 });
    const { quote, inside } = detail;
    const name = `quote-${quote.number.replace(/[^\w-]/g, '-')}-${quote.revision}`;
    const file = (body: BodyInit, type: string, ending: string) =>
      new Response(body, {
        headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}${ending}"` },
      });
    switch (what) {
      case 'pdf':
        return file(new Uint8Array(await quotePdf(quote, await readLogo(service().db))), 'application/pdf', '.pdf');
      case 'html':
        return file(quotePage(quote), 'text/html; charset=utf-8', '.html');
      case 'csv':
        return file(quoteCsv(quote), 'text/csv; charset=utf-8', '.csv');
      case 'json':
        return file(`${JSON.stringify(quote, null, 1)}\n`, 'application/json', '.json');
      case 'inside':
        return file(insideCsv(inside, quote.currency), 'text/csv; charset=utf-8', '-inside.csv');
      default:
        return Response.json({ message: 'there is no such paper' }, { status: 404 });
    }
  },
);
