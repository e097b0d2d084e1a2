// by itself: the desk's page needs this and none of what a glance is made with
import type { Glance } from './glance';

/** Whether somebody has to look at this draft: its work or its parts are not in order. */
export const needsLook = ({ empty, work, parts }: Glance): boolean =>
  !empty && (work?.verdict === 'short' || parts.verdict === 'short');
