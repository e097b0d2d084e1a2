export declare const INTERFACE: readonly { readonly selector: string; readonly message: string }[];
