import { mailbox } from './server';

/** Starts the simulated mailbox on loopback. Use: tsx src/standins/mailbox/main.ts SMTP_PORT PAGE_PORT */
const [smtpPort, pagePort] = process.argv.slice(2).map(Number);
if (!smtpPort || !pagePort) {
  console.error('use: main.ts SMTP_PORT PAGE_PORT');
  process.exit(2);
}
const { smtp, page } = mailbox();
const failed = (what: string, port: number) => (error: Error) => {
  console.error(`the ${what} of the simulated mailbox cannot start on port ${port}: ${error.message}`);
  process.exit(1);
};
smtp.once('error', failed('mail server', smtpPort));
page.once('error', failed('page', pagePort));
smtp.listen(smtpPort, '127.0.0.1');
page.listen(pagePort, '127.0.0.1', () => console.log(`simulated mailbox at http://127.0.0.1:${pagePort}`));
