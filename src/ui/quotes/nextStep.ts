/** What can happen to a line of an order after what has happened to it. */
export type NextStep = 'bought' | 'received' | 'back' | 'refund';
