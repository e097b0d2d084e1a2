/** What a page may do, and who may hold it: sent with every answer. `nonce` marks the scripts that we wrote ourselves. */
export function policy(nonce: string, development: boolean): string {
  return [
    "default-src 'none'",
    // development compiles as it goes
    `script-src 'self' 'nonce-${nonce}'${development ? " 'unsafe-eval'" : ''}`,
    // styles are written by the interface library as it renders; they carry no script
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "manifest-src 'self'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
    "object-src 'none'",
  ].join('; ');
}
