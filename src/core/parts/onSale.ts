import type { Part } from '.';

/** Where a part stands between its announcement and its withdrawal. */
export type SaleState = 'announced' | 'on sale' | 'withdrawn';

/**
 * A part's state on a day; days are ISO dates, which compare as text. A part without dates is on sale.
 * @example saleState({ onSale: '2031-05-01', withdrawn: '2034-01-31' }, '2034-01-31') // 'withdrawn'
 */
export const saleState = ({ onSale, withdrawn }: Pick<Part, 'onSale' | 'withdrawn'>, today: string): SaleState =>
  withdrawn !== undefined && withdrawn <= today
    ? 'withdrawn'
    : onSale !== undefined && onSale > today
      ? 'announced'
      : 'on sale';

/** Whether a part may be proposed to somebody who buys today. */
export const isOnSale = (part: Pick<Part, 'onSale' | 'withdrawn'>, today: string): boolean =>
  saleState(part, today) === 'on sale';
