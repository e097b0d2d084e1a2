'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Workshop } from '@/core/quote/terms';
import type { RevisionState } from '@/core/quote/kept';
import { coins } from '@/core/words/format';
import { beginQuote, reviseQuote } from '@/server/actions';
import type { QuoteView, RevisionView } from '@/server/contract';
import type { Problem } from '@/core/formats/problems';
import { ChoiceButton } from '../shared/ChoiceButton';
import { Problems } from '../shared/Problems';
import { useSeat } from '../seat/useSeat';
import { OrderView } from './OrderView';
import { RevisionPane } from './RevisionPane';
import { useQuotes } from './useQuotes';

export const STATE_WORDS: Readonly<Record<RevisionState, string>> = {
  open: 'not sent',
  sent: 'sent',
  accepted: 'accepted',
  declined: 'declined',
  lapsed: 'lapsed',
  replaced: 'replaced',
};

/** The quotes that a seat's drafts are in: one of them in full, its revisions, and what was bought for it. */
export function QuotesView() {
  const seat = useSeat((state) => state.bundle.seat);
  const { answer, reload } = useQuotes(seat.id);
  const [chosen, setChosen] = useState<{ id: string; revision: number }>();
  if (answer.state === 'waiting') return <Pane>Reading quotes …</Pane>;
  if (answer.state === 'failed') return <Pane>The quotes could not be read: {answer.message}.</Pane>;
  const { workshop } = answer.value;
  // what is made for this seat alone comes before what it shares
  const quotes = [...answer.value.quotes].sort((a, b) => Number(a.team) - Number(b.team));
  const quote = quotes.find(({ id }) => id === chosen?.id) ?? quotes[0];
  const revision = quote?.revisions.find((each) => each.revision === chosen?.revision) ?? quote?.revisions.at(-1);
  const begun = async (id: string) => {
    await reload();
    setChosen({ id, revision: 1 });
  };
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: 0, flex: '1 1 auto' }}>
      <Stack
        direction="row"
        sx={{ gap: 2, flexWrap: 'wrap', alignItems: 'center', px: 3.5, py: 1.5, borderBottom: '1px solid var(--hair)' }}
      >
        <Box role="group" aria-label="Quotes" className="row wrap">
          {quotes.map((each) => {
            const last = each.revisions.at(-1);
            return (
              <ChoiceButton
                key={each.id}
                chosen={each.id === quote?.id}
                onClick={() => last && setChosen({ id: each.id, revision: last.revision })}
              >
                {each.number}
                {each.team ? ', all seats' : ''}: {last ? STATE_WORDS[last.state] : ''}
              </ChoiceButton>
            );
          })}
        </Box>
        <Begin onBegun={begun} />
      </Stack>
      {quote && revision ? (
        <Quote
          key={`${quote.id} ${revision.revision}`}
          quote={quote}
          revision={revision}
          workshop={workshop}
          onPick={(next) => setChosen({ id: quote.id, revision: next })}
          reload={reload}
        />
      ) : (
        <Pane>
          No quote yet. One is made of this draft as it stands, at today’s prices, on the terms that stand under
          Workshop; nothing goes out before you send it.
        </Pane>
      )}
    </Box>
  );
}

const Pane = ({ children }: { children: React.ReactNode }) => (
  <div className="pane">
    <p className="quiet">{children}</p>
  </div>
);

/** Makes a quote of the draft that is shown, or of all seats of its project. */
function Begin({ onBegun }: { onBegun: (id: string) => Promise<void> }) {
  const seatId = useSeat((state) => state.bundle.seat.id);
  const draftId = useSeat((state) => state.draftId);
  const draft = useSeat((state) => state.bundle.drafts.find(({ id }) => id === state.draftId)?.body);
  const [busy, setBusy] = useState(false);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const begin = async (team: boolean) => {
    setBusy(true);
    setProblems([]);
    try {
      const made = await beginQuote({ seatId, draftId, team });
      if (made.state === 'refused') setProblems(made.problems);
      else await onBegun(made.id);
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <Button
        variant="outlined"
        disabled={busy || draft === undefined || draft.items.length === 0 || draft.present === true}
        onClick={() => void begin(false)}
      >
        Quote {draft?.name ?? 'this draft'}
      </Button>
      <Button disabled={busy} onClick={() => void begin(true)}>
        Quote all seats
      </Button>
      {problems.length > 0 && <Problems title="No quote" list={problems} />}
    </>
  );
}

interface QuoteProps {
  readonly quote: QuoteView;
  readonly revision: RevisionView;
  readonly workshop: Workshop;
  readonly onPick: (revision: number) => void;
  readonly reload: () => Promise<void>;
}

function Quote({ quote, revision, workshop, onPick, reload }: QuoteProps) {
  const order = revision.order;
  return (
    <RevisionPane
      quote={quote}
      revision={revision}
      workshop={workshop}
      reload={reload}
      order={order && <OrderView quote={quote.id} revision={revision.revision} order={order} reload={reload} />}
      revisions={<Revisions quote={quote} shown={revision.revision} onPick={onPick} reload={reload} />}
    />
  );
}

/** All revisions of a quote, the last first. */
function Revisions({
  quote,
  shown,
  onPick,
  reload,
}: {
  quote: QuoteView;
  shown: number;
  onPick: (revision: number) => void;
  reload: () => Promise<void>;
}) {
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const last = quote.revisions.at(-1);
  const revise = async () => {
    const made = await reviseQuote(quote.id);
    setProblems(made.state === 'refused' ? made.problems : []);
    if (made.state !== 'made') return;
    await reload();
    onPick(made.revision);
  };
  return (
    <section aria-label="Revisions">
      <Typography component="h2" variant="h2">
        Revisions
      </Typography>
      <Stack component="ul" sx={{ listStyle: 'none', p: 0, m: 0, gap: 0.5 }}>
        {[...quote.revisions].reverse().map((each) => (
          <li key={each.revision}>
            <ChoiceButton chosen={each.revision === shown} onClick={() => onPick(each.revision)}>
              {each.revision}: {STATE_WORDS[each.state]}
            </ChoiceButton>{' '}
            <span className="quiet small">
              {each.sent
                ? `${coins(each.sent.totalMinor, each.sent.currency)}, ${each.sent.on}, until ${each.sent.validUntil}`
                : 'at today’s prices until it is sent'}
            </span>
          </li>
        ))}
      </Stack>
      {last?.sent && last.state !== 'accepted' && (
        <Button variant="outlined" sx={{ mt: 1 }} onClick={() => void revise()}>
          New revision
        </Button>
      )}
      {problems.length > 0 && <Problems title="No revision" list={problems} />}
    </section>
  );
}
