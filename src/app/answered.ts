import { troubleLine, troubleOf } from '@/server/trouble';

/** A route whose answer is a sentence when the database cannot be used. */
export const answered =
  <A extends readonly unknown[]>(route: (...args: A) => Promise<Response>) =>
  async (...args: A): Promise<Response> => {
    try {
      return await route(...args);
    } catch (error) {
      const trouble = troubleOf(error);
      if (!trouble) throw error;
      return Response.json({ message: troubleLine(trouble) }, { status: 503 });
    }
  };

/** JSON that the browser keeps and asks about: made and sent only where it is another than the one that is kept. */
export function unlessKept(request: Request, name: string, make: () => unknown): Response {
  const etag = `"${name}"`;
  if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers: { etag } });
  return Response.json(make(), { headers: { etag, 'cache-control': 'no-cache' } });
}

/** Part of an address as it was meant; one that is no valid escape is itself. */
export function decoded(part: string): string {
  try {
    return decodeURIComponent(part);
  } catch {
    return part;
  }
}
