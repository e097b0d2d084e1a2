'use client';

import { Num, Pick } from '../shared/phrases';
import type { EditingTerms } from './editing';

const GROWTH = { label: 'Growth of what is kept', explains: 'Space is asked for at the end of the years of service.' };
const KEEPING = {
  label: 'Copies',
  explains: 'Three copies, one of them in another place, outlive a fire and a theft.',
};

/** How long the machine serves, how what is kept grows, and in how many copies. */
export function Service({ brief, edit }: EditingTerms) {
  return (
    <>
      It serves{' '}
      <Num
        label="Years of service"
        value={brief.yearsOfService}
        unit="years"
        min={0.5}
        max={20}
        onChange={(value) =>
          value !== undefined && edit({ kind: 'set-figures', figures: { yearsOfService: value } }, 'Years of service')
        }
      />
      ; what is kept grows{' '}
      <Num
        label="Growth a year"
        value={brief.growthPercent ?? 0}
        unit="%"
        min={0}
        max={500}
        figure={GROWTH}
        onChange={(value) => edit({ kind: 'set-figures', figures: { growthPercent: value ?? 0 } }, 'Growth a year')}
      >
        {`${brief.growthPercent ?? 0} % a year`}
      </Num>{' '}
      and is held as{' '}
      <Pick
        label="Copies"
        value={brief.keeping ?? 'one'}
        options={[
          ['one', 'one copy'],
          ['two', 'two copies'],
          ['three', 'three copies, one elsewhere'],
        ]}
        figure={KEEPING}
        onChange={(keeping) => edit({ kind: 'set-figures', figures: { keeping } }, 'Copies')}
      />
      {(brief.keeping ?? 'one') !== 'one' && (
        <>
          , the second{' '}
          <Pick
            label="Where the second copy lies"
            value={brief.secondCopy ?? 'here'}
            options={[
              ['here', 'on a drive of this machine'],
              ['server', 'on the storage server'],
            ]}
            onChange={(secondCopy) => edit({ kind: 'set-figures', figures: { secondCopy } }, 'Second copy')}
          />
        </>
      )}
      .
    </>
  );
}
