/**
 * What a page may do, and who may hold it: sent with every answer. `nonce` marks the scripts that we wrote ourselves;
 * without one there are none.
 */
export declare function policy(nonce: string | undefined, development: boolean): string;
