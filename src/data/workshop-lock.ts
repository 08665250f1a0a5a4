import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** The file in the workshop's folder that says who has it open. */
const LOCK_FILE = 'open-by.json';

/** Who has a workshop open. */
export type WorkshopHolder = {
  pid: number;
  /** when the process started, as the system counts it; a number that was given out anew is then another process */
  started: string | null;
  address: string;
};

/** When a process started: the 22nd figure of what Linux says of it; null where that cannot be read. */
function startOf(pid: number): string | null {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? null;
  } catch {
    return null;
  }
}

function isRunning({ pid, started }: WorkshopHolder): boolean {
  try {
    process.kill(pid, 0);
  } catch (error) {
    // Somebody else's process is one all the same.
    if ((error as NodeJS.ErrnoException).code !== 'EPERM') return false;
  }
  return started === null || startOf(pid) === started;
}

/**
 * The other process that has a workshop open, or null. A lock that a killed process left behind counts for nothing.
 *
 * @param folder the workshop's
 */
export function holderOf(folder: string): WorkshopHolder | null {
  const file = join(folder, LOCK_FILE);
  if (!existsSync(file)) return null;
  try {
    const holder = JSON.parse(readFileSync(file, 'utf8')) as WorkshopHolder;
    return Number.isInteger(holder.pid) && holder.pid !== process.pid && isRunning(holder) ? holder : null;
  } catch {
    return null;
  }
}

/**
 * Says in a workshop's folder that this process serves it, until the process ends.
 *
 * @param folder the workshop's
 * @param address where it answers
 */
export function holdWorkshop(folder: string, address: string): void {
  const file = join(folder, LOCK_FILE);
  const holder: WorkshopHolder = { pid: process.pid, started: startOf(process.pid), address };
  writeFileSync(file, `${JSON.stringify(holder)}\n`);
  process.once('exit', () => {
    try {
      if ((JSON.parse(readFileSync(file, 'utf8')) as WorkshopHolder).pid === process.pid) rmSync(file);
    } catch {
      // The folder was moved away: there is nothing left to say.
    }
  });
}
