import { filmBrief, filmDrafts } from '@/demo/ninefathom';
import { addSeat } from '@/store/projectStore';
import type { Service } from '../service';

/** The film desk as a seat of its own project. */
export const addFilm = (service: Service): Promise<void> =>
  addSeat(service.db, {
    projectId: 'p',
    projectName: 'Project',
    seatId: 'film',
    seatName: 'Film',
    brief: filmBrief(),
    drafts: filmDrafts(),
  });
