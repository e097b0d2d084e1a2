// plain, because the server in front of the framework sends it too

export function policy(nonce, development) {
  const marked = nonce === undefined ? '' : ` 'nonce-${nonce}'`;
  return [
    "default-src 'none'",
    // development compiles as it goes
    `script-src 'self'${marked}${development ? " 'unsafe-eval'" : ''}`,
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
