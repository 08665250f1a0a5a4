import { readDocument } from '../../core/document';
import { KINDS, newPiece, PieceProblems, type Piece, type PieceKind } from '../../core/piece';
import {
  changedSince,
  paceOf,
  problemOf,
  SHOP,
  shopProblems,
  stepToDo,
  type Delivery,
  type DiaryInput,
  type KeptDiary,
  type PieceToDo,
  type Pin,
} from '../../core/scheduling';
import { checkSchedule, readTaskId, type Schedule } from '../../core/scheduling/solver';
import { readScope } from '../../core/job';
import { listLog, ticksDone } from '../../data/bench';
import { database, type Db } from '../../data/database';
import { getDeliveryDays, getDiary, getShop, listPins, setDeliveryDay, setDiary, setPin, setShop, timesTaken } from '../../data/diary';
import { listJobs, piecesOfScope } from '../../data/jobs';
import { houseMark } from '../../data/looks';
import { getPiece, listPieces } from '../../data/pieces';
import { listComing } from '../../data/purchases';
import { getHouse } from '../../data/settings';
import { listWares } from '../../data/store';
import { fitting } from '../forms';
import { readObject, Refusal } from '../http';
import { asCalendar } from './ical';
import { lookAt, lookOf } from '../looks';
import { planning } from '../planning';

const DAY = /^\d{4}-\d{2}-\d{2}$/;
const LONGEST_TASK = 200;
/** What a schedule of everything on a floor may have with what it was made from, bytes: twelve kilobytes a piece, of some thousand pieces. */
export const LARGEST_DIARY = 16_000_000;
/** So much of the log is offered to be made again. */
const LATEST = 40;

/** Today and the minute of it, by the clock of this machine. */
export function momentNow(now = new Date()): { begins: string; now: number } {
  const two = (value: number): string => String(value).padStart(2, '0');
  return {
    begins: `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`,
    now: now.getHours() * 60 + now.getMinutes(),
  };
}

/** So many run sheets that are not known yet are worked out while somebody waits; the others come after, and are asked for again. */
const AT_ONCE = 4;

/** Pieces of the floor that still have something to do, with their run sheets. */
async function piecesToDo(db: Db): Promise<{ pieces: PieceToDo[]; without: string[]; coming: number }> {
  const jobOf = new Map(listJobs(db).flatMap((job) => job.pieces.map((id) => [id, job] as const)));
  const house = houseMark(getHouse(db));
  const without: string[] = [];
  const pieces: PieceToDo[] = [];
  let [coming, workedOut] = [0, 0];
  for (const record of listPieces(db)) {
    const { id, piece } = record;
    const job = jobOf.get(id) ?? null;
    try {
      const known = lookOf(db, record, house);
      if (!known && workedOut === AT_ONCE) {
        coming += 1;
        continue;
      }
      const { steps } = known ?? (await lookAt(db, record));
      // What is refused is refused at once, and again next time: it holds nothing up.
      if (!known) workedOut += 1;
      const done = Object.fromEntries(ticksDone(db, id).map(({ step, units }) => [step, units.filter((unit) => unit <= piece.count)]));
      if (steps.every(({ key }) => (done[key]?.length ?? 0) >= piece.count)) continue;
      pieces.push({
        id,
        name: piece.name,
        job: job?.job.name ?? null,
        due: piece.due || job?.job.due || '',
        count: piece.count,
        steps: steps.map(stepToDo),
        done,
      });
    } catch (error) {
      // The house's rules no longer suit it: it is told, and the others are scheduled.
      if (!(error instanceof PieceProblems)) throw error;
      without.push(piece.name);
    }
  }
  return { pieces, without, coming };
}

/** What is ordered and not here, for which piece, and when it is thought to come. */
function deliveriesOf(db: Db): (Delivery & { order: string; supplier: string; expected: string })[] {
  const days = getDeliveryDays(db);
  const kinds = new Map(listWares(db).map(({ id, kind }) => [id, kind]));
  return listComing(db).flatMap(({ id, scope, supplier, order }) => {
    const item = readScope(scope);
    const day = days[id] ?? order.expected;
    if (!item || !DAY.test(day)) return [];
    const open = order.lines.filter(({ units, arrived }) => arrived < units);
    const which = [...new Set(open.flatMap(({ ware }) => kinds.get(ware) ?? []))];
    return (piecesOfScope(db, item) ?? []).map((piece) => ({
      id: `${id}/${piece.id}`,
      order: id,
      supplier,
      expected: order.expected,
      piece: piece.id,
      kinds: which,
      day,
    }));
  });
}

/** Everything that a schedule is made from, as it stands. */
async function inputOf(
  db: Db,
): Promise<{ input: DiaryInput; deliveries: ReturnType<typeof deliveriesOf>; without: string[]; coming: number }> {
  const { pieces, without, coming } = await piecesToDo(db);
  const deliveries = deliveriesOf(db);
  const on = new Set(pieces.map(({ id }) => id));
  const input: DiaryInput = {
    shop: getShop(db),
    pieces,
    deliveries: deliveries.map(({ id, piece, kinds, day }) => ({ id, piece, kinds, day })),
    pins: listPins(db).filter(({ task }) => on.has(readTaskId(task).piece)),
    pace: paceOf(timesTaken(db)),
    ...momentNow(),
  };
  return { input, deliveries, without, coming };
}

