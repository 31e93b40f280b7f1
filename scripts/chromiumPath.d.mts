export const chromiumPath: () => string;
export const CHROMIUM_ARGS: string[];
