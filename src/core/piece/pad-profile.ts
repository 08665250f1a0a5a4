import { formOf } from '../pad-forms';
import type { Pad } from './schema';

type Formed = Pick<Pad, 'thickness' | 'wedge' | 'profile'>;

/** A pad as the form of its top reads it: its thinner and its thicker end where it is a wedge. */
export function formedPad({ thickness, wedge }: Pick<Pad, 'thickness' | 'wedge'>): { thickness: number; low: number; high: number } {
  return { thickness, low: Math.min(thickness, wedge ?? thickness), high: Math.max(thickness, wedge ?? 0) };
}

/** A pad where it is thickest, mm: what it is cut from. */
export function thickest(pad: Formed): number {
  const formed = formedPad(pad);
  return pad.profile ? formOf(pad.profile).thickest(pad.profile, formed) : formed.high;
}

/** A pad where it is thinnest away from its worked rim, mm: what is left under who sits. */
export function thinnest(pad: Formed): number {
  const formed = formedPad(pad);
  return pad.profile ? formOf(pad.profile).thinnest(pad.profile, formed) : formed.low;
}
