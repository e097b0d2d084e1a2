/** Height of a line chart that does not say its own, px. */
export const CHART_PX = 200;
