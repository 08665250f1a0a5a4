import { randomUUID } from 'node:crypto';
import { connect, type Socket } from 'node:net';
import { compareCut, type CutCompared, type CutPicture } from '../../core/formats/cut-picture';
import { FileProblem } from '../../core/file-problem';
import { writeGcode, type CutterLimits } from '../../core/formats/gcode';
import { lineGatherer } from '../../core/formats/tape-line';
import { bounds, polygonArea, type Point, type Polygon } from '../../core/outline';
import { database } from '../../data/database';
import { getPiece } from '../../data/pieces';
import { readObject, Refusal } from '../http';
import { planning } from '../planning';
import { asSeen } from '../seen';

const port = (): number => Number(process.env.FOVEA_CUTTER ?? 4740);
/** A cutter that has said nothing for so long has stopped, ms. */
const SILENT = 30_000;
/** From the bed's corner, mm. */
const MARGIN = 20;
/** No picture of a cut is larger, signs. */
const PICTURE = 20_000_000;
/** Lines that are on their way at once: a stop is never far behind. */
const AHEAD = 4;

/** What the cutter is doing. */
export type CutterState = {
  id: string;
  title: string;
  state: 'connecting' | 'cutting' | 'paused' | 'blade' | 'done' | 'stopped' | 'failed';
  done: number;
  of: number;
  says: string;
  planned: Polygon;
  picture: CutPicture | null;
  compared: CutCompared | null;
};

const STOPPED = 'Stopped. The cloth on the bed is partly cut.';
const STOPPED_BEFORE = 'Stopped before anything was sent.';

type Running = { state: CutterState; socket: Socket; close: () => void };
/** `runs` are all that still have a connection: a stop stops every one of them. `claimed` while a run is made ready. */
const shared = globalThis as { foveaCutter?: Running; foveaCutterRuns?: Set<Running>; foveaCutterClaimed?: boolean };
const runs = (): Set<Running> => (shared.foveaCutterRuns ??= new Set());

const over = ({ state }: Pick<CutterState, 'state'>): boolean => state === 'done' || state === 'stopped' || state === 'failed';

/** Runs a program on the cutter: a few lines ahead of it, and no more. */
function run(title: string, outline: Polygon, feed: number): CutterState {
  const box = bounds(outline);
  const placed = outline.map(([x, y]): Point => [x - box.minX + MARGIN, y - box.minY + MARGIN]);
  const planned = polygonArea(placed) < 0 ? [...placed].reverse() : placed;
  const state: CutterState = {
    id: randomUUID(),
    title,
    state: 'connecting',
    done: 0,
    of: 0,
    says: '',
    planned,
    picture: null,
    compared: null,
  };
  const socket = connect(port(), '127.0.0.1');
  let lines: string[] = [];
  let sent = 0;
  const fail = (says: string, how: 'failed' | 'stopped' = 'failed'): void => {
    if (over(state)) return;
    Object.assign(state, { state: how, says });
    socket.destroy();
  };
  const send = (): void => {
    while (state.state === 'cutting' && sent < lines.length && sent - state.done < AHEAD) socket.write(`${lines[sent++]!}\n`);
  };
  const begin = (line: string): void => {
    const [, width, height, kerf, fastest] = /^H FOVEA-CUTTER 1 ([\d.]+) ([\d.]+) ([\d.]+) ([\d.]+)$/.exec(line)?.map(Number) ?? [];
    if (width === undefined) return fail('The machine that answers is not a cutter Fovea knows.');
    const limits: CutterLimits = { width, height: height!, kerf: kerf!, fastest: fastest! };
    try {
      lines = writeGcode([planned], { limits, feed: Math.min(feed, limits.fastest) });
    } catch (error) {
      return fail(error instanceof FileProblem ? error.message : String(error));
    }
    Object.assign(state, { state: 'cutting', of: lines.length });
    send();
  };
  const heard = (line: string): void => {
    if (state.state === 'connecting') return begin(line);
    if (line === 'ok') {
      state.done += 1;
      if (state.done === lines.length) socket.write('PICTURE\n');
      return send();
    }
    if (line === 'paused') state.state = 'paused';
    else if (line === 'resumed') {
      state.state = 'cutting';
      send();
    } else if (line === 'blade') Object.assign(state, { state: 'blade', says: 'It asks for a new blade.' });
    else if (line === 'stopped') fail(STOPPED, 'stopped');
    else if (line.startsWith('error ')) fail(line.slice(6, 206));
    else if (line.startsWith('picture ')) {
      try {
        const picture = JSON.parse(line.slice(8)) as CutPicture;
        Object.assign(state, { state: 'done', says: '', picture, compared: compareCut(planned, picture) });
      } catch {
        fail('Its picture cannot be read; measure what it cut.');
      }
      socket.end();
    }
  };
  const gather = lineGatherer(PICTURE);
  socket.setTimeout(SILENT, () => {
    // A pause may last; who stands at it for a blade takes their time.
    if (state.state !== 'paused' && state.state !== 'blade') fail('The cutter has said nothing for half a minute.');
  });
  socket.setEncoding('utf8');
  socket.on('data', (chunk: string) => gather(chunk).forEach(heard));
  socket.on('error', () => fail('No cutter answers. Is it on?'));
  socket.on('close', () => fail('The cutter no longer answers.'));
  follow(state, socket);
  return state;
}

