'use client';

import Box from '@mui/material/Box';
import { memo } from 'react';
import { shallow } from 'zustand/shallow';
import { TextButton } from '../shared/TextButton';
import type { Brief } from '@/core/model/brief';
import { minorOfShown, shownCoins } from '@/core/units/money';
import { coins } from '@/core/words/format';
import { briefAnswer } from '@/core/words/answers';
import { unusualTerms } from '@/core/words/terms';
import { useJudge } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { Answer } from '../shared/Answer';
import { useRemembered } from '../shared/useRemembered';
import { TermsNote } from '../find/DemandNote';
import { OwnedDisplays } from './OwnedDisplays';
import { Buying } from './Buying';
import { Service } from './Service';
import { Num, Pick } from '../shared/phrases';
import { Connections, WholeDesk } from './WholeDesk';
import type { EditingTerms } from './editing';

/** What the work demands, and whether a draft meets it. */
function BriefAnswer() {
  const judge = useJudge();
  const drafts = useSeat((state) => state.bundle.drafts);
  const made = drafts.filter(({ body }) => body.present !== true);
  return <Answer>{briefAnswer(made.map(({ body }) => judge(body)))}</Answer>;
}

/** Budget and what differs from the usual in one line; all terms behind it. Work that changes leaves them as they are. */
export const Terms = memo(TermsLine, (was, is) => was.edit === is.edit && shallow(was.brief, is.brief));

function TermsLine({ brief, edit }: EditingTerms) {
  const region = useSeat((state) => state.context.catalogue.region(brief.region));
  const currency = region?.currency ?? 'USD';
  const must = brief.mustHaves;
  const [open, setOpen] = useRemembered('all terms', false);
  const unusual = unusualTerms(brief, currency);
  const set = (patch: Partial<Brief['mustHaves']>) =>
    edit(
      {
        kind: 'set-must-haves',
        mustHaves: Object.fromEntries(Object.entries({ ...must, ...patch }).filter(([, value]) => value !== undefined)),
      },
      'Must-haves',
    );
  const flag = (label: string, key: 'errorCorrection' | 'wireless' | 'drivesReachable', yes: string, no: string) => (
    <Pick
      label={label}
      value={must[key] ?? false}
      options={[
        [true, yes],
        [false, no],
      ]}
      onChange={(value) => set({ [key]: value })}
    />
  );
  return (
    <div>
      <BriefAnswer />
      <p className="sentence">
        A budget of{' '}
        <Num
          label="Budget"
          value={brief.budgetMinor === undefined ? undefined : shownCoins(brief.budgetMinor, currency)}
          unit={currency}
          min={1}
          optional
          onChange={(value) =>
            edit(
              value === undefined
                ? { kind: 'set-budget' }
                : { kind: 'set-budget', budgetMinor: minorOfShown(value, currency) },
              'Budget',
            )
          }
        >
          {brief.budgetMinor === undefined ? 'any amount' : coins(brief.budgetMinor, currency)}
        </Num>
        ,{' '}
        <Pick
          label="Tax basis"
          value={brief.budgetTaxIncluded}
          options={[
            [true, 'tax and shipping in'],
            [false, 'before tax'],
          ]}
          onChange={(budgetTaxIncluded) => edit({ kind: 'set-figures', figures: { budgetTaxIncluded } }, 'Tax basis')}
        />
        {brief.budgetMinor !== undefined && (
          <>
            ,{' '}
            <Pick
              label="How firm the budget is"
              value={brief.budgetFirm ?? false}
              options={[
                [false, 'as a wish'],
                [true, 'firm'],
              ]}
              onChange={(budgetFirm) =>
                edit({ kind: 'set-figures', figures: { budgetFirm } }, 'How firm the budget is')
              }
            />
          </>
        )}
        , in {region?.name ?? brief.region}
        {unusual.length > 0 && ` · ${unusual.join(' · ')}`}.{' '}
        <span className="unprinted">
          <TextButton aria-expanded={open} aria-controls="more-terms" onClick={() => setOpen(!open)}>
            {open ? 'fewer terms' : 'all terms'}
          </TextButton>
        </span>
      </p>
      <TermsNote />
      <Box
        component="p"
        id="more-terms"
        className="sentence"
        sx={{ display: open ? 'block' : 'none', '@media print': { display: 'block' } }}
      >
        A room of{' '}
        <Num
          label="Room temperature"
          value={brief.roomC}
          unit="°C"
          max={60}
          onChange={(value) => edit({ kind: 'set-figures', figures: { roomC: value ?? 24 } }, 'Room temperature')}
        />
        . Memory errors: {flag('Error-correcting memory', 'errorCorrection', 'must be corrected', 'need no correction')}
        ; network:{' '}
        <Num
          label="Network"
          value={must.networkGbitPerS}
          unit="Gb/s"
          min={0.1}
          optional
          onChange={(networkGbitPerS) => set({ networkGbitPerS })}
        >
          {must.networkGbitPerS === undefined ? 'any' : `${must.networkGbitPerS} Gb/s or more`}
        </Num>
        ; wireless: {flag('Wireless', 'wireless', 'needed', 'not needed')}; noise:{' '}
        <Num
          label="Noise limit"
          value={must.noiseDbA}
          unit="dB(A) at 1 m"
          min={15}
          max={80}
          optional
          onChange={(noiseDbA) => set({ noiseDbA })}
        >
          {must.noiseDbA === undefined ? 'any' : `at most ${must.noiseDbA} dB(A)`}
        </Num>
        ; drives: {flag('Drives within reach', 'drivesReachable', 'within reach, cards in place', 'anywhere')}; on at
        rest{' '}
        <Num
          label="Hours a week at rest"
          value={brief.idleHoursPerWeek ?? 0}
          unit="h a week"
          max={168}
          onChange={(value) =>
            edit({ kind: 'set-figures', figures: { idleHoursPerWeek: value ?? 0 } }, 'Hours at rest')
          }
        />
        . <Service brief={brief} edit={edit} />
        <Buying brief={brief} edit={edit} /> It drives <OwnedDisplays brief={brief} edit={edit} />.
        <Connections brief={brief} edit={edit} />
        <WholeDesk brief={brief} edit={edit} />
      </Box>
    </div>
  );
}
