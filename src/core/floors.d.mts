export declare const FLOORS: readonly { readonly folders: readonly string[]; readonly holds: string }[];
