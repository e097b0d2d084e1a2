'use client';

import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import { useRef, useState, type ReactNode } from 'react';
import { UNNAMED, type Workshop } from '@/core/quote/terms';
import type { RevisionSpec } from '@/core/quote/kept';
import { PART_KINDS } from '@/core/parts';
import type { Problem } from '@/core/formats/problems';
import { ratioOf } from '@/core/units/money';
import { coins, number } from '@/core/words/format';
import { keepRevision } from '@/server/actions';
import type { QuoteDetail, QuoteView, RevisionView } from '@/server/contract';
import { Problems } from '../shared/Problems';
import { Section } from '../shared/Section';
import { TextButton } from '../shared/TextButton';
import { Changes } from './Changes';
import { Choices } from './Choices';
import { Lines } from './Lines';
import { Risk } from './Risk';
import { Send } from './Send';
import { Team } from './Team';
import { TermsSentence } from './TermsSentence';
import { useQuoteDetail } from './useQuotes';

interface Props {
  readonly quote: QuoteView;
  readonly revision: RevisionView;
  readonly workshop: Workshop;
  readonly reload: () => Promise<void>;
  readonly order: ReactNode;
  readonly revisions: ReactNode;
}

/** One revision: its total and what is earned, its terms, lines and choices; beside it what goes out and what came back. */
export function RevisionPane({ quote, revision, workshop, reload, order, revisions }: Props) {
  const { spec, keep, problems, stale } = useSpec(quote, revision, reload);
  const detail = useQuoteDetail(quote.id, revision.revision, `${revision.version} ${revision.state}`);
  const open = revision.state === 'open';
  const shown = detail.state === 'ready' && detail.value.state === 'made' ? detail.value : undefined;
  const refused = detail.state === 'ready' && detail.value.state === 'refused' ? detail.value.problems : [];
  const currency = shown?.quote.currency ?? 'USD';
  const sentence = (
    <TermsSentence
      terms={spec.terms}
      currency={currency}
      kinds={PART_KINDS.filter((kind) => shown?.inside.lines.some((line) => line.kind === kind))}
      {...(open ? { onChange: (terms) => void keep({ ...spec, terms: { ...spec.terms, ...terms } }) } : {})}
    />
  );
  return (
    <Box className="columns" sx={{ gridTemplateColumns: 'minmax(0, 1fr) minmax(300px, 360px)', flex: '1 1 auto' }}>
      <section className="pane" aria-label="Quote" aria-busy={detail.state === 'waiting' || detail.busy}>
        {detail.state === 'waiting' && <h1>Working out what it comes to …</h1>}
        {detail.state === 'failed' && <p className="short">It could not be worked out: {detail.message}.</p>}
        {refused.length > 0 && <Problems title="No price can be made" list={refused} />}
        {shown && <Head detail={shown} revision={revision} />}
        {problems.length > 0 && <Problems title="Not kept" list={problems} />}
        {stale && (
          <p className="caution" role="alert">
            ◆ This revision was changed in another window, and is shown as that one has it. What you changed last is not
            lost: <TextButton onClick={() => void keep(stale, true)}>use mine</TextButton>.
          </p>
        )}
        {open ? sentence : null}
        {order && (
          <Section label="Order" open>
            {order}
          </Section>
        )}
        {!open && (
          <Section
            label="Terms"
            gist={`${spec.terms.validDays} days, ${spec.terms.depositPercent ?? 0} % with the order`}
          >
            {sentence}
          </Section>
        )}
        {shown && (
          <>
            {shown.quote.machines.length > 1 && (
              <Section label="By seat" gist={`${shown.quote.machines.length} seats`} open>
                <Team detail={shown} spec={spec} {...(open ? { onChange: (next) => void keep(next) } : {})} />
              </Section>
            )}
            <Section
              label={shown.quote.machines.length > 1 ? 'All lines' : 'Line by line'}
              gist={`${shown.inside.lines.length} lines`}
              open={!order && shown.quote.machines.length === 1}
            >
              <Lines
                detail={shown}
                terms={spec.terms}
                {...(open ? { onMargin: (margin) => void keep({ ...spec, terms: { ...spec.terms, margin } }) } : {})}
              />
            </Section>
            <Stack>
              <Choices detail={shown} spec={spec} {...(open ? { onChange: (next) => void keep(next) } : {})} />
              {(shown.since ?? shown.today) && <Changes detail={shown} revision={revision.revision} />}
              {revision.state !== 'accepted' && revision.state !== 'declined' && (
                <Section label="What prices may do" gist={`within ${spec.terms.validDays} days`}>
                  <Risk
                    quote={quote.id}
                    revision={revision.revision}
                    turn={String(revision.version)}
                    costMinor={shown.inside.costMinor}
                    marginMinor={shown.inside.marginMinor}
                    currency={currency}
                  />
                </Section>
              )}
            </Stack>
          </>
        )}
      </section>
      <section className="pane" aria-label="Sending">
        <Stack sx={{ gap: 5 }}>
          <Send
            quote={quote}
            revision={revision}
            detail={shown}
            workshop={workshop}
            named={spec.terms.from.name !== UNNAMED.name || workshop.from !== undefined}
            reload={reload}
          />
          {revisions}
        </Stack>
      </section>
    </Box>
  );
}

