'use client';

import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { TextButton } from '../shared/TextButton';
import Button from '@mui/material/Button';
import type { Assessment } from '@/core/assess';
import { firmwarePlan } from '@/core/firmware/plan';
import { compareVersions } from '@/core/firmware/versions';
import { fullName } from '@/core/model/fitted';
import { routeWords, stepWords, wayBackWords } from '@/core/words/firmware';
import { useDraft } from '../seat/moment';
import { useSeat } from '../seat/useSeat';

/** The board's firmware: what it has, what the processor needs, which version to take, and how it gets there. */
export function FirmwareView({ assessment }: { assessment: Assessment }) {
  const open = useSeat((state) => state.open);
  const editDraft = useSeat((state) => state.editDraft);
  const draft = useDraft();
  const board = assessment.facts.parts.one('board');
  const processor = assessment.facts.parts.one('processor');
  if (!board) return <p className="quiet">Choose a board first; firmware belongs to it.</p>;
  const plan = firmwarePlan(board.part, processor?.part, draft.firmware);
  const versions = [...(board.part.firmwareVersions ?? [])].sort((a, b) => compareVersions(b.version, a.version));
  return (
    <Box sx={{ maxWidth: 720 }}>
      <div className="panehead">
        <h2>Firmware of {fullName(board.part)}</h2>
        <TextButton onClick={() => open(undefined)}>Back to the map</TextButton>
      </div>
      <p>{routeWords(plan)}</p>
      {draft.firmware !== undefined && (
        <Box component="p" className="quiet small" sx={{ marginTop: '4px' }}>
          Set by hand to {draft.firmware}; it ships with {board.part.shippedFirmware ?? 'an unknown version'}.{' '}
          <TextButton onClick={() => editDraft({ kind: 'firmware' }, 'Firmware as it ships')}>
            Count on what it ships with
          </TextButton>
        </Box>
      )}
      {plan.takes && (
        <Box component="p" sx={{ marginTop: '6px' }}>
          {plan.route === 'not-needed' ? 'Newest without a known fault' : 'Version to take'}:{' '}
          <b>{plan.takes.version}</b>, {plan.takes.channel === 'beta' ? 'a beta' : 'a release'}
          {plan.takes.fault ? <span className="caution">. Known of it: {plan.takes.fault}</span> : ', no fault known'}.
        </Box>
      )}
      {plan.steps.length > 0 && (
        <>
          <Box component="h3" sx={{ marginTop: '12px' }}>
            Steps
          </Box>
          <ol>
            {plan.steps.map((step, i) => (
              <Box component="li" key={step.do} className="row" sx={{ alignItems: 'baseline', padding: '3px 0' }}>
                <Box component="span" className="num quiet" sx={{ width: 18 }}>
                  {i + 1}
                </Box>
                <span>{stepWords(step)}</span>
              </Box>
            ))}
          </ol>
          {plan.takes && (
            <Button
              variant="contained"
              sx={{ mt: 1 }}
              onClick={() =>
                editDraft({ kind: 'firmware', version: plan.takes?.version }, `Firmware ${plan.takes?.version ?? ''}`)
              }
            >
              Plan to flash {plan.takes.version} first
            </Button>
          )}
        </>
      )}
      <Box component="p" sx={{ marginTop: '10px' }}>
        {wayBackWords(plan)}
      </Box>
      <Box component="h3" sx={{ marginTop: '14px' }}>
        Versions published
      </Box>
      {versions.length === 0 ? (
        <p className="quiet">None is stated for this board.</p>
      ) : (
        <Table>
          <TableHead>
            <TableRow>
              <TableCell scope="col">Version</TableCell>
              <TableCell scope="col">Channel</TableCell>
              <TableCell scope="col">Knows the processor</TableCell>
              <TableCell scope="col">Known faults</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {versions.map((entry) => (
              <TableRow key={entry.version}>
                <TableCell>
                  {entry.version}
                  {entry.version === board.part.shippedFirmware && <span className="quiet"> ships with it</span>}
                </TableCell>
                <TableCell className={entry.channel === 'beta' ? 'caution' : ''}>{entry.channel}</TableCell>
                <TableCell>
                  {processor === undefined
                    ? 'no processor chosen'
                    : plan.needs === undefined || compareVersions(entry.version, plan.needs) >= 0
                      ? 'yes'
                      : 'no'}
                </TableCell>
                <TableCell>{entry.fault ?? <span className="quiet">none stated</span>}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
    </Box>
  );
}
