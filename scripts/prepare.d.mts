export declare const DEMO: { readonly db: string; readonly catalogue: string; readonly feed: string };
export declare function demoForTests(): Promise<void>;