function Head({
  detail: { quote, inside, notes, today, todayNot },
  revision,
}: {
  detail: QuoteDetail;
  revision: RevisionView;
}) {
  const { currency } = quote;
  const unpriced = quote.machines.flatMap((machine) => machine.unpriced);
  return (
    <>
      <h1>
        {unpriced.length > 0 ? 'More than ' : ''}
        {coins(quote.totalMinor, currency)} for {quote.title}
        {quote.machines.length > 1 ? `, ${quote.machines.length} seats` : ''}
      </h1>
      <p className="quiet small" aria-label="What is earned">
        With {quote.taxName},{' '}
        {revision.sent ? `until ${quote.validUntil}` : `until ${quote.validUntil} if it is sent today`}. It costs{' '}
        {coins(inside.costMinor, currency)} before tax and earns {coins(inside.marginMinor, currency)}
        {inside.costMinor > 0 ? ` (${number(100 * ratioOf(inside.marginMinor, inside.costMinor), 2)} % on cost)` : ''}.
        {inside.missedMinor > 0 &&
          ` ${coins(inside.missedMinor, currency)} below the total asked for, as tax is rounded.`}
        {today && ` Today it costs ${coins(today.costMinor, currency)}.`}
      </p>
      {inside.marginMinor < 0 && (
        <p className="short small">▼ It costs {coins(-inside.marginMinor, currency)} more than it brings.</p>
      )}
      {unpriced.length > 0 && (
        <p className="unproven small">
          ○ Nobody sells {unpriced.join(', ')} here: it is in no total, and the paper says so.
        </p>
      )}
      {todayNot !== undefined && <p className="caution small">◆ What it costs today cannot be told: {todayNot}.</p>}
      {notes.map((note) => (
        <p key={note} className="caution small">
          ◆ {note}.
        </p>
      ))}
    </>
  );
}

/** A revision as it is edited here: kept one change after the other, each on what the one before left. */
function useSpec(quote: QuoteView, revision: RevisionView, reload: () => Promise<void>) {
  const [mine, setMine] = useState<RevisionSpec>();
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [stale, setStale] = useState<RevisionSpec>();
  const version = useRef(revision.version);
  const turn = useRef(Promise.resolve());
  const waiting = useRef(0);
  if (waiting.current === 0) version.current = Math.max(version.current, revision.version);
  const keep = (spec: RevisionSpec, over = false): Promise<void> => {
    setMine(spec);
    waiting.current++;
    turn.current = turn.current.then(async () => {
      try {
        if (over) setStale(undefined);
        const kept = await keepRevision({ id: quote.id, revision: revision.revision, version: version.current, spec });
        setProblems(kept.state === 'refused' ? kept.problems : []);
        if (kept.state === 'done') version.current++;
        if (kept.state === 'stale') {
          version.current = kept.version;
          setStale(spec);
        }
        await reload();
      } finally {
        waiting.current--;
        if (waiting.current === 0) setMine(undefined);
      }
    });
    return turn.current;
  };
  return { spec: mine ?? revision.spec, keep, problems, stale };
}
