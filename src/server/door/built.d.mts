import type { IncomingMessage, ServerResponse } from 'node:http';

/**
 * Answers for the files of the build in `folder`, which never change: read straight from there, packed where the build
 * packed them, at a tenth of what the framework takes for each. All else, what is not there, and who is not to be let in,
 * is for `otherwise`.
 */
export declare function built(
  folder: string,
): (request: IncomingMessage, response: ServerResponse, otherwise: () => void) => void;
