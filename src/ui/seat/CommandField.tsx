'use client';

import Box from '@mui/material/Box';
import Autocomplete from '@mui/material/Autocomplete';
import Dialog from '@mui/material/Dialog';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { fullName } from '@/core/model/fitted';
import { ONCE } from '@/core/model/edits';
import { editFor } from '@/core/search/candidates';
import { kindName } from '@/core/words/names';
import { STATIONS } from './stations';
import { seatAddress } from '@/core/model/addresses';
import { useDraft } from './moment';
import { useSeat } from './useSeat';
import { readJson, sheetUrl } from '../shared/asking';
import { useFoundParts } from '../shared/useFoundParts';
import type { PartSheet } from '@/server/contract';

interface Command {
  readonly group: string;
  readonly label: string;
  readonly run: () => void;
}

const SHOWN_PARTS = 12;

/** Type to go somewhere, do something, or put a part into the draft. */
export function CommandField({ onClose, onHelp }: { onClose: () => void; onHelp: () => void }) {
  const [text, setText] = useState('');
  const router = useRouter();
  const draft = useDraft();
  const seat = useSeat((state) => state.bundle.seat);
  const state = useSeat((all) => all);
  const trimmed = text.trim();
  const found = useFoundParts(trimmed, SHOWN_PARTS);
  /** The grid knows names only; the whole part comes from its sheet, so that the page can assess it at once. */
  const add = async (id: string) => {
    // its prices come with it: a part without them would be a hole in the total until the page is loaded again
    const { part, goods } = await readJson<PartSheet>(sheetUrl(id));
    state.know(goods);
    state.editDraft(editFor(draft, { kind: part.kind }, part), `Add ${fullName(part)}`);
  };
  const go = (station: string) => router.push(seatAddress(seat.projectId, seat.id, station));
  const commands: Command[] = [
    ...STATIONS.map((station) => ({ group: 'Go to', label: station.name, run: () => go(station.id) })),
    { group: 'Go to', label: 'Desk', run: () => router.push('/') },
    { group: 'Go to', label: 'Library', run: () => router.push('/library') },
    {
      group: 'Do',
      label: 'Save this draft as a bill of materials',
      run: () =>
        window.location.assign(
          `/api/export/bom?seat=${encodeURIComponent(seat.id)}&draft=${encodeURIComponent(state.draftId)}`,
        ),
    },
    ...state.bundle.drafts.map((entry) => ({
      group: 'Drafts',
      label: `Show ${entry.body.name}`,
      run: () => state.selectDraft(entry.id),
    })),
    { group: 'Drafts', label: 'Copy this draft', run: () => void state.copy() },
    ...(state.bundle.drafts.length > 1
      ? [{ group: 'Drafts', label: 'Remove this draft', run: () => void state.drop() }]
      : []),
    {
      group: 'Do',
      label: 'Save this seat as a case file',
      run: () => window.location.assign(`/api/case/${encodeURIComponent(seat.id)}`),
    },
    { group: 'Do', label: 'Show all keys', run: onHelp },
    ...(found ?? []).map((part) => {
      const there = ONCE.has(part.kind)
        ? state.bundle.data.parts
            .filter((other) => other.kind === part.kind)
            .flatMap((other) => draft.items.filter((item) => item.part === other.id))[0]
        : undefined;
      const label = `${part.maker} ${part.name}`;
      return {
        group: 'Parts',
        label: there ? `Put ${label} in as the ${kindName(part.kind)}` : `Add ${label} (${kindName(part.kind)})`,
        run: () => {
          go('draft');
          if (there) state.choose({ kind: part.kind, item: there.id });
          else
            void add(part.id).catch((error: unknown) =>
              state.tell(`${label} was not added: ${error instanceof Error ? error.message : String(error)}`),
            );
        },
      };
    }),
  ];
  return (
    <Dialog
      open
      onClose={onClose}
      fullWidth
      maxWidth="sm"
      aria-label="Find or do"
      sx={{ '& .MuiDialog-container': { alignItems: 'flex-start' } }}
    >
      <Autocomplete
        open
        options={commands}
        groupBy={(command) => command.group}
        getOptionLabel={(command) => command.label}
        getOptionKey={(command) => `${command.group} ${command.label}`}
        inputValue={text}
        onInputChange={(_, value) => setText(value)}
        onChange={(_, command) => {
          if (!command) return;
          onClose();
          command.run();
        }}
        onClose={(_, reason) => {
          // the list is always open, so the key closes the whole field
          if (reason === 'escape') onClose();
        }}
        autoHighlight
        disableClearable={false}
        noOptionsText={found === undefined ? 'Looking …' : 'Nothing of that name. Try a part, a station or a draft.'}
        renderInput={(params) => (
          <TextField
            {...params}
            autoFocus
            placeholder="A station, a draft, or a part such as Spate 2 TB"
            slotProps={{
              ...params.slotProps,
              htmlInput: { ...params.slotProps.htmlInput, 'aria-label': 'Find or do' },
            }}
          />
        )}
        sx={{ p: 1.5 }}
        slotProps={{
          popper: { disablePortal: true, placement: 'bottom-start', modifiers: [{ name: 'flip', enabled: false }] },
          listbox: { style: { maxHeight: '50vh' } },
        }}
      />
      <Box sx={{ height: '52vh' }} />
    </Dialog>
  );
}
