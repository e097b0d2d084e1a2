import { answered } from '../../../answered';
import { Readable } from 'node:stream';
import { isSheet } from '@/core/formats/csv/sheets';
import { archiveElsewhere, exportBom, exportCatalogue, exportSheet } from '@/server/exports';
import { service } from '@/server/instance';

export const dynamic = 'force-dynamic';

const download = (name: string, type: string, body: ReadableStream<Uint8Array>): Response =>
  new Response(body, {
    headers: { 'content-type': type, 'content-disposition': `attachment; filename="${encodeURIComponent(name)}"` },
  });

const streamed = (source: NodeJS.ReadableStream | Iterable<string>): ReadableStream<Uint8Array> =>
  Readable.toWeb(
    source instanceof Readable ? source : Readable.from(source as Iterable<string>),
  ) as ReadableStream<Uint8Array>;

const MISSING = () => Response.json({ message: 'there is nothing of that name to save' }, { status: 404 });

/** Files to save: `catalogue`, a kind of part or `offer` as CSV, `archive?project=…`, `bom?seat=…&draft=…`. */
export const GET = answered(
  async (request: Request, { params }: { params: Promise<{ what: string }> }): Promise<Response> => {
    const { what } = await params;
    const query = new URL(request.url).searchParams;
    if (what === 'catalogue')
      return download('catalogue.json', 'application/json', streamed(await exportCatalogue(service())));
    if (what === 'archive') {
      const archive = await archiveElsewhere(service(), query.get('project') ?? undefined);
      return archive
        ? download(`${query.get('project') ?? 'everything'}.vane.zip`, 'application/zip', streamed(archive))
        : MISSING();
    }
    if (what === 'bom') {
      const bom = await exportBom(service(), query.get('seat') ?? '', query.get('draft') ?? '');
      return bom
        ? download(
            `${query.get('draft') ?? 'machine'}.cdx.json`,
            'application/vnd.cyclonedx+json',
            streamed([`${JSON.stringify(bom, null, 1)}\n`]),
          )
        : MISSING();
    }
    // a byte-order mark makes spreadsheets read the file as UTF-8
    if (isSheet(what))
      return download(
        `${what}.csv`,
        'text/csv; charset=utf-8',
        streamed(['\ufeff', ...(await exportSheet(service(), what))]),
      );
    return MISSING();
  },
);
