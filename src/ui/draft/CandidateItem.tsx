'use client';

import Box from '@mui/material/Box';
import { fullName } from '@/core/model/fitted';
import type { Part } from '@/core/parts';
import { failing } from '@/core/rules/rule';
import { differencesOf, rootOf } from '@/core/parts/lookalikes';
import { findingWords } from '@/core/words/findings';
import { decidingTexts, keyFigures } from '@/core/words/partFigures';
import { coins, coinsChange, number } from '@/core/words/format';
import { kindName } from '@/core/words/names';
import type { CandidateRow } from '@/workers/api';
import { valueWords } from '@/core/words/values';
import { Beam } from '../shared/Beam';
import { LevelSign } from '../shared/Level';
import { TurnsAt } from '../shared/TurnsAt';
import { useBrief } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { candidateId } from './trayList';
import { Hint } from '../shared/Hint';

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

/** A candidate: its price, the figures that decide, and what it does to tasks and findings. */
export function CandidateItem({
  row,
  active,
  present,
  onLook,
  onTake,
  columns,
  under,
}: {
  row: CandidateRow;
  active: boolean;
  /** The part in the position now. */
  present: Part | undefined;
  /** Which of the deciding figures stand in columns; undefined in a list of several kinds, where each says what it is. */
  columns: readonly TrayColumn[] | undefined;
  /** It stands under another edition of the same part. */
  under: boolean;
  onLook: () => void;
  onTake: () => void;
}) {
  const { effect, part } = row;
  const texts = decidingTexts(part);
  const names = useBrief().tasks;
  const currency = useSeat(
    (state) => state.context.catalogue.region(state.bundle.brief.body.region)?.currency ?? 'USD',
  );
  const changed = effect.tasks.filter(
    (task) =>
      task.before !== task.after ||
      Math.abs(Math.log((task.ratio?.likely ?? 1) / (task.ratioBefore?.likely ?? 1))) > 0.01,
  );
  const mended = effect.mended.filter((finding) => finding.level !== 'note');
  const looked = useSeat((state) => state.preview);
  const open = effect.brought.find((finding) => finding.level === 'unproven' && 'missing' in finding);
  const blocking = effect.brought.filter(({ level }) => failing(level));
  const others = effect.brought.filter(({ level }) => !failing(level) && level !== 'note');
  const price = row.current
    ? 'in the draft'
    : row.landedMinor === undefined
      ? 'no offer'
      : effect.priceMinor === undefined
        ? coins(row.landedMinor, currency)
        : coinsChange(effect.priceMinor, currency);
  return (
    <Box
      id={candidateId(part.id)}
      role="option"
      aria-selected={active}
      className={`tray-item${row.fits ? '' : ' misfit'}`}
      sx={{ padding: '7px 14px 7px 11px', paddingLeft: under ? '26px' : '11px', cursor: 'pointer' }}
      onClick={onLook}
      onDoubleClick={onTake}
    >
      <span className="spread">
        <b className="cut">{fullName(part)}</b>
        <Box
          component="span"
          className={`num${row.current ? ' quiet' : ''}`}
          sx={{ fontWeight: row.current ? 400 : 650 }}
        >
          {price}
        </Box>
      </span>
      {columns ? (
        <Columns columns={columns} texts={columns.map(({ at }) => texts[at] ?? '')} />
      ) : (
        <Box component="span" className="quiet small" sx={{ display: 'block' }}>
          {part.kind === 'expansion' ? (part.purpose ?? 'expansion card') : kindName(part.kind)} · {keyFigures(part)}
        </Box>
      )}
      {present && !row.current && <Alike present={present} part={part} />}
      {!row.current && changed.length > 0 && row.fits && (
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
      {!row.current && mended.length > 0 && (
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
    </Box>
  );
}

/** A column of the tray: which of the deciding figures, and how many letters its longest text has. */
export interface TrayColumn {
  readonly at: number;
  readonly head: string;
  readonly width: number;
}

/** Texts in columns as wide as their longest: under each other in every row, as the heads above them. */
export const Columns = ({ columns, texts }: { columns: readonly TrayColumn[]; texts: readonly string[] }) => (
  <Box
    component="span"
    className="quiet small"
    sx={{
      display: 'grid',
      gridTemplateColumns: columns.map(({ width }) => `minmax(${width * 0.85}ch, ${width}fr)`).join(' '),
      columnGap: '8px',
    }}
  >
    {texts.map((text, i) => (
      <Hint key={i} says={text}>
        <span className="cut">{text}</span>
      </Hint>
    ))}
  </Box>
);
