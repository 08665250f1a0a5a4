import { appendFileSync } from 'node:fs';

/** What a test measured goes into the file from which docs/reliability.md is made, where one is named. */
export function measured(what: string, value: unknown): void {
  if (process.env.FOVEA_MEASURED) appendFileSync(process.env.FOVEA_MEASURED, `${JSON.stringify([what, value])}\n`);
}
