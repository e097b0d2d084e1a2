'use client';

import Skeleton from '@mui/material/Skeleton';
import { later } from './later';

/** The calendar is fetched when a day is asked for. */
export const DayField = later(() => import('./DayField').then((module) => module.DayField), {
  meanwhile: () => <Skeleton variant="rectangular" width={190} height={30} />,
});
