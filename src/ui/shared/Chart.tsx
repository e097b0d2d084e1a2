'use client';

import Skeleton from '@mui/material/Skeleton';
import { CHART_PX } from './chartSize';
import { later } from './later';

/** Its buttons and its axis under the drawing, px. */
const AROUND_PX = 30;

/** The line chart, fetched when one is drawn; its place is held meanwhile. */
export const LineChart = later(() => import('./LineChart').then((module) => module.LineChart), {
  meanwhile: ({ height = CHART_PX }) => <Skeleton variant="rectangular" height={height + AROUND_PX} />,
});
