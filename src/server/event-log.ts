import { closeSync, openSync, readFileSync, readSync, statSync, renameSync, existsSync } from 'node:fs';
import { join } from 'node:path';
import pino, { type Logger } from 'pino';
import { dataFolder } from '../data/database';

/** What happened, for whoever looks after the workshop: no names, no notes, nothing of what a piece is. */
const FILE = 'events.log';
/** A larger file is put aside and begun anew, bytes. */
const LARGEST = 2_000_000;
/** So much of its end is shown, bytes. */
const SHOWN = 40_000;

const shared = globalThis as { foveaEvents?: Logger };

const path = (): string => join(dataFolder(), FILE);

function create(): Logger {
  try {
    if (existsSync(path()) && statSync(path()).size > LARGEST) renameSync(path(), `${path()}.1`);
    const file = pino.destination({ dest: path(), mkdir: true, sync: true });
    // A folder that cannot be written must not end the application: what happened is told on the console instead.
    file.on('error', () => undefined);
    return pino({ base: null, timestamp: pino.stdTimeFunctions.isoTime, serializers: { err: brief } }, file);
  } catch {
    return pino({ base: null, serializers: { err: brief } }, pino.destination(2));
  }
}

/** Of an error its kind, code and words; stacks only where they are asked for. */
function brief(error: Error & { code?: string }): object {
  return {
    type: error.name,
    ...(error.code ? { code: error.code } : {}),
    message: String(error.message).slice(0, 400),
    ...(process.env.FOVEA_STACKS ? { stack: error.stack } : {}),
  };
}

/** The workshop's event log. */
export function eventLog(): Logger {
  shared.foveaEvents ??= create();
  return shared.foveaEvents;
}

/** One event as it is shown. */
export type Event = { time: string; level: 'info' | 'warn' | 'error'; words: string };

const LEVELS: Record<number, Event['level']> = { 30: 'info', 40: 'warn', 50: 'error', 60: 'error' };

/** The newest events, newest first. */
export function lastEvents(most = 60): Event[] {
  let text: string;
  try {
    const { size } = statSync(path());
    if (size <= SHOWN) text = readFileSync(path(), 'utf8');
    else {
      const end = Buffer.alloc(SHOWN);
      const handle = openSync(path(), 'r');
      readSync(handle, end, 0, SHOWN, size - SHOWN);
      closeSync(handle);
      text = end.toString('utf8');
    }
  } catch {
    return [];
  }
  return text
    .split('\n')
    .reverse()
    .flatMap((line): Event[] => {
      try {
        const { time, level, msg, err } = JSON.parse(line) as { time: string; level: number; msg: string; err?: { message?: string } };
        return [{ time, level: LEVELS[level] ?? 'info', words: err?.message ? `${msg}: ${err.message}` : msg }];
      } catch {
        return [];
      }
    })
    .slice(0, most);
}
