export declare const DEMO: { readonly db: string; readonly catalogue: string };
export declare function demoForTests(): Promise<void>;
