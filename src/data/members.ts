import { createHash, randomBytes, randomUUID } from 'node:crypto';
import type { Role } from '../core/house';
import type { Db } from './database';

/** Somebody who may come in over the network. */
export type Member = { id: string; name: string; role: Role };

/** A way in stays open so long, days. */
const OPEN = 30;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Everybody who may come in. */
export function listMembers(db: Db): Member[] {
  return db.prepare('SELECT id, name, role FROM member WHERE removed_at IS NULL ORDER BY created_at, rowid').all() as Member[];
}

/** The same with the hashes of their passcodes, for the door. */
export function passcodesOf(db: Db): (Member & { passcode: string })[] {
  return db.prepare('SELECT id, name, role, passcode FROM member WHERE removed_at IS NULL').all() as (Member & { passcode: string })[];
}

/** Lets somebody in from now on. */
export function addMember(db: Db, member: Pick<Member, 'name' | 'role'> & { passcode: string }): Member {
  const id = randomUUID();
  db.prepare('INSERT INTO member (id, name, role, passcode, created_at) VALUES (?, ?, ?, ?, ?)').run(
    id,
    member.name,
    member.role,
    member.passcode,
    new Date().toISOString(),
  );
  return { id, name: member.name, role: member.role };
}

/** Lets somebody in no longer; what is open to them is closed at once. */
export function removeMember(db: Db, id: string): boolean {
  return db.transaction(() => {
    db.prepare('DELETE FROM session WHERE member_id = ?').run(id);
    return db.prepare('UPDATE member SET removed_at = ? WHERE id = ? AND removed_at IS NULL').run(new Date().toISOString(), id).changes > 0;
  })();
}

/** Opens a way in and returns what the browser is to hold. */
export function openSession(db: Db, memberId: string, now = Date.now()): string {
  const token = randomBytes(32).toString('base64url');
  db.prepare('DELETE FROM session WHERE ends_at < ?').run(new Date(now).toISOString());
  db.prepare('INSERT INTO session (token, member_id, opened_at, ends_at) VALUES (?, ?, ?, ?)').run(
    hashOf(token),
    memberId,
    new Date(now).toISOString(),
    new Date(now + OPEN * 86_400_000).toISOString(),
  );
  return token;
}

/** Whose way in it is, or null. */
export function memberOf(db: Db, token: string, now = Date.now()): Member | null {
  return (
    (db
      .prepare(
        `SELECT member.id, name, role FROM session JOIN member ON member.id = session.member_id
         WHERE token = ? AND ends_at > ? AND removed_at IS NULL`,
      )
      .get(hashOf(token), new Date(now).toISOString()) as Member | undefined) ?? null
  );
}

/** Closes a way in. */
export function closeSession(db: Db, token: string): void {
  db.prepare('DELETE FROM session WHERE token = ?').run(hashOf(token));
}

/** So many addresses are remembered. */
const PLACES = 500;

/** Whether somebody came in from an address before. */
export function isKnownPlace(db: Db, place: string): boolean {
  return db.prepare('SELECT 1 FROM known_place WHERE place = ?').get(place) !== undefined;
}

/** Remembers an address from which somebody came in; of too many the oldest is forgotten. */
export function rememberPlace(db: Db, place: string, now = Date.now()): void {
  db.prepare('INSERT INTO known_place (place, at) VALUES (?, ?) ON CONFLICT (place) DO UPDATE SET at = excluded.at').run(
    place,
    new Date(now).toISOString(),
  );
  db.prepare('DELETE FROM known_place WHERE place NOT IN (SELECT place FROM known_place ORDER BY at DESC LIMIT ?)').run(PLACES);
}
