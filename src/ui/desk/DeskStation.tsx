'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Stack from '@mui/material/Stack';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { coins } from '@/core/words/format';
import { needsLook } from '@/core/words/needsLook';
import { dropProject, markSeen } from '@/server/actions';
import type { AsideRow, DeskSeat, Removed } from '@/server/contract';
import { ChoiceRow } from '../shared/ChoiceRow';
import { DeskBar } from '../shared/DeskBar';
import { later, opening } from '../shared/later';
import { RemovedNotice } from '../shared/RemovedNotice';
import { AsidePanel } from './AsidePanel';
import { SeatRow } from './SeatRow';
import type { ProjectChoice } from './seatForm';
import { StartDoors } from './StartDoors';
import { TOUR_ASKED } from '../seat/stations';
import { seatAddress } from '@/core/model/addresses';
import { PageLink } from '../shared/PageLink';

/** What the rest of the workshop looks like, in a sentence. */
export interface Elsewhere {
  readonly prices: string;
  readonly backup: string;
}

interface DeskStationProps {
  /** `DeskSeat[]` as one text of JSON. */
  readonly seats: string;
  readonly aside: readonly AsideRow[];
  /** What was removed in the last minutes. */
  readonly removed: readonly Removed[];
  readonly elsewhere: Elsewhere;
  readonly currency: string | undefined;
}

const TeamShare = later(() => import('./TeamShare').then((module) => module.TeamShare), { meanwhile: opening });

const SHOW = [
  { id: 'all', label: 'all' },
  { id: 'look', label: 'needs me' },
  { id: 'news', label: 'news' },
] as const;
type Show = (typeof SHOW)[number]['id'];

const NUMBERS = [
  'No',
  'One',
  'Two',
  'Three',
  'Four',
  'Five',
  'Six',
  'Seven',
  'Eight',
  'Nine',
  'Ten',
  'Eleven',
  'Twelve',
];
const numberWord = (count: number): string => NUMBERS[count] ?? String(count);

const asksForMe = (seat: DeskSeat): boolean => {
  const filled = seat.drafts.filter(({ glance, present }) => !glance.empty && !present);
  return filled.length === 0 || filled.every(({ glance }) => needsLook(glance));
};

/** Which seat needs me: "Three of eight seats need you". */
function answer(seats: readonly DeskSeat[]): string {
  const count = seats.filter(asksForMe).length;
  if (seats.length === 0) return 'Nothing is planned yet';
  return `${numberWord(count)} of ${numberWord(seats.length).toLowerCase()} ${seats.length === 1 ? 'seat' : 'seats'} ${count === 1 ? 'needs' : 'need'} you`;
}

/** Why: a single seat is named, as it may lie below the fold. */
function reason(seats: readonly DeskSeat[]): string {
  const [first, ...others] = seats.filter(asksForMe);
  if (seats.length === 0) return '';
  if (!first) return 'each has a draft that does its work with parts that fit';
  const does = 'drafts does the work with parts that fit';
  return others.length === 0 ? `${first.name}: none of its ${does}` : `none of their ${does}`;
}

