export declare const WAITING: readonly { readonly selector: string; readonly message: string }[];
