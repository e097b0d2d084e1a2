/** What is delivered in. */
export const OUT_CODECS = ['h264', 'hevc', 'av1', 'mezzanine'] as const;
/** How thoroughly software looks for what it can save. */
export const PRESETS = ['fast', 'medium'] as const;
