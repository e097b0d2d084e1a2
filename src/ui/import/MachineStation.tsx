'use client';

import { Entry, EntryChoice } from '../shared/Entry';
import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Problem } from '@/core/formats/problems';
import { dropUpload, openUploadedMachine } from '@/server/actions';
import type { MachineView, UploadView } from '@/server/contract';
import { DeskBar } from '../shared/DeskBar';
import { Problems } from '../shared/Problems';
import { seatAddress } from '@/core/model/addresses';

/** A machine read from an inventory or a bill of materials: what it is made of, what it does not tell, where it goes. */
export function MachineStation({
  upload,
  preview,
  problems,
  seats,
}: {
  upload: UploadView;
  preview: MachineView | undefined;
  problems: readonly Problem[];
  seats: readonly { readonly id: string; readonly label: string }[];
}) {
  const router = useRouter();
  const [seat, setSeat] = useState(seats[0]?.id ?? '');
  const [name, setName] = useState('');
  const [refused, setRefused] = useState<readonly Problem[]>(problems);
  const [busy, setBusy] = useState(false);
  const open = async () => {
    if (seat === '' && name.trim() === '')
      return setRefused([{ path: 'seat', message: 'has no name; say whose machine it is' }]);
    setBusy(true);
    const result = await openUploadedMachine(upload.id, seat === '' ? { newSeat: name.trim() } : { seatId: seat });
    setBusy(false);
    if (result.state === 'refused') setRefused(result.problems);
    else router.push(seatAddress(result.projectId, result.seatId, 'draft'));
  };
  return (
    <Box className="frame" sx={{ gridTemplateRows: '40px minmax(0, 1fr)' }}>
      <DeskBar />
      <main className="station">
        <Box component="section" className="pane" sx={{ maxWidth: 860 }} aria-label="The machine in the file">
          <h1>
            {upload.name}{' '}
            <span className="quiet small">
              {upload.format === 'lshw' ? 'an inventory of a machine' : 'a bill of materials'}
            </span>
          </h1>
          {refused.length > 0 && (
            <Problems title={preview ? 'Not opened' : `Nothing of ${upload.name} was taken`} list={refused} />
          )}
          {preview && (
            <>
              <Table sx={{ margin: '10px 0' }}>
                <TableHead>
                  <TableRow>
                    <TableCell>{preview.name}</TableCell>
                    <TableCell>In the library</TableCell>
                  </TableRow>
                </TableHead>
                <TableBody>
                  {preview.items.map((item) => (
                    <TableRow key={item.id}>
                      <TableCell>{item.label}</TableCell>
                      <TableCell>
                        {item.known ? (
                          <span className="carries">▲ known, its figures are used</span>
                        ) : (
                          <span className="unproven">○ new: only what the file tells is known</span>
                        )}
                      </TableCell>
                    </TableRow>
                  ))}
                </TableBody>
              </Table>
              {preview.notes.length > 0 && (
                <>
                  <h2>What to know</h2>
                  <ul className="small">
                    {preview.notes.map((line, i) => (
                      <Box component="li" key={i} sx={{ padding: '2px 0' }}>
                        {line}
                      </Box>
                    ))}
                  </ul>
                </>
              )}
              <Box className="row wrap" sx={{ marginTop: '14px' }}>
                <label className="small row">
                  <span className="quiet">Goes to</span>
                  <EntryChoice width={'auto'} value={seat} onChange={(event) => setSeat(event.target.value)}>
                    {seats.map((entry) => (
                      <option key={entry.id} value={entry.id}>
                        {entry.label}, as a draft
                      </option>
                    ))}
                    <option value="">a seat of its own</option>
                  </EntryChoice>
                </label>
                {seat === '' && (
                  <Entry
                    width={200}
                    value={name}
                    maxLength={80}
                    aria-label="Name of the seat"
                    placeholder="whose machine it is"
                    onChange={(event) => setName(event.target.value)}
                  />
                )}
                <Button variant="contained" disabled={busy} onClick={() => void open()}>
                  Open it
                </Button>
                <Button onClick={() => void dropUpload(upload.id).then(() => router.push('/'))}>
                  Throw the file away
                </Button>
              </Box>
            </>
          )}
        </Box>
      </main>
    </Box>
  );
}
