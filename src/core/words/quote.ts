import type { NotHad, Quote } from '../quote/document';
import type { OptionOut } from '../quote/options';
import type { NotPriced } from '../quote/priced';
import type { Currency } from '../units/money';
import { findingWords } from './findings';
import { coins, listed } from './format';

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

/** Why an option is not in a quote, with the mend. */
export function optionOutWords({ name, because, findings }: OptionOut): string {
  switch (because) {
    case 'nothing-there':
      return `${name} is left out: what it changes is not in the machine any more, or what it brings is not in the library; take it away or choose anew`;
    case 'no-price':
      return `${name} is left out: nobody sells it here; give it a price by hand or take it away`;
    case 'brings': {
      const [first] = findings;
      return `${name} is left out: with it, ${first ? findingWords(first).says.replace(/\.$/, '') : 'the machine has a conflict'}`;
    }
  }
}

/** Why a client's choice cannot be had. */
export function notHadWords(why: NotHad, { options }: Pick<Quote, 'options'>): string {
  const name = (id: string): string => options.find((option) => option.id === id)?.name ?? id;
  switch (why.code) {
    case 'unknown':
      return `"${why.id}" is no choice of this quote`;
    case 'needs':
      return `${name(why.option)} can only be had with ${name(why.other)}; tick both or neither`;
    case 'not-all':
      return `${listed(why.options.map(name))} cannot be had together; leave one of them out`;
    case 'options-of-another':
      return 'options change the quoted machine; another in its place is had as it is';
  }
}