/** From now on a run can be paused and stopped, until its connection is closed. */
function follow(state: CutterState, socket: Socket): void {
  const running: Running = {
    state,
    socket,
    close: () => {
      // The word must reach it: the connection is closed behind it.
      if (!over(state)) Object.assign(state, { state: 'stopped', says: STOPPED });
      socket.end('STOP\n');
    },
  };
  socket.once('close', () => runs().delete(running));
  runs().add(running);
  shared.foveaCutter = running;
}

/** GET /api/cutter: what it is doing, or nothing. */
export function readCutter(): Response {
  return Response.json({ cutter: shared.foveaCutter?.state ?? null });
}

/** POST /api/cutter: sends one template, once somebody has confirmed that the bed is clear. */
export async function postCutter(request: Request): Promise<Response> {
  const { piece, template, feed, clear } = await readObject(request);
  if (clear !== true) throw new Refusal(422, 'Confirm first that the bed is clear, the cloth lies flat and nobody reaches in.');
  if (typeof feed !== 'number' || !(feed >= 100) || feed > 60_000) throw new Refusal(422, 'It cuts at 100 to 60000 mm a minute');
  // Claimed before anything is waited for: a second press must find the cutter taken.
  if (shared.foveaCutterClaimed || [...runs()].some(({ state }) => state.state !== 'done' && state.state !== 'failed'))
    throw new Refusal(409, 'The cutter is at work.');
  shared.foveaCutterClaimed = true;
  try {
    const record = typeof piece === 'string' ? getPiece(database(), piece) : null;
    if (!record) throw new Refusal(404, 'This piece is no longer on the floor.');
    const all = await planning().templates(asSeen(record), request.signal);
    const found = all.find(({ id }) => id === template);
    if (!found) throw new Refusal(404, 'There is no such template.');
    // Somebody who pressed stop while it was made ready wants nothing cut.
    if (!shared.foveaCutterClaimed) throw new Refusal(409, STOPPED_BEFORE);
    return Response.json({ cutter: run(found.title, found.outline, feed) }, { status: 201 });
  } finally {
    shared.foveaCutterClaimed = false;
  }
}

/** PUT /api/cutter: pause, go on, stop, or a new blade is in. */
export async function putCutter(request: Request): Promise<Response> {
  const { what } = await readObject(request);
  const running = shared.foveaCutter;
  if (what === 'stop' && (shared.foveaCutterClaimed || runs().size > 0)) {
    // A stop is one, whether the cutter hears it or not: every connection is stopped, and nothing more is sent.
    shared.foveaCutterClaimed = false;
    for (const each of runs()) each.close();
    return Response.json({ cutter: running?.state ?? null });
  }
  if (!running || over(running.state)) throw new Refusal(409, 'The cutter is idle.');
  const words: Record<string, string> = { pause: 'PAUSE', resume: 'RESUME', blade: 'BLADE' };
  const word = words[String(what)];
  if (!word) throw new Refusal(400, 'Pause, resume, stop or blade');
  running.socket.write(`${word}\n`);
  return Response.json({ cutter: running.state });
}

/** GET /api/cutter/templates?piece=: what of a piece can be sent. */
export async function readCutterTemplates(request: Request): Promise<Response> {
  const record = getPiece(database(), new URL(request.url).searchParams.get('piece') ?? '');
  if (!record) throw new Refusal(404, 'This piece is no longer on the floor.');
  const all = await planning().templates(asSeen(record), request.signal);
  return Response.json({ templates: all.map(({ id, title }) => ({ id, title })) });
}
