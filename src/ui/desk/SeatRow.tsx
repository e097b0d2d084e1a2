'use client';

import Box from '@mui/material/Box';
import Collapse from '@mui/material/Collapse';
import IconButton from '@mui/material/IconButton';
import Link from '@mui/material/Link';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useId, useState } from 'react';
import { coinsOnly } from '@/core/words/format';
import { addPresentMachine, copySeat, dropSeat } from '@/server/actions';
import type { DeskNews, DeskSeat } from '@/server/contract';
import { draftAddress, seatAddress } from '@/core/model/addresses';
import { bareBeam, Beam } from '../shared/Beam';
import { MoreIcon } from '../shared/icons';
import { Told } from '../shared/Told';
import { PageLink } from '../shared/PageLink';

/** One seat: its name and work, what changed, and each draft as a chip. */
export function SeatRow({ seat }: { seat: DeskSeat }) {
  return (
    <Box
      component="article"
      aria-label={seat.name}
      sx={{
        display: 'grid',
        gridTemplateColumns: '204px minmax(0, 1fr)',
        gap: 3,
        py: 2,
        borderBottom: '1px solid var(--hair)',
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <Stack direction="row" sx={{ alignItems: 'center', gap: 1 }}>
          <Typography component="h2" variant="subtitle1" noWrap sx={{ flexGrow: 1 }}>
            <Link
              component={PageLink}
              href={seatAddress(seat.projectId, seat.id, 'brief')}
              color="text.primary"
              underline="hover"
            >
              {seat.name}
            </Link>
          </Typography>
          <SeatMenu seat={seat} />
        </Stack>
        <Typography variant="body2" color="text.secondary">
          {seat.work}
        </Typography>
        {seat.newsLine !== undefined && <News line={seat.newsLine} news={seat.news} />}
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(200px, 1fr))', gap: 2 }}>
        {seat.drafts.map((draft) => (
          <DraftChip key={draft.id} seat={seat} draft={draft} />
        ))}
      </Box>
    </Box>
  );
}

/** What changed, in one line that opens. */
function News({ line, news }: { line: string; news: readonly DeskNews[] }) {
  const [open, setOpen] = useState(false);
  const id = useId();
  return (
    <Box sx={{ fontSize: 12.5, lineHeight: '17px', color: 'var(--info)' }}>
      <Link
        component="button"
        type="button"
        variant="body2"
        underline="hover"
        aria-expanded={open}
        aria-controls={id}
        onClick={() => setOpen(!open)}
        sx={{ color: 'inherit', textAlign: 'left', minHeight: 24 }}
      >
        {line}
      </Link>
      <Collapse in={open} id={id} component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {news.map(({ what, draft, text }) => (
          <li key={`${what} ${draft ?? ''} ${text}`}>{text}</li>
        ))}
      </Collapse>
    </Box>
  );
}

/** A draft at a glance: price, work, parts, and the beam of the task that does worst. */
function DraftChip({ seat, draft }: { seat: DeskSeat; draft: DeskSeat['drafts'][number] }) {
  const { glance } = draft;
  const { worst, work, parts, budget } = glance;
  const href = draftAddress(seat.projectId, seat.id, draft.id);
  return (
    <Link
      component={PageLink}
      href={href}
      underline="none"
      color="text.primary"
      sx={{
        display: 'block',
        minWidth: 0,
        px: 2,
        py: 1,
        border: '1px solid var(--hair)',
        borderRadius: '3px',
        backgroundColor: 'var(--sheet)',
        '&:hover': { borderColor: 'var(--edge)' },
      }}
    >
      <Stack component="span" direction="row" sx={{ gap: 2, alignItems: 'baseline' }}>
        <Typography component="h3" variant="subtitle2" noWrap sx={{ flexGrow: 1 }}>
          {draft.name}
        </Typography>
        <Typography component="span" variant="body2">
          {glance.empty
            ? 'empty'
            : glance.owned
              ? 'owned'
              : `${glance.lowerBound ? 'at least ' : ''}${coinsOnly(glance.standing.minor, glance.currency)}`}
        </Typography>
      </Stack>
      {glance.empty ? (
        <Typography component="span" variant="body2" color="text.secondary" sx={{ display: 'block' }}>
          no part in it yet
        </Typography>
      ) : (
        <>
          <Stack component="span" direction="row" sx={{ gap: '0 10px', flexWrap: 'wrap' }}>
            {work && <Told told={work} />}
            <Told told={parts} />
            {budget?.verdict === 'short' && !glance.owned && <Told told={budget} />}
          </Stack>
          {worst && (
            <Box component="span" sx={{ display: 'block', mt: '3px' }}>
              <Beam {...bareBeam(worst)} />
            </Box>
          )}
        </>
      )}
    </Link>
  );
}

/** What can be done with a seat as a whole. */
function SeatMenu({ seat }: { seat: DeskSeat }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const router = useRouter();
  const close = () => setAnchor(null);
  const run = (work: () => Promise<unknown>) => () => {
    close();
    void work().then(() => router.refresh());
  };
  const present = () => {
    close();
    void addPresentMachine(seat.id).then((path) => path !== undefined && router.push(path));
  };
  return (
    <>
      <IconButton
        aria-label={`More for ${seat.name}`}
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        <MoreIcon fontSize="small" />
      </IconButton>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={close}>
        {!seat.drafts.some((draft) => draft.present) && <MenuItem onClick={present}>Add the present machine</MenuItem>}
        <MenuItem onClick={run(() => copySeat(seat.id))}>Copy the seat</MenuItem>
        <MenuItem component="a" href={`/api/case/${encodeURIComponent(seat.id)}`} download onClick={close}>
          Save as a case file
        </MenuItem>
        {seat.drafts
          .filter(({ glance }) => !glance.empty)
          .map((draft) => (
            <MenuItem
              key={draft.id}
              component="a"
              href={`/api/export/bom?seat=${encodeURIComponent(seat.id)}&draft=${encodeURIComponent(draft.id)}`}
              download
              onClick={close}
            >
              Bill of materials of {draft.name}
            </MenuItem>
          ))}
        <MenuItem onClick={run(() => dropSeat(seat.id))}>Remove the seat</MenuItem>
      </Menu>
    </>
  );
}
