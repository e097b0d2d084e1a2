/** What the door looks at of a request. */
export interface Knock {
  readonly method: string;
  /** As the browser sent them, by lower-case name. */
  readonly header: (name: string) => string | null | undefined;
}

/** A request that is not let in, with what is said to it. */
export interface TurnedAway {
  readonly status: 400 | 403 | 405 | 421;
  readonly message: string;
}

/**
 * Whether a request may come in. A page elsewhere can reach a loopback address under a name of its own (rebinding), so
 * the name that was asked for has to be one of ours; and it can send forms and scripts, so whatever changes something has
 * to come from a page of the app itself. Sources: RFC 9110 (Host), Fetch metadata, RFC 6454 (Origin).
 */
export declare function turnedAway(knock: Knock): TurnedAway | undefined;
