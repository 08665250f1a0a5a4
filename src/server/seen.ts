import { isDeepStrictEqual } from 'node:util';
import QuickLRU from 'quick-lru';
import type { HouseRules } from '../core/house';
import type { Piece } from '../core/piece';
import { disagreements, expectAgreement, FINGERPRINT_PARTS, type Fingerprint } from '../core/plan';
import { database, openings } from '../data/database';
import { getPiece, type PieceRecord } from '../data/pieces';
import { getHouse } from '../data/settings';
import { readObject, Refusal } from './http';
import { lookAnew, lookAt } from './looks';
import type { Look } from './planning';

/** So many pieces are remembered; a page that is open sends its figures again with every change. */
const MOST_SEEN = 200;
/** No plan has more figures in one part. */
const MOST_FIGURES = 5000;

type Seen = { opening: number; revision: number; house: HouseRules; fingerprint: Fingerprint };

const shared = globalThis as { foveaSeen?: QuickLRU<string, Seen> };
const seen = (): QuickLRU<string, Seen> => (shared.foveaSeen ??= new QuickLRU({ maxSize: MOST_SEEN }));

/**
 * The figures that a page showed of this revision of a piece under these very rules; undefined where no page did.
 *
 * @param record a piece on the floor
 * @param house the workshop's rules
 */
export function fingerprintSeen({ id, revision }: Pick<PieceRecord, 'id' | 'revision'>, house: HouseRules): Fingerprint | undefined {
  const last = seen().get(id);
  return last?.opening === openings() && last.revision === revision && isDeepStrictEqual(last.house, house) ? last.fingerprint : undefined;
}

/** A piece with the workshop's rules, and the figures that somebody saw of it. */
export function asSeen(record: PieceRecord): { piece: Piece; house: HouseRules; seen?: Fingerprint } {
  const house = getHouse(database());
  const fingerprint = fingerprintSeen(record, house);
  return { piece: record.piece, house, ...(fingerprint ? { seen: fingerprint } : {}) };
}

/**
 * What is worked by and ticked off, as somebody saw it. A look that was kept may be an older Fovea's: it is worked out anew before
 * anything is called a fault.
 *
 * @param record a piece on the floor
 * @throws PlansDisagree where the figures of its plan are not the ones that a page shows
 */
export async function lookAsSeen(record: PieceRecord): Promise<Look> {
  const db = database();
  const seen = fingerprintSeen(record, getHouse(db));
  const look = await lookAt(db, record);
  if (!seen || disagreements(seen, look.fingerprint).length === 0) return look;
  const anew = await lookAnew(db, record);
  expectAgreement(record.piece.name, seen, anew.fingerprint);
  return anew;
}

/** Figures as a page sends them: parts that are known, each a list of names with finite numbers. */
function readFingerprint(data: unknown): Fingerprint {
  const wrong = new Refusal(400, 'The figures of a plan are numbers by name, in the parts of a plan');
  if (data === null || typeof data !== 'object') throw wrong;
  for (const [part, figures] of Object.entries(data)) {
    if (!FINGERPRINT_PARTS.some((known) => known === part) || figures === null || typeof figures !== 'object') throw wrong;
    const values = Object.values(figures as Record<string, unknown>);
    if (values.length > MOST_FIGURES || !values.every((value) => Number.isFinite(value))) throw wrong;
  }
  return data as Fingerprint;
}

/** PUT /api/pieces/ID/seen: the figures that a page shows of a piece under the rules that it knows, once the piece is saved. */
export async function putSeen(request: Request, id: string): Promise<Response> {
  const { piece, house, fingerprint } = await readObject(request);
  const rules = getHouse(database());
  const record = getPiece(database(), id);
  if (!record) throw new Refusal(404, 'This piece is no longer on the floor.');
  const figures = readFingerprint(fingerprint);
  // A page that is behind the floor or the house rules shows another plan: its figures say nothing of this one.
  const current = isDeepStrictEqual(piece, record.piece) && isDeepStrictEqual(house, rules);
  if (current) {
    // Another stage shows other parts of the same plan.
    const before = fingerprintSeen(record, rules);
    seen().set(id, { opening: openings(), revision: record.revision, house: rules, fingerprint: { ...before, ...figures } });
  }
  return Response.json({ current });
}
