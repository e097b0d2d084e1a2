'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useMemo } from 'react';
import { handOverOf, type BuiltPart } from '@/core/assemble/handOver';
import type { Assessment } from '@/core/assess';
import { handOverWords } from '@/core/formats/paper/handOver';
import { firstUpgradeWords } from '@/core/words/firstUpgrade';
import { failureTitle, failureWords, mendWords } from '@/core/words/prove';
import { useBrief, useDraft } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { useWorker } from '../seat/worker';
import { identity } from '../shared/identity';
import { Answer } from '../shared/Answer';
import { Entry } from '../shared/Entry';
import { barePlan } from './barePlan';
import type { PartProps } from './parts';
import { usePromised } from './usePromised';

/** What goes with the machine: serial numbers and warranties, its papers, and what still works when something fails. */
export function HandOverPart({ assessment }: PartProps) {
  const draft = useDraft();
  const seatId = useSeat((state) => state.bundle.seat.id);
  const draftId = useSeat((state) => state.draftId);
  const serials = useSeat((state) => state.bundle.drafts.find(({ id }) => id === state.draftId)?.body.serials);
  const editDraft = useSeat((state) => state.editDraft);
  const promised = usePromised();
  const sheet = useMemo(() => handOverOf(promised, promised.facts.brief.name, undefined), [promised]);
  const there = draft.present === true;
  const type = ({ item, name }: BuiltPart, text: string) => {
    const serial = text.trim();
    editDraft(
      { kind: 'serial', item, ...(serial === '' ? {} : { serial: serial.slice(0, 60) }) },
      `Serial number of ${name}`,
    );
  };
  return (
    <>
      <section className="pane" aria-label="Hand-over">
        <Answer>{handOverWords(sheet)}</Answer>
        <Box className="row wrap unprinted" sx={{ gap: '10px', mt: '6px' }}>
          <Button
            variant="outlined"
            size="small"
            href={`/api/hand-over/${encodeURIComponent(seatId)}/${encodeURIComponent(draftId ?? '')}`}
          >
            Sheet for the client (PDF)
          </Button>
          <Button
            size="small"
            href={`/api/export/bom?seat=${encodeURIComponent(seatId)}&draft=${encodeURIComponent(draftId ?? '')}`}
          >
            Bill of materials
          </Button>
          <Button size="small" href={`/api/case/${encodeURIComponent(seatId)}`}>
            Case file
          </Button>
          <Button
            size="small"
            disabled={there}
            onClick={() => editDraft({ kind: 'handed-over' }, `${draft.name} is handed over`)}
          >
            {there ? 'It is the client’s machine now' : 'It is handed over'}
          </Button>
        </Box>
        <Table size="small" aria-label="Parts as built" sx={{ mt: 1, maxWidth: 980 }}>
          <TableHead>
            <TableRow>
              <TableCell scope="col">Part</TableCell>
              <TableCell scope="col">Place</TableCell>
              <TableCell scope="col">Serial number</TableCell>
              <TableCell scope="col">Warranty until</TableCell>
              <TableCell scope="col">Ask</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {sheet.parts.map((part) => {
              const serial = serials?.[part.item] ?? '';
              const twice = sheet.twice.includes(serial);
              return (
                <TableRow key={part.item}>
                  <TableCell sx={{ py: 0 }}>{part.name}</TableCell>
                  <TableCell sx={{ py: 0 }}>{part.place ?? ''}</TableCell>
                  <TableCell sx={{ py: '2px' }}>
                    <Entry
                      key={serial}
                      aria-label={`Serial number of ${part.name}`}
                      aria-invalid={twice}
                      width={160}
                      maxLength={60}
                      defaultValue={serial}
                      onBlur={(event) => event.target.value.trim() !== serial && type(part, event.target.value)}
                      onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
                    />
                    {twice && <div className="short small">▲ at another part too</div>}
                  </TableCell>
                  <TableCell sx={{ py: 0 }}>
                    {part.warrantyUntil ?? <span className="quiet">not stated</span>}
                  </TableCell>
                  <TableCell sx={{ py: 0 }}>{part.ask}</TableCell>
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
        {sheet.licences.length > 0 && <p className="small quiet">Licences: {sheet.licences.join(', ')}.</p>}
        <FirstUpgrade assessment={assessment} />
      </section>
      <Box component="section" className="pane" aria-label="What still works when" tabIndex={0}>
        <h2>What still works when …</h2>
        <p className="quiet small">A spare on the shelf mends it the same day.</p>
        <Failures assessment={assessment} />
      </Box>
    </>
  );
}

/** What the sheet names to change or add first. */
function FirstUpgrade({ assessment }: { assessment: Assessment }) {
  const draft = useDraft();
  const brief = useBrief();
  const machine = useMemo(() => barePlan(draft), [draft]);
  const answer = useWorker(`first upgrade ${identity(machine)} ${identity(brief)}`, (api) =>
    api.firstUpgrade(machine, brief),
  );
  if (answer.state === 'failed') return null;
  return (
    <p className="small quiet">
      {answer.state === 'waiting'
        ? 'Trying what to upgrade first …'
        : answer.value
          ? firstUpgradeWords(answer.value, assessment)
          : 'No single part would make this work faster without bringing a caution or worse.'}
    </p>
  );
}

function Failures({ assessment }: { assessment: Assessment }) {
  const draft = useDraft();
  const brief = useBrief();
  const machine = useMemo(() => barePlan(draft), [draft]);
  const answer = useWorker(`failures ${identity(machine)} ${identity(brief)}`, (api) => api.failures(machine, brief));
  if (answer.state === 'failed') return <p className="short small">It could not be worked out.</p>;
  if (answer.state === 'waiting') return <p className="quiet small">Taking one thing away after the other …</p>;
  return (
    <Box component="dl" sx={{ m: 0, '& dt': { fontWeight: 600, mt: 1 }, '& dd': { m: 0 } }}>
      {answer.value.flatMap((failure, i) => {
        const mend = mendWords(failure, assessment);
        return [
          <dt key={`${i} what`}>{failureTitle(failure, assessment)}</dt>,
          <dd key={`${i} then`}>
            {failureWords(failure, assessment)}
            {mend !== '' && <div className="quiet small">{mend}</div>}
          </dd>,
        ];
      })}
    </Box>
  );
}
