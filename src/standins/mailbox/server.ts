import { createServer, type Server } from 'node:http';
import { simpleParser, type ParsedMail } from 'mailparser';
import { SMTPServer } from 'smtp-server';

/** A letter as it arrived. */
export interface Letter {
  readonly at: string;
  readonly from: string;
  readonly to: string;
  readonly subject: string;
  readonly text: string;
  readonly attachments: readonly { readonly name: string; readonly type: string; readonly content: Buffer }[];
}

/** Letters that are kept; the oldest go first. */
const KEPT = 200;
const LARGEST_BYTES = 20_000_000;

/** A simulated mailbox of a client: takes letters as any mail server does (RFC 5321), and shows what arrived. */
export function mailbox(): { readonly smtp: SMTPServer; readonly page: Server; readonly letters: readonly Letter[] } {
  const letters: Letter[] = [];
  const smtp = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    size: LARGEST_BYTES,
    onData: (stream, _session, done) => {
      simpleParser(stream).then(
        (mail) => {
          letters.unshift(letterOf(mail));
          letters.splice(KEPT);
          done();
        },
        (error: unknown) => done(error instanceof Error ? error : new Error(String(error))),
      );
    },
  });
  smtp.on('error', (error) => console.error(`the simulated mailbox: ${error.message}`));
  const page = createServer((request, response) => {
    const [, number, name] = /^\/(\d+)\/(\d+)$/.exec(request.url ?? '') ?? [];
    const attachment = letters[Number(number)]?.attachments[Number(name)];
    if (attachment) {
      response.writeHead(200, {
        'content-type': attachment.type,
        'content-disposition': `inline; filename="${attachment.name.replace(/[^\w.-]/g, '-')}"`,
        'x-content-type-options': 'nosniff',
      });
      return response.end(attachment.content);
    }
    response.writeHead(request.url === '/' ? 200 : 404, {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'",
    });
    response.end(pageOf(letters));
  });
  return { smtp, page, letters };
}

const addresses = (said: ParsedMail['to']): string =>
  (Array.isArray(said) ? said : said ? [said] : []).map(({ text }) => text).join(', ');

const letterOf = (mail: ParsedMail): Letter => ({
  at: (mail.date ?? new Date()).toISOString(),
  from: mail.from?.text ?? '',
  to: addresses(mail.to),
  subject: mail.subject ?? '',
  text: mail.text ?? '',
  attachments: mail.attachments.map(({ filename, contentType, content }) => ({
    name: filename ?? 'file',
    type: contentType,
    content,
  })),
});

const ESCAPED: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const text = (said: string): string => said.replace(/[&<>"]/g, (char) => ESCAPED[char] ?? char);

const pageOf = (letters: readonly Letter[]): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Simulated mailbox</title>
<style>body{font:15px/1.45 system-ui,sans-serif;color:#22262b;background:#f5f3ee;margin:0 auto;padding:32px;max-width:760px}
article{border-top:1px solid #d9d4c8;padding:12px 0}pre{white-space:pre-wrap;font:inherit}</style></head>
<body><h1>Simulated mailbox</h1><p>What was handed over to this machine’s simulated mail server; nothing went further.</p>
${letters.length === 0 ? '<p>Nothing has arrived.</p>' : ''}
${letters
  .map(
    ({ at, from, to, subject, text: body, attachments }, i) => `<article><h2>${text(subject)}</h2>
<p>${text(at.slice(0, 16).replace('T', ' '))} UTC, from ${text(from)} to ${text(to)}</p><pre>${text(body)}</pre>
<p>${attachments.map(({ name }, n) => `<a href="/${i}/${n}">${text(name)}</a>`).join(' ')}</p></article>`,
  )
  .join('\n')}
</body></html>
`;
