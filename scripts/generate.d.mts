/** Every source below some folders, tests left out. */
export function sourcesBelow(...folders: string[]): string[];
/** Makes the document's validator unless it is in step. */
export function ensureValidator(): Promise<void>;
/** Makes the command line and the planning threads unless they are in step. */
export function ensureTools(): Promise<void>;
