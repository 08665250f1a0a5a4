import { randomInt } from 'node:crypto';
import { isIPv6 } from 'node:net';
import { hash, verify } from '@node-rs/argon2';
import { ROLES, type Role } from '../../core/house';
import { database, type Db } from '../../data/database';
import {
  addMember,
  closeSession,
  isKnownPlace,
  memberOf,
  openSession,
  passcodesOf,
  rememberPlace,
  removeMember,
  type Member,
} from '../../data/members';
import { eventLog } from '../event-log';
import { readObject, Refusal } from '../http';

/** What the browser holds. */
export const COOKIE = 'fovea_session';
/** Set by the server in front for what comes from another machine; what a request itself says there is thrown away. */
export const FROM = 'x-fovea-from';
/** After so many wrong passcodes from one place it has to wait, longer every time, s; never longer than the last. */
const TRIES = 5;
const FIRST_WAIT = 30;
const LONGEST_WAIT = 900;
/** So many passcodes may wait to be checked: one after the other, for each takes a core for a while. */
const QUEUE = 12;
/** Signs of a passcode: none that is read for another. */
const SIGNS = '23456789abcdefghjkmnpqrstuvwxyz';
const LONGEST_NAME = 40;

/** Addresses at which this workshop is found over the network; none while it is not on it. */
export function lanAddresses(): string[] {
  return (process.env.FOVEA_LAN ?? '').split(',').filter(Boolean);
}

/** A passcode to be told to somebody: three groups of four. */
function newPasscode(): string {
  const group = (): string => Array.from({ length: 4 }, () => SIGNS[randomInt(SIGNS.length)]).join('');
  return `${group()}-${group()}-${group()}`;
}

/** Passcodes are compared as they are read out: small, without what stands between. */
const plain = (passcode: string): string => passcode.toLowerCase().replace(/[^a-z0-9]/g, '');

type Wait = { wrong: number; until: number };
const waits = new Map<string, Wait>();

/** What one place has to wait before it may try again, s. */
function waitOf(place: string, now: number): number {
  return Math.max(0, Math.ceil(((waits.get(place)?.until ?? 0) - now) / 1000));
}

/** Counts a try before it is checked: tries that come at once count as at once. Returns what takes it back. */
function countTry(place: string, now: number): () => void {
  const wrong = (waits.get(place)?.wrong ?? 0) + 1;
  const wait = wrong < TRIES ? 0 : Math.min(LONGEST_WAIT, FIRST_WAIT * 2 ** Math.min(wrong - TRIES, 8));
  // Put at the end: of too many places the one that tried longest ago is forgotten.
  waits.delete(place);
  waits.set(place, { wrong, until: now + wait * 1000 });
  if (waits.size > 1000) waits.delete(waits.keys().next().value!);
  return () => void waits.delete(place);
}

/** One network counts as one place: of an IPv6 address whoever has it has all of its last half. */
function placeOf(address: string): string {
  if (!isIPv6(address)) return address;
  const [head = [], tail] = address.split('::').map((part) => part.split(':').filter(Boolean));
  const zeros = tail ? Array.from({ length: 8 - head.length - tail.length }, () => '0') : [];
  return [...head, ...zeros, ...(tail ?? [])].slice(0, 4).join(':');
}

const checking = { last: Promise.resolve() as Promise<unknown>, count: 0 };

/** Checks a passcode after those that came before it; undefined where nobody has it. */
function checked(db: Db, passcode: string): Promise<Member | undefined> {
  const check = async (): Promise<Member | undefined> => {
    for (const { passcode: saved, ...member } of passcodesOf(db)) if (await verify(saved, plain(passcode))) return member;
    return undefined;
  };
  checking.count += 1;
  const result = checking.last.then(check, check).finally(() => void (checking.count -= 1));
  checking.last = result.catch(() => undefined);
  return result;
}

