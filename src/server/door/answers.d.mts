/** Methods that are known: those that read, and those that change something. */
export declare const READS: readonly string[];
export declare const WRITES: readonly string[];
/** Headers of every answer besides the policy. */
export declare const HEADERS: Readonly<Record<string, string>>;
