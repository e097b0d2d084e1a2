'use client';

import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Problem } from '@/core/formats/problems';
import type { WayToSend } from '@/core/quote/kept';
import type { Workshop } from '@/core/quote/terms';
import { coins } from '@/core/words/format';
import { answerQuote, dropRevision, orderAgain, sendRevision, withdrawPage } from '@/server/actions';
import type { Done, QuoteDetail, QuoteView, Refused, RevisionView } from '@/server/contract';
import { Problems } from '../shared/Problems';
import { TextButton } from '../shared/TextButton';
import { AnswerForm } from './AnswerForm';
import { paperUrl } from './useQuotes';

interface Props {
  readonly quote: QuoteView;
  readonly revision: RevisionView;
  readonly detail: QuoteDetail | undefined;
  readonly workshop: Workshop;
  readonly named: boolean;
  readonly reload: () => Promise<void>;
}

/** What goes out, how, and what came back. */
export function Send({ quote, revision, detail, workshop, named, reload }: Props) {
  const [busy, setBusy] = useState(false);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [to, setTo] = useState(revision.spec.terms.client?.reach ?? '');
  const run = async (work: () => Promise<Done | Refused>) => {
    setBusy(true);
    try {
      const result = await work();
      setProblems(result.state === 'refused' ? result.problems : []);
      await reload();
    } finally {
      setBusy(false);
    }
  };
  const send = (how: WayToSend) =>
    void run(() =>
      sendRevision({
        id: quote.id,
        revision: revision.revision,
        version: revision.version,
        how,
        ...(how === 'mail' ? { to } : {}),
      }),
    );
  const { sent, answer, page, state } = revision;
  return (
    <section aria-label={`Quote ${quote.number}`}>
      <Typography component="h2" variant="h2">
        Quote {quote.number}, revision {revision.revision}
      </Typography>
      <Papers quote={quote} revision={revision} ready={detail !== undefined} />
      {!sent && (
        <Stack sx={{ gap: 1.5, mt: 2, alignItems: 'flex-start' }}>
          {!named && (
            <p className="caution">
              ◆ Say under Workshop what the workshop is called; nothing goes out without a name.
            </p>
          )}
          {workshop.mailPort !== undefined && (
            <Stack direction="row" sx={{ gap: 1.5, alignSelf: 'stretch' }}>
              <TextField
                label="Client’s address"
                size="small"
                value={to}
                onChange={(event) => setTo(event.target.value)}
                sx={{ flexGrow: 1 }}
              />
              <Button
                variant="contained"
                disabled={busy || !detail || !named || to.trim() === ''}
                onClick={() => send('mail')}
              >
                {busy ? 'Sending …' : 'Send'}
              </Button>
            </Stack>
          )}
          {workshop.pages.on && (
            <Button disabled={busy || !detail || !named} onClick={() => send('page')}>
              Make a page to answer on
            </Button>
          )}
          <Button disabled={busy || !detail || !named} onClick={() => send('file')}>
            It goes out as a file
          </Button>
          <span className="quiet small">What is sent stays as it is. A later change is a new revision.</span>
          <TextButton disabled={busy} onClick={() => void run(() => dropRevision(quote.id, revision.revision))}>
            Throw this revision away
          </TextButton>
        </Stack>
      )}
      {sent && (
        <p>
          Sent on {sent.on}{' '}
          {sent.how === 'mail' ? `to ${sent.to ?? ''}` : sent.how === 'page' ? 'as a page' : 'as a file'}.
          {state === 'lapsed' && ` It lapsed on ${sent.validUntil}: make a new revision at today’s prices.`}
          {state === 'replaced' && ' A later revision stands in its place.'}
        </p>
      )}
      {page !== undefined && (
        <p className="small">
          <a href={page} target="_blank" rel="noreferrer">
            The client’s page
          </a>
          , at an address that nobody guesses.{' '}
          <TextButton onClick={() => void run(() => withdrawPage(quote.id, revision.revision))}>Withdraw it</TextButton>
        </p>
      )}
      {answer && sent && (
        <p role="status">
          <b>{answer.state === 'accepted' ? 'Accepted' : 'Declined'}</b> on {answer.on}
          {answer.by === undefined ? '' : ` by ${answer.by}`}
          {answer.totalMinor === undefined ? '' : `: ${coins(answer.totalMinor, sent.currency)}`}
          {answer.options.length > 0 &&
            `, with ${answer.options.map((id) => revision.spec.terms.options.find((option) => option.id === id)?.name ?? id).join(', ')}`}
          {answer.alternative !== undefined &&
            `, ${detail?.quote.alternatives.find(({ id }) => id === answer.alternative)?.name ?? 'another draft'} in its place`}
          .
        </p>
      )}
      {state === 'accepted' && !revision.order && (
        <p>
          There is no purchase list: a draft or a price was missing.{' '}
          <Button disabled={busy} onClick={() => void run(() => orderAgain(quote.id, revision.revision))}>
            Make it
          </Button>
        </p>
      )}
      {state === 'sent' && detail && (
        <AnswerForm
          quote={detail.quote}
          busy={busy}
          onAnswer={(said) => void run(() => answerQuote(quote.id, revision.revision, said))}
        />
      )}
      {problems.length > 0 && <Problems title="Not done" list={problems} />}
    </section>
  );
}

const PAPERS = [
  ['pdf', 'PDF'],
  ['html', 'Page'],
  ['csv', 'CSV'],
  ['json', 'JSON'],
  ['inside', 'Own costs'],
] as const;

const Papers = ({ quote, revision, ready }: { quote: QuoteView; revision: RevisionView; ready: boolean }) => (
  <Stack direction="row" sx={{ flexWrap: 'wrap', gap: 1 }} role="group" aria-label="Papers">
    {PAPERS.map(([what, name]) => (
      <Button
        key={what}
        size="small"
        component="a"
        href={paperUrl(quote.id, revision.revision, what)}
        download
        disabled={!ready}
      >
        {name}
      </Button>
    ))}
  </Stack>
);
