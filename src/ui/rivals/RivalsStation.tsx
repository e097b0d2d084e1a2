'use client';

import { Press } from '../shared/Press';
import Box from '@mui/material/Box';
import { useMemo, useState, type KeyboardEvent } from 'react';
import { basketFor } from '@/core/versus/basketFor';
import { compareWithRival, type Comparison } from '@/core/versus/rivals';
import type { Currency } from '@/core/units/money';
import { coins, number } from '@/core/words/format';
import { useDraftAssessment, useMoment } from '../seat/moment';
import { Beam } from '../shared/Beam';
import { DraftChips } from '../shared/DraftChips';
import { Against } from './Against';
import { ratioVerdict } from './ratios';
import { Term } from '../shared/Term';
import { Opener } from '../shared/Opener';
import { later, opening } from '../shared/later';

// the form is fetched when somebody enters one
const EnterRival = later(() => import('./EnterRival').then((module) => module.EnterRival), { meanwhile: opening });

const Enter = () => <Opener label="Enter a branded machine">{(close) => <EnterRival onDone={close} />}</Opener>;

/** This draft against branded machines: all of them at a glance, and one in full. */
export function RivalsStation() {
  const draft = useDraftAssessment();
  const { brief, context } = useMoment();
  const [chosen, setChosen] = useState<string>();
  const comparisons = useMemo(() => {
    const basket = basketFor(draft);
    return context.catalogue.rivals.map((rival) => compareWithRival(draft, basket, rival, brief, context));
  }, [draft, context, brief]);
  const shown =
    comparisons.find((comparison) => comparison.side.rival.id === chosen) ??
    comparisons.find((comparison) => comparison.theirs) ??
    comparisons[0];
  if (!shown)
    return (
      <div className="pane">
        <h2>Rivals</h2>
        <p className="quiet">
          There is no branded machine yet. Import a catalogue that holds some, or enter one: put its parts into a draft,
          and make that a branded machine here.
        </p>
        <Enter />
      </div>
    );
  const { currency } = draft.facts.price;
  const walk = (event: KeyboardEvent<HTMLDivElement>) => {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    const next = comparisons[comparisons.indexOf(shown) + step];
    if (!next) return;
    setChosen(next.side.rival.id);
    event.currentTarget.querySelectorAll<HTMLElement>('[role="option"]')[comparisons.indexOf(next)]?.focus();
  };
  return (
    <Box className="columns" sx={{ gridTemplateColumns: 'minmax(300px, 372px) minmax(0, 1fr)' }}>
      <section className="pane" aria-label="Branded machines">
        <div className="panehead">
          <h2>Branded machines</h2>
          <span className="quiet small">
            <Term word="landed" />, {currency}, tax and shipping in
          </span>
        </div>
        <p className="quiet small">
          Right of the middle is better for {draft.facts.machine.name}: cheaper on the first beam, faster on the second.
        </p>
        <div role="listbox" aria-label="Branded machine" onKeyDown={walk}>
          {comparisons.map((comparison) => {
            const { rival } = comparison.side;
            const name = `${rival.maker} ${rival.name}`;
            return (
              <Press
                key={rival.id}
                role="option"
                aria-selected={comparison === shown}
                aria-label={`${name}: ${heardAs(comparison, currency)}`}
                className="tray-item on-sheet"
                onClick={() => setChosen(rival.id)}
              >
                <span className="spread">
                  <b>{name}</b>
                  <span className="num">
                    {comparison.theirs ? coins(comparison.theirs.landedMinor, currency) : 'not sold here'}
                  </span>
                </span>
                <Box component="span" sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: '12px' }}>
                  <Beam
                    axis={{ kind: 'ratio' }}
                    compact
                    band={
                      comparison.priceRatio === undefined
                        ? undefined
                        : {
                            low: 1 / comparison.priceRatio,
                            likely: 1 / comparison.priceRatio,
                            high: 1 / comparison.priceRatio,
                          }
                    }
                    verdict={ratioVerdict(comparison.priceRatio === undefined ? undefined : 1 / comparison.priceRatio)}
                    gets={
                      comparison.priceRatio === undefined
                        ? comparison.ours.landedMinor === 0
                          ? 'nothing bought'
                          : 'price unknown'
                        : `${number(comparison.priceRatio, 2)} of its price`
                    }
                    sentence={
                      comparison.priceRatio === undefined
                        ? 'price cannot be compared'
                        : `ours costs ${number(comparison.priceRatio, 2)} of its price`
                    }
                  />
                  <Beam
                    axis={{ kind: 'ratio' }}
                    compact
                    band={comparison.speedRatio}
                    verdict={ratioVerdict(comparison.speedRatio)}
                    need={
                      comparison.tasksCompared < brief.tasks.length
                        ? `${comparison.tasksCompared} of ${brief.tasks.length} tasks`
                        : undefined
                    }
                    gets={
                      comparison.speedRatio
                        ? `${number(comparison.speedRatio.likely, 2)} × its speed`
                        : 'speed unproven'
                    }
                    sentence={
                      comparison.speedRatio
                        ? `ours is ${number(comparison.speedRatio.likely, 2)} times as fast`
                        : 'speed cannot be compared'
                    }
                  />
                </Box>
              </Press>
            );
          })}
        </div>
        <Enter />
      </section>
      <section className="pane" aria-label="In full">
        <DraftChips />
        <Against key={shown.side.rival.id} comparison={shown} draft={draft} />
      </section>
    </Box>
  );
}

/** A branded machine as a screen reader says it in the list. */
function heardAs({ theirs, priceRatio, speedRatio }: Comparison, currency: Currency): string {
  return [
    theirs ? `${coins(theirs.landedMinor, currency)} landed` : 'not sold here',
    ...(priceRatio === undefined ? [] : [`ours costs ${number(priceRatio, 2)} of its price`]),
    speedRatio ? `ours is ${number(speedRatio.likely, 2)} times as fast` : 'speed cannot be compared',
  ].join(', ');
}
