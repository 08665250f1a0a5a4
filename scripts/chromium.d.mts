/** How the machine's own Chromium is started. */
export const CHROMIUM: { executablePath: string; args: string[] };
