import type { Static } from '@sinclair/typebox';
import { oneOf } from '../fields';
import { bounds, type Polygon } from '../outline';
import type { FormedPad, PadForm } from './form';
import { PAD_FORMS } from './list';

type Listed = (typeof PAD_FORMS)[number];

export const PAD_PROFILE = oneOf(
  'kind',
  PAD_FORMS.map(({ schema }): Listed['schema'] => schema),
);
export type PadProfile = Static<Listed['schema']>;

/** The form of a pad's top by what the document says of it. */
export function formOf({ kind }: { kind: string }): PadForm<never, PadProfile> {
  return PAD_FORMS.find(({ id }) => id === kind) as unknown as PadForm<never, PadProfile>;
}

/**
 * The form of a pad's top as it is first given: no more than the pad can lose, no wider than it is.
 *
 * @param kind of the form
 * @param pad that gets it
 * @param outline of the pad or its board, mm
 * @returns null for one that comes from a file
 */
export function firstProfile(kind: string, pad: Pick<FormedPad, 'thickness'>, outline: Polygon): PadProfile | null {
  return formOf({ kind }).first(pad, bounds(outline));
}

export type { Bend, FormHandle, FormSize, PadForm, Thickness } from './form';
export { PAD_FORMS } from './list';
