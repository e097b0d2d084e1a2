import { createTransport } from 'nodemailer';
import { quoteCsv } from '@/core/formats/paper/csv';
import { quotePage } from '@/core/formats/paper/html';
import type { Quote } from '@/core/quote/document';
import { paperWords } from '@/core/words/paper';
import { quotePdf } from '../papers/pdf';
import { refuse } from '../refuse';

/** How long a mail server may take, ms. */
const PATIENCE_MS = 8_000;

/** Where answers to a letter go: what the workshop can be reached at, where that is an address. */
const addressOf = (reach = ''): string =>
  reach.split(/[\s<>,;]/).find((word) => word.includes('@')) ?? 'workshop@localhost';

/**
 * Hands a quote over to the mail server of this machine: a letter with the PDF and the page that reads without the app.
 * Source: RFC 5321 (SMTP).
 * @param page address on which the client may answer
 * @throws Refusal where the server is not there or does not take it
 */
export async function sendQuote(
  port: number,
  to: string,
  quote: Quote,
  { logo, page }: { logo: Buffer | undefined; page: string | undefined },
): Promise<void> {
  const { subject, text } = paperWords(quote.locale).said.letter(quote);
  const name = `quote-${quote.number.replace(/[^\w-]/g, '-')}-${quote.revision}`;
  const transport = createTransport({
    host: '127.0.0.1',
    port,
    secure: false,
    ignoreTLS: true,
    connectionTimeout: PATIENCE_MS,
    greetingTimeout: PATIENCE_MS,
    socketTimeout: PATIENCE_MS,
  });
  try {
    await transport.sendMail({
      from: { name: quote.from.name, address: addressOf(quote.from.reach) },
      to,
      subject,
      text: page === undefined ? text : `${text}\n\n${page}\n`,
      attachments: [
        { filename: `${name}.pdf`, content: await quotePdf(quote, logo), contentType: 'application/pdf' },
        { filename: `${name}.html`, content: quotePage(quote), contentType: 'text/html; charset=utf-8' },
        { filename: `${name}.csv`, content: quoteCsv(quote), contentType: 'text/csv; charset=utf-8' },
      ],
    });
  } catch (error) {
    refuse(
      'mail',
      `was not taken by the mail server on port ${port}: ${error instanceof Error ? error.message : String(error)}. Nothing was sent; start the server, or send it as a file`,
    );
  } finally {
    transport.close();
  }
}
