import type { IncomingMessage, ServerResponse } from 'node:http';

type Handle = (request: IncomingMessage, response: ServerResponse) => Promise<void>;

/**
 * Pages that are asked for while the same page is being made get that one, each under a nonce of its own. Only requests
 * alike in every header share, only pages, and only while `stamp` (of what is stored) stays the same: nobody gets a page
 * that was begun before a change they know of. `stamp` gives undefined when it is not known; then nothing is shared.
 */
export declare function together(handle: Handle, stamp: () => unknown): Handle;