/** Who a request is: on the workshop's own machine its owner, from another whoever came in there, or nobody. */
export function whoIs(db: Db, headers: Headers): Member | 'own machine' | null {
  if (!headers.get(FROM)) return 'own machine';
  const token = new RegExp(`(?:^|;\\s*)${COOKIE}=([\\w-]{20,100})`).exec(headers.get('cookie') ?? '')?.[1];
  return token ? memberOf(db, token) : null;
}

/** From who may least to who may all. */
const RANKS: readonly Role[] = ['apprentice', 'hand', 'owner'];

/**
 * Why somebody may not do something, or null.
 *
 * @param who from `whoIs`
 * @param least the least of the roles that may
 */
export function mayNot(who: Member | 'own machine', least: Role): string | null {
  if (who === 'own machine' || RANKS.indexOf(who.role) >= RANKS.indexOf(least)) return null;
  if (least === 'owner') return 'Only the owner of the workshop may do that.';
  return `That is not for ${who.role === 'hand' ? 'a hand' : 'an apprentice'}.`;
}

/** Whether a path is open to somebody who has not come in: the door, and what it is drawn with. */
export function isDoor(path: string): boolean {
  return path === '/enter' || path === '/api/enter' || path === '/icon.svg' || path.startsWith('/_next/static/');
}

const cookie = (token: string, age: number): string => `${COOKIE}=${token}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${age}`;

/** POST /api/enter: comes in with a passcode. */
export async function postEnter(request: Request, now = Date.now()): Promise<Response> {
  const { passcode } = await readObject(request);
  const place = placeOf(request.headers.get(FROM) ?? 'own');
  const db = database();
  const wait = waitOf(place, now);
  // Where somebody came in before, the right passcode opens at any time: others there cannot lock him out.
  if (wait > 0 && !isKnownPlace(db, place)) throw new Refusal(429, `Too many wrong passcodes: try again in ${wait} s`);
  if (typeof passcode !== 'string' || passcode.length > 100) throw new Refusal(400, 'A passcode has twelve characters');
  if (checking.count >= QUEUE) throw new Refusal(429, 'Too many people are signing in at once: try again in a few seconds');
  const takeBack = countTry(place, now);
  const member = await checked(db, passcode);
  if (!member) {
    eventLog().warn({ wrong: waits.get(place)?.wrong }, 'A wrong passcode was tried');
    if (wait > 0) throw new Refusal(429, `Too many wrong passcodes: try again in ${waitOf(place, now)} s`);
    throw new Refusal(401, 'Wrong passcode. Ask the owner of the workshop for yours');
  }
  takeBack();
  rememberPlace(db, place, now);
  eventLog().info('Somebody came in over the network');
  return Response.json(
    { name: member.name, role: member.role },
    { headers: { 'set-cookie': cookie(openSession(db, member.id, now), 30 * 86_400) } },
  );
}

/** DELETE /api/enter: goes out again. */
export function deleteEnter(request: Request): Response {
  const token = new RegExp(`${COOKIE}=([\\w-]+)`).exec(request.headers.get('cookie') ?? '')?.[1];
  if (token) closeSession(database(), token);
  return Response.json({ ok: true }, { headers: { 'set-cookie': cookie('', 0) } });
}

/** POST /api/members: lets somebody in; the passcode is told once and kept nowhere. */
export async function postMember(request: Request): Promise<Response> {
  const { name, role } = await readObject(request);
  const text = typeof name === 'string' ? name.trim() : '';
  if (!text || text.length > LONGEST_NAME) throw new Refusal(422, `A name has 1 to ${LONGEST_NAME} characters`);
  if (!ROLES.some(({ id }) => id === role)) throw new Refusal(422, 'The role is owner, hand or apprentice');
  const passcode = newPasscode();
  const member = addMember(database(), { name: text, role: role as Role, passcode: await hash(plain(passcode)) });
  return Response.json({ ...member, passcode }, { status: 201 });
}

/** DELETE /api/members: lets somebody in no longer. */
export async function deleteMember(request: Request): Promise<Response> {
  const { id } = await readObject(request);
  if (typeof id !== 'string' || !removeMember(database(), id)) throw new Refusal(404, 'Nobody has that name');
  return Response.json({ ok: true });
}
