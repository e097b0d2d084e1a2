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

/** Part of an address as it was meant; one that is no valid escape is itself. */
export function decoded(part: string): string {
  try {
    return decodeURIComponent(part);
  } catch {
    return part;
  }
}
