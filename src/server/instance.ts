import { openService, type Service } from './service';

/** One service a process; kept on the global object so that a reloaded module in development does not open it twice. */
const holder = globalThis as { vaneService?: Service };

export const service = (): Service => (holder.vaneService ??= openService());
