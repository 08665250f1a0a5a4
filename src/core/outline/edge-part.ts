import type { EdgePart } from './schema/edge';

/** An edge between two corners. */
export const edgeNamed = (name: string): EdgePart & { kind: 'edge' } => ({ kind: 'edge', name });
/** A corner, named by the edges that meet in it. */
export const cornerNamed = (name: string): EdgePart & { kind: 'corner' } => ({ kind: 'corner', name });
/** A side of a notch, by the notch’s own id. */
export const notchNamed = (id: string): EdgePart => ({ kind: 'notch', name: id.replace(/^n-/, '') });
/** A stretch that has not been given a name. */
export const UNNAMED: EdgePart = edgeNamed('');

/** Whether two parts are one. */
export function samePart(a: EdgePart, b: EdgePart): boolean {
  return a.kind === b.kind && a.name === b.name;
}

/** What a part is called where it is read: “front”, “back left corner”, “notch 1”. */
export function partWords({ kind, name }: EdgePart): string {
  return kind === 'edge' ? name : kind === 'corner' ? `${name} corner` : `notch ${name}`;
}

const DEPTHS = ['front', 'bottom', 'back', 'top'];
const SIDES = ['left', 'right'];

/**
 * The corner in which two parts meet: “back right” between a back and a right edge, otherwise by both names. A notch’s
 * corners belong to the notch.
 */
export function jointPart(before: EdgePart, after: EdgePart): EdgePart {
  const notch = [before, after].find((part) => part.kind === 'notch');
  if (notch) return notch;
  const depth = DEPTHS.filter((word) => before.name === word || after.name === word);
  const side = SIDES.filter((word) => before.name === word || after.name === word);
  if (depth.length === 1 && side.length === 1) return cornerNamed(`${depth[0]} ${side[0]}`);
  return cornerNamed(`${before.name}–${after.name}`);
}

/** What that corner is called where it is read; a notch has two kinds of them. */
export function jointWords(before: EdgePart, after: EdgePart): string {
  const joint = jointPart(before, after);
  if (joint.kind !== 'notch') return partWords(joint);
  return samePart(before, after) ? `${partWords(joint)} inside corner` : `${partWords(joint)} corner`;
}
