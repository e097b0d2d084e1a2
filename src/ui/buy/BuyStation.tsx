'use client';

import Box from '@mui/material/Box';
import { useSearchParams } from 'next/navigation';
import { useState } from 'react';
import { landedByItem, type Basket } from '@/core/money/basket';
import { basketFor } from '@/core/versus/basketFor';
import { useDraftAssessment } from '../seat/moment';
import { useSeat } from '../seat/useSeat';
import { DraftChips } from '../shared/DraftChips';
import { ChoiceRow } from '../shared/ChoiceRow';
import { later, opening } from '../shared/later';
import { BasketView } from './BasketView';
import { Elsewhere } from './Elsewhere';
import { MachineHistory } from './MachineHistory';
import { PartPane } from './PartPane';
import { RefreshBar } from './RefreshBar';
import { usePriceState } from './usePrices';

// many look at the basket alone
const QuotesView = later(() => import('../quotes/QuotesView').then((module) => module.QuotesView), {
  meanwhile: opening,
});

/** How to buy this draft: the best basket by seller, each part's offers and history, watches, and another region. */
export function BuyStation() {
  const assessment = useDraftAssessment();
  const basket = basketFor(assessment);
  const [chosen, setChosen] = useState<string>();
  const prices = usePriceState();
  const [view, setView] = useView();
  const revision = useSeat((state) => state.bundle.catalogueRevision);
  const bought = assessment.facts.parts.all.filter(({ item }) => !item.owned);
  const dearest = dearestOf(basket);
  const shown =
    bought.find(({ item }) => item.id === chosen) ?? bought.find(({ item }) => item.id === dearest) ?? bought[0];
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: '100%', minHeight: 0 }}>
      <Box className="row wrap" sx={{ padding: '6px 14px', borderBottom: '1px solid var(--hair)' }}>
        <DraftChips />
        <ChoiceRow aria-label="View" value={view} options={VIEWS} onPick={setView} />
        <RefreshBar prices={prices} />
      </Box>
      {view === 'quotes' ? (
        <QuotesView />
      ) : bought.length === 0 ? (
        <div className="pane">
          <h1>Nothing to buy</h1>
          <p className="quiet">
            {assessment.facts.parts.all.length === 0
              ? 'This draft has no parts yet. Choose them in the Draft station.'
              : 'Every part of this draft is owned already.'}
          </p>
        </div>
      ) : (
        <Box className="columns" sx={{ gridTemplateColumns: 'minmax(0, 1fr) minmax(340px, 430px)', flex: '1 1 auto' }}>
          <section className="pane" aria-label="Basket">
            <BasketView assessment={assessment} basket={basket} chosen={shown?.item.id} onChoose={setChosen} />
            <MachineHistory assessment={assessment} basket={basket} prices={prices} turn={revision} />
            <Elsewhere assessment={assessment} rates={prices.state?.rates ?? []} />
          </section>
          <section className="pane" aria-label="Part">
            {shown && (
              <PartPane key={shown.item.id} fitted={shown} assessment={assessment} basket={basket} prices={prices} />
            )}
          </section>
        </Box>
      )}
    </Box>
  );
}

const VIEWS = [
  { id: 'basket', label: 'Basket' },
  { id: 'quotes', label: 'Quotes' },
] as const;
type View = (typeof VIEWS)[number]['id'];
const ASKED = 'view';

/** Which view is shown; the address says it, so that it can be kept and sent. */
function useView(): readonly [View, (view: View) => void] {
  const asked = useSearchParams().get(ASKED);
  const show = (view: View) => {
    const address = new URL(window.location.href);
    if (view === 'basket') address.searchParams.delete(ASKED);
    else address.searchParams.set(ASKED, view);
    window.history.pushState(null, '', address);
  };
  return [VIEWS.find(({ id }) => id === asked)?.id ?? 'basket', show];
}

/** The item that costs most: what one looks at first. */
const dearestOf = (basket: Basket): string | undefined =>
  [...landedByItem(basket)].sort(([, a], [, b]) => b - a)[0]?.[0];
