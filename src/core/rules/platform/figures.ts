/** What the comparisons of processor, board and cooler find. */
export type PlatformFigures =
  | {
      readonly code: 'sockets';
      readonly name: string;
      readonly socket: string;
      readonly board: string;
      readonly boardSocket: string;
    }
  | { readonly code: 'family'; readonly processor: string; readonly family: string; readonly board: string }
  | {
      readonly code: 'firmware';
      readonly processor: string;
      readonly board: string;
      readonly minimum: string;
      readonly has: string;
      readonly route: 'without-processor' | 'with-processor' | 'none';
      /** The version to take: the newest release that knows the processor, else a beta. */
      readonly takes: string | undefined;
      readonly channel: 'release' | 'beta' | undefined;
      readonly fault: string | undefined;
    }
  | {
      readonly code: 'cooler-socket';
      readonly cooler: string;
      readonly socket: string;
      readonly kit: 'included' | 'apart' | 'added' | 'none';
    }
  | {
      readonly code: 'board-power';
      readonly processor: string;
      readonly powerW: number;
      readonly board: string;
      readonly sustainsW: number;
    };
