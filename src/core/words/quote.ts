import type { Assessment } from '../assess';
import type { NotPriced } from '../quote/priced';
import type { Quote, Telling } from '../quote/quote';
import type { Currency } from '../units/money';
import { coins, number } from './format';
import { lackingWord } from './money';
import { getsText, needText } from './results';

const resultOf = (machine: Assessment, task: string) => machine.tasks.find((result) => result.task === task);

/** How a client reads what a machine does. */
export const QUOTE_TELLING: Telling = {
  needs: (machine, task) => {
    const result = resultOf(machine, task);
    return result ? needText(result) : 'no target';
  },
  does: (machine, task) => {
    const result = resultOf(machine, task);
    return result ? getsText(result) : 'not known';
  },
  lacking: lackingWord,
};

/** Why a quote cannot be made, with the mend. */
export function notPricedWords(why: NotPriced, currency: Currency): string {
  switch (why.code) {
    case 'nothing-to-sell':
      return 'has nothing to sell: every part is owned already, or has no price';
    case 'total-too-low':
      return `cannot come to ${coins(why.totalMinor, currency)}: without any part it comes to ${coins(why.leastMinor, currency)}; ask for more, or leave work or sending out`;
    case 'total-out-of-reach':
      return `cannot come to ${coins(why.totalMinor, currency)}: the discount takes whatever parts come to; take less off`;
    case 'discount-too-high':
      return `has a discount of ${coins(why.discountMinor, currency)} on ${coins(why.amountMinor, currency)}; take less off`;
  }
}

/** "7.5 %" */
export const rateWords = (rate: number): string => `${number(rate * 100, 4)} %`;

/** What a quote says beneath its total, a sentence each. */
export function quoteNotes(quote: Quote): string[] {
  const { currency } = quote;
  const parts = quote.partsThereOn;
  return [
    `Prices are written ${quote.pricesIncludeTax ? 'with' : 'without'} ${quote.taxName}; the total is with it. Valid until ${quote.validUntil}.`,
    ...(quote.unpriced.length > 0 ? [`Without a price, and in no total: ${quote.unpriced.join(', ')}.`] : []),
    ...(quote.lacking.length > 0 ? [`Wanted, and not in it: ${quote.lacking.join(', ')}.`] : []),
    ...(quote.depositMinor > 0
      ? [
          `${coins(quote.depositMinor, currency)} are paid with the order, ${coins(quote.restMinor, currency)} ${quote.paymentDays === undefined ? 'on delivery' : `within ${quote.paymentDays} days of it`}.`,
        ]
      : quote.paymentDays === undefined
        ? []
        : [`Payable within ${quote.paymentDays} days.`]),
    ...(parts === undefined ? [] : [`If it is ordered today, the last part is there on ${parts}.`]),
    ...(quote.warrantyMonths === undefined
      ? []
      : [`${quote.warrantyMonths} months of warranty${quote.covers === undefined ? '' : `: ${quote.covers}`}.`]),
    ...(quote.notIncluded.length > 0 ? [`Not included: ${quote.notIncluded.join(', ')}.`] : []),
  ];
}