/** All projects with their seats: what does its work, what does not, what changed; and three doors to start. */
export function DeskStation({ seats: text, aside, removed, elsewhere, currency }: DeskStationProps) {
  const seats = useMemo(() => JSON.parse(text) as readonly DeskSeat[], [text]);
  const [show, setShow] = useState<Show>('all');
  const projects = [...new Map(seats.map((seat): [string, string] => [seat.projectId, seat.projectName]))];
  // a seat with something to see
  const toShow = seats.find(({ drafts }) => drafts.some(({ glance }) => !glance.empty));
  const choices: ProjectChoice[] = projects.map(([id, name]) => ({ id, name }));
  const shown = seats.filter(
    (seat) => show === 'all' || (show === 'look' ? asksForMe(seat) : seat.newsLine !== undefined),
  );
  return (
    <Box className="frame" sx={{ '&&': { gridTemplateRows: '40px minmax(0, 1fr)' } }}>
      <DeskBar />
      <main className="station">
        <Box className="columns" sx={{ gridTemplateColumns: 'minmax(0, 1fr) minmax(250px, 300px)' }}>
          <section className="pane" aria-label="Projects">
            <AsidePanel rows={aside} />
            <RemovedNotice removed={removed} />
            <Stack direction="row" sx={{ alignItems: 'center', gap: 3, mb: 1, flexWrap: 'wrap' }}>
              <Typography component="h1" variant="h1">
                {answer(seats)}
              </Typography>
              <Typography variant="body2" color="text.secondary" sx={{ flexGrow: 1 }}>
                {reason(seats)}
              </Typography>
              {seats.length > 0 && <ChoiceRow aria-label="Seats shown" value={show} options={SHOW} onPick={setShow} />}
            </Stack>
            <Seen seats={seats} />
            {seats.length === 0 && (
              <Typography color="text.secondary">Take one of the three doors: each ends at a brief.</Typography>
            )}
            {shown.length === 0 && seats.length > 0 && (
              <Typography color="text.secondary" sx={{ py: 3 }}>
                {show === 'look'
                  ? 'Each seat has a draft that does its work.'
                  : 'Nothing changed since it was marked as seen.'}
              </Typography>
            )}
            {projects.map(([id, name]) => (
              <Project key={id} id={id} name={name} seats={shown.filter((seat) => seat.projectId === id)} all={seats} />
            ))}
          </section>
          <section className="pane" aria-label="Start">
            <StartDoors projects={choices} currency={currency} />
            <Typography component="h2" variant="h2" sx={{ mt: 5 }}>
              Elsewhere
            </Typography>
            <Typography variant="body2" color="text.secondary">
              {elsewhere.prices} · {elsewhere.backup}.{' '}
              <Link component={PageLink} href="/workshop">
                Workshop
              </Link>
            </Typography>
            {toShow && (
              <Typography variant="body2" color="text.secondary" sx={{ mt: 2 }}>
                New here?{' '}
                <Link
                  component={PageLink}
                  href={`${seatAddress(toShow.projectId, toShow.id, 'draft')}?${TOUR_ASKED}=yes`}
                >
                  Show me around
                </Link>
              </Typography>
            )}
          </section>
        </Box>
      </main>
    </Box>
  );
}

function Project({
  id,
  name,
  seats,
  all,
}: {
  id: string;
  name: string;
  seats: readonly DeskSeat[];
  all: readonly DeskSeat[];
}) {
  const router = useRouter();
  const of = all.filter((seat) => seat.projectId === id);
  const budget = of.reduce((sum, seat) => sum + (seat.budgetMinor ?? 0), 0);
  const currency = of[0]?.drafts[0]?.glance.currency;
  const [sharing, setSharing] = useState(false);
  if (seats.length === 0) return null;
  return (
    <Box component="section" aria-label={name} sx={{ mb: 4 }}>
      <Stack direction="row" sx={{ alignItems: 'baseline', gap: 2, borderBottom: '1px solid var(--edge)' }}>
        <Typography variant="subtitle2" component="h2" sx={{ flexGrow: 1 }}>
          {name}
          <Typography component="span" variant="body2" color="text.secondary">
            {' '}
            · {of.length} {of.length === 1 ? 'seat' : 'seats'}
            {budget > 0 && currency ? ` · budgets of ${coins(budget, currency)}` : ''}
          </Typography>
        </Typography>
        {of.length > 1 && currency && (
          <Button aria-expanded={sharing} onClick={() => setSharing(!sharing)}>
            One budget
          </Button>
        )}
        <Tooltip
          describeChild
          title="Seats with their parts, prices by day, sources, watches, figures by hand and marks; without undo lists and settings."
        >
          <Button component="a" href={`/api/export/archive?project=${encodeURIComponent(id)}`} download>
            Archive
          </Button>
        </Tooltip>
        <Button color="inherit" onClick={() => void dropProject(id).then(() => router.refresh())}>
          Remove
        </Button>
      </Stack>
      {sharing && currency && <TeamShare project={id} currency={currency} budgetMinor={budget} />}
      {seats.map((seat) => (
        <SeatRow key={seat.id} seat={seat} />
      ))}
    </Box>
  );
}

/** Since when changes are told, and the way to say that they have been seen. */
function Seen({ seats }: { seats: readonly DeskSeat[] }) {
  const since = seats.map((seat) => seat.seenOn).find((day) => day !== undefined);
  if (seats.length === 0) return null;
  const mark = () =>
    void markSeen(
      seats.flatMap((seat) =>
        seat.drafts.map((draft) => ({ seatId: seat.id, draftId: draft.id, ...draft.glance.standing })),
      ),
    );
  const news = seats.some((seat) => seat.newsLine !== undefined);
  return (
    <Typography variant="body2" color="text.secondary" component="div">
      {since === undefined
        ? 'Changes are told once somebody has marked how all stand. '
        : news
          ? `Changes are those since ${since}. `
          : `Nothing changed since ${since}. `}
      <Link component="button" type="button" variant="body2" onClick={mark} sx={{ minHeight: 24 }}>
        {since === undefined ? 'Remember how all stand now' : 'Mark as seen'}
      </Link>
    </Typography>
  );
}
