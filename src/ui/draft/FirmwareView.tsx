'use client';

import Button from '@mui/material/Button';
import type { Assessment } from '@/core/assess';
import { firmwarePlan } from '@/core/firmware/plan';
import { compareVersions } from '@/core/firmware/versions';
import { fullName } from '@/core/model/fitted';
import { routeWords, stepWords, wayBackWords } from '@/core/words/firmware';
import { useDraft, useSeat } from '../seat/store';

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
    <div style={{ maxWidth: 720 }}>
      <div className="panehead">
        <h2>Firmware of {fullName(board.part)}</h2>
        <button type="button" className="link small" onClick={() => open(undefined)}>
          Back to the map
        </button>
      </div>
      <p>{routeWords(plan)}</p>
      {draft.firmware !== undefined && (
        <p className="quiet small" style={{ marginTop: 4 }}>
          Set by hand to {draft.firmware}; it ships with {board.part.shippedFirmware ?? 'an unknown version'}.{' '}
          <button
            type="button"
            className="link"
            onClick={() => editDraft({ kind: 'firmware' }, 'Firmware as it ships')}
          >
            Count on what it ships with
          </button>
        </p>
      )}
      {plan.takes && (
        <p style={{ marginTop: 6 }}>
          {plan.route === 'not-needed' ? 'Newest without a known fault' : 'Version to take'}:{' '}
          <b>{plan.takes.version}</b>, {plan.takes.channel === 'beta' ? 'a beta' : 'a release'}
          {plan.takes.fault ? <span className="caution">. Known of it: {plan.takes.fault}</span> : ', no fault known'}.
        </p>
      )}
      {plan.steps.length > 0 && (
        <>
          <h3 style={{ marginTop: 12 }}>Steps</h3>
          <ol>
            {plan.steps.map((step, i) => (
              <li key={step.do} className="row" style={{ alignItems: 'baseline', padding: '3px 0' }}>
                <span className="num quiet" style={{ width: 18 }}>
                  {i + 1}
                </span>
                <span>{stepWords(step)}</span>
              </li>
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
      <p style={{ marginTop: 10 }}>{wayBackWords(plan)}</p>
      <h3 style={{ marginTop: 14 }}>Versions published</h3>
      {versions.length === 0 ? (
        <p className="quiet">None is stated for this board.</p>
      ) : (
        <table>
          <thead>
            <tr>
              <th scope="col">Version</th>
              <th scope="col">Channel</th>
              <th scope="col">Knows the processor</th>
              <th scope="col">Known faults</th>
            </tr>
          </thead>
          <tbody>
            {versions.map((entry) => (
              <tr key={entry.version}>
                <td>
                  {entry.version}
                  {entry.version === board.part.shippedFirmware && <span className="quiet"> ships with it</span>}
                </td>
                <td className={entry.channel === 'beta' ? 'caution' : ''}>{entry.channel}</td>
                <td>
                  {processor === undefined
                    ? 'no processor chosen'
                    : plan.needs === undefined || compareVersions(entry.version, plan.needs) >= 0
                      ? 'yes'
                      : 'no'}
                </td>
                <td>{entry.fault ?? <span className="quiet">none stated</span>}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
