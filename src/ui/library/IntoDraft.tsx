'use client';

import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { draftPlaces, putPart } from '@/server/actions';
import type { DraftPlace } from '@/server/contract';
import { useNotices } from '../shared/Notices';
import { TextButton } from '../shared/TextButton';
import { PageLink } from '../shared/PageLink';

/** Puts the part of a sheet into a draft, and leads there. */
export function IntoDraft({ part }: { part: string }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [refused, setRefused] = useState<string>();
  const tell = useNotices();
  const { data: places } = useQuery({
    queryKey: ['draft places'],
    queryFn: () => draftPlaces(),
    enabled: anchor !== null,
    staleTime: 0,
  });
  const put = async (place: DraftPlace) => {
    setAnchor(null);
    const result = await putPart(part, { seatId: place.seatId, draftId: place.draftId });
    setRefused(result.state === 'refused' ? result.problems.map(({ message }) => message).join(' ') : undefined);
    if (result.state !== 'refused')
      tell(
        <>
          It is in <PageLink href={place.href}>{place.label}</PageLink>.
        </>,
      );
  };
  return (
    <>
      <TextButton onClick={(event) => setAnchor(event.currentTarget)} aria-haspopup="menu">
        Put into a draft
      </TextButton>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {places?.length === 0 && <MenuItem disabled>There is no draft yet: start a seat on Desk.</MenuItem>}
        {(places ?? []).map((place) => (
          <MenuItem key={place.draftId} onClick={() => void put(place)}>
            {place.label}
          </MenuItem>
        ))}
      </Menu>
      {refused !== undefined && (
        <span role="alert" className="short">
          Not put there: it {refused}.
        </span>
      )}
    </>
  );
}