/** GET /api/diary: what a schedule is made from, the one that is kept, and what changed since. */
export async function readDiary(): Promise<Response> {
  const db = database();
  const { input, deliveries, without, coming } = await inputOf(db);
  const saved = getDiary(db);
  const before = saved ? (JSON.parse(saved.input) as DiaryInput) : null;
  return Response.json({
    input,
    deliveries,
    without,
    coming,
    saved: saved && before ? { ...saved, input: before } : null,
    // Of a floor that is not all known yet nothing is said to have gone.
    changed: before && coming === 0 ? changedSince(before, input) : [],
    finished: listLog(db, { most: LATEST }).entries.map(({ id, serial, piece }) => ({ id, name: `${piece.name}, ${serial}` })),
  });
}

/** What is asked for is like: a kind as it usually is, a piece of the floor, or finished work of the log. */
function likeOf(db: Db, like: string): Piece | null {
  const [what, id = ''] = like.split('/');
  switch (what) {
    case 'kind':
      return KINDS.some((kind) => kind.id === id) ? newPiece(id as PieceKind) : null;
    case 'piece':
      return getPiece(db, id)?.piece ?? null;
    case 'log':
      return listLog(db, { most: LATEST }).entries.find((entry) => String(entry.id) === id)?.piece ?? null;
    default:
      return null;
  }
}

/** GET /api/diary/asked-for?like=&count=: what there would be to do for a job that nobody has taken; nothing is kept. */
export async function readAskedFor(request: Request): Promise<Response> {
  const db = database();
  const query = new URL(request.url).searchParams;
  const like = likeOf(db, query.get('like') ?? '');
  if (!like) throw new Refusal(404, 'No such piece here: choose another');
  const house = getHouse(db);
  const piece = readDocument({ ...like, count: Number(query.get('count')), due: '' }, house);
  const { steps } = await planning().look({ piece, house });
  return Response.json({ piece, steps: steps.map(stepToDo) });
}

/** PUT /api/diary/shop: who works here, when, and with what. */
export async function putShop(request: Request): Promise<Response> {
  const { shop } = await readObject(request);
  setShop(database(), fitting(SHOP, shop, shopProblems));
  return Response.json({ shop: getShop(database()) });
}

/** PUT /api/diary/pins: lays a task on a day, a minute and a person, or lets it go with null. */
export async function putPin(request: Request): Promise<Response> {
  const { task, pin } = await readObject(request);
  if (typeof task !== 'string' || task.length > LONGEST_TASK || !task.includes('/')) throw new Refusal(400, 'Which task?');
  if (pin !== null) {
    const { day, minute, who } = (pin ?? {}) as Partial<Pin>;
    if (typeof day !== 'string' || !DAY.test(day) || Number.isNaN(Date.parse(day))) throw new Refusal(400, 'On which day?');
    if (!Number.isInteger(minute) || minute! < 0 || minute! >= 1440) throw new Refusal(400, 'At which time of the day?');
    const { people } = getShop(database());
    if (who !== null && !people.some(({ id }) => id === who)) throw new Refusal(400, 'Nobody of that name works here');
    setPin(database(), task, { day, minute: minute!, who: who ?? null });
  } else setPin(database(), task, null);
  return Response.json({ pins: listPins(database()) });
}

/** PUT /api/diary/deliveries: an order comes on another day than was thought; null is as the supplier says. */
export async function putDelivery(request: Request): Promise<Response> {
  const { order, day } = await readObject(request);
  if (typeof order !== 'string' || !listComing(database()).some(({ id }) => id === order))
    throw new Refusal(404, 'That order is no longer on its way');
  if (day !== null && (typeof day !== 'string' || !DAY.test(day) || Number.isNaN(Date.parse(day)))) throw new Refusal(400, 'On which day?');
  setDeliveryDay(database(), order, day as string | null);
  return Response.json({ ok: true });
}

/** PUT /api/diary: keeps a schedule. It is held against what it was made from by one that has no part in finding it. */
export async function putDiary(request: Request): Promise<Response> {
  const { input, schedule } = (await readObject(request, LARGEST_DIARY)) as { input?: DiaryInput; schedule?: Schedule };
  if (!input || !schedule || !Array.isArray(schedule.done) || !Array.isArray(schedule.left))
    throw new Refusal(400, 'A schedule, and what it was made from');
  let wrong: string[];
  try {
    wrong = checkSchedule(problemOf(input), schedule);
  } catch {
    throw new Refusal(400, 'That is not what a schedule is made from');
  }
  if (wrong.length > 0) throw new Refusal(422, `This schedule breaks a rule: ${wrong.slice(0, 3).join('; ')}`);
  const saved: KeptDiary = {
    begins: input.begins,
    now: input.now,
    madeAt: new Date().toISOString(),
    schedule,
    input: JSON.stringify(input),
  };
  setDiary(database(), saved);
  return Response.json({ ok: true });
}

/** GET /api/diary/calendar?person=: the schedule that is kept, as iCalendar. */
export function readCalendar(request: Request): Response {
  const db = database();
  const saved = getDiary(db);
  if (!saved) throw new Refusal(404, 'Nothing is scheduled yet');
  const person = new URL(request.url).searchParams.get('person') ?? undefined;
  const { shop, pieces } = JSON.parse(saved.input) as DiaryInput;
  if (person !== undefined && !shop.people.some(({ id }) => id === person)) throw new Refusal(404, 'Nobody of that name works here');
  const words = (task: string) => {
    const { piece: id, step: key } = readTaskId(task);
    const piece = pieces.find((pieceToDo) => pieceToDo.id === id);
    const step = piece?.steps.find((stepToDo) => stepToDo.key === key);
    return { step: step?.name ?? key, detail: step?.detail ?? '', piece: piece?.name ?? '' };
  };
  return new Response(asCalendar(saved, shop.people, words, person), {
    headers: { 'content-type': 'text/calendar; charset=utf-8', 'content-disposition': 'attachment; filename="diary.ics"' },
  });
}
