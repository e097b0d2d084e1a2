import { NextResponse, type NextRequest } from 'next/server';
import { turnedAway } from '@/server/door/guard.mjs';
import { HEADERS } from '@/server/door/answers.mjs';
import { policy } from '@/server/door/policy.mjs';

/**
 * Files that are given go past: the framework would hold their bodies in memory here and cut them at 10 MB. Their route
 * asks the same guard itself.
 */
export const config = { matcher: ['/((?!api/inbox$).*)'] };

/** The door: every request comes through here, and every answer leaves with the same headers. */
export function proxy(request: NextRequest): NextResponse {
  const nonce = Buffer.from(crypto.getRandomValues(new Uint8Array(16))).toString('base64');
  const rules = policy(nonce, process.env.NODE_ENV === 'development');
  const refused = turnedAway({ method: request.method, header: (name) => request.headers.get(name) });
  let answer: NextResponse;
  if (refused) answer = NextResponse.json({ message: refused.message }, { status: refused.status });
  else {
    const headers = new Headers(request.headers);
    // the framework marks its own scripts with the nonce that it finds here
    headers.set('content-security-policy', rules);
    headers.set('x-nonce', nonce);
    answer = NextResponse.next({ request: { headers } });
  }
  answer.headers.set('content-security-policy', rules);
  for (const [name, value] of Object.entries(HEADERS)) answer.headers.set(name, value);
  return answer;
}
