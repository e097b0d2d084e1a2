/** Address of a seat's station in the app. */
export const seatAddress = (project: string, seat: string, station: string): string =>
  `/${encodeURIComponent(project)}/${encodeURIComponent(seat)}/${station}`;

/** Address of the Draft station with one draft shown. */
export const draftAddress = (project: string, seat: string, draft: string): string =>
  `${seatAddress(project, seat, 'draft')}?draft=${encodeURIComponent(draft)}`;
