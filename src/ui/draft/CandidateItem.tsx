'use client';

import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import type { Part } from '@/core/parts';
import { failing } from '@/core/rules/rule';
import { differencesOf, rootOf } from '@/core/parts/lookalikes';
import { findingWords } from '@/core/words/findings';
import { coins, coinsChange, number } from '@/core/words/format';
import type { CandidateLine } from '@/core/words/candidateLine';
import type { CandidateRow } from '@/workers/api';
import { valueWords } from '@/core/words/values';
import { Beam } from '../shared/Beam';
import { LevelSign } from '../shared/Level';
import { TurnsAt } from '../shared/TurnsAt';
import { useMoment } from '../seat/moment';
import { useCurrency, useSeat } from '../seat/useSeat';
import { useExplanation, type Place } from './useCandidates';

const SHOWN_DIFFERENCES = 4;

/** An edition of the part that is there now: what differs is said where it is chosen (J13). */
function Alike({ present, part }: { present: Part; part: Part }) {
  if (rootOf(present) !== rootOf(part)) return null;
  const differences = differencesOf(present, part);
  const more = differences.length - SHOWN_DIFFERENCES;
  const said = differences.slice(0, SHOWN_DIFFERENCES).map(({ field, here, there }) => {
    const [now, then] = [valueWords(field, here), valueWords(field, there)];
    // structures may differ in what their words leave out
    return now === then ? `${field.label} not the same` : `${field.label} ${then} instead of ${now}`;
  });
  return (
    <Box component="span" className={`small ${differences.length > 0 ? 'caution' : 'quiet'}`} sx={{ display: 'block' }}>
      {differences.length === 0
        ? 'an edition of what is there; no figure differs'
        : `◆ an edition of what is there: ${said.join(', ')}${more > 0 ? ` and ${more} more` : ''}`}
    </Box>
  );
}

const SHOWN_TASKS = 3;

interface CandidateItemProps {
  readonly row: CandidateLine;
  readonly place: Place;
  readonly active: boolean;
  /** The figures that decide, in columns; left out in a list of several kinds, where each says what it is. */
  readonly figures: ReactNode;
}

/** A candidate: its price, the figures that decide, and what it does to tasks and findings. */
export function CandidateItem({ row, place, active, figures }: CandidateItemProps) {
  const currency = useCurrency();
  const price = row.current
    ? 'in the draft'
    : row.landedMinor === undefined
      ? 'no offer'
      : row.priceMinor === undefined
        ? coins(row.landedMinor, currency)
        : coinsChange(row.priceMinor, currency);
  const explained = useExplanation(place, row.current ? undefined : row.part);
  return (
    <>
      <span className="spread">
        <b className="cut">{row.name}</b>
        <Box
          component="span"
          className={`num${row.current ? ' quiet' : ''}`}
          sx={{ fontWeight: row.current ? 400 : 650 }}
        >
          {price}
        </Box>
      </span>
      {figures ?? (
        <Box component="span" className="quiet small" sx={{ display: 'block' }}>
          {row.what} · {row.figures}
        </Box>
      )}
      {explained && <Explanation row={explained} place={place} active={active} />}
    </>
  );
}

/** What a candidate does to tasks and findings, and how it differs from the part that is there. */
function Explanation({ row, place, active }: { row: CandidateRow; place: Place; active: boolean }) {
  const { effect, part } = row;
  const names = place.brief.tasks;
  const item = place.draft.items.find(({ id }) => id === place.position.item);
  const present = useMoment().context.catalogue.part(item?.part ?? '');
  const looked = useSeat((state) => state.preview);
  const changed = effect.tasks.filter(
    (task) =>
      task.before !== task.after ||
      Math.abs(Math.log((task.ratio?.likely ?? 1) / (task.ratioBefore?.likely ?? 1))) > 0.01,
  );
  const mended = effect.mended.filter((finding) => finding.level !== 'note');
  const open = effect.brought.find((finding) => finding.level === 'unproven' && 'missing' in finding);
  const blocking = effect.brought.filter(({ level }) => failing(level));
  const others = effect.brought.filter(({ level }) => !failing(level) && level !== 'note');
  return (
    <>
      {present && <Alike present={present} part={part} />}
      {changed.length > 0 && row.fits && (
        <Box
          component="span"
          sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', columnGap: '12px', rowGap: '2px', marginTop: '3px' }}
        >
          {changed.slice(0, SHOWN_TASKS + (changed.length === SHOWN_TASKS + 1 ? 1 : 0)).map((task) => (
            <Box component="span" key={task.task} sx={{ minWidth: 0 }}>
              <Box component="span" className="small cut quiet" sx={{ display: 'block' }}>
                {names.find((entry) => entry.id === task.task)?.name}
              </Box>
              <Beam
                axis={{ kind: 'ratio' }}
                band={task.ratio}
                verdict={task.after}
                sentence={`${names.find((entry) => entry.id === task.task)?.name ?? ''}: ${task.ratio ? `${number(task.ratio.likely, 2)} times the target` : 'unproven'}`}
                compact
              />
            </Box>
          ))}
          {changed.length > SHOWN_TASKS + 1 && (
            <span className="small quiet">and {changed.length - SHOWN_TASKS} more tasks change</span>
          )}
        </Box>
      )}
      {mended.length > 0 && (
        <Box component="span" className="small carries" sx={{ display: 'block', marginTop: '2px' }}>
          mends:{' '}
          {mended
            .map((finding) => findingWords(finding).says)
            .slice(0, 2)
            .join(' ')}
        </Box>
      )}
      {[...blocking, ...others].slice(0, 2).map((finding, i) => (
        <Box component="span" key={i} className={`small ${finding.level}`} sx={{ display: 'block', marginTop: '2px' }}>
          <LevelSign level={finding.level} /> {findingWords(finding).says}
        </Box>
      ))}
      {active && looked && open && <TurnsAt machine={looked} finding={open} />}
    </>
  );
}
