import { type Static } from '@sinclair/typebox';
import { DYES, FIBRES, FIGURES, NAPS, READYINGS, WEAVES } from '../../cloth';
import { PHOTO } from './base';
import { choice, figure, length, optional, orNull, record, tick, words, type Range } from '../../fields';

const STRETCH: Range = [0.1, 60];
const REPEAT: Range = [0, 1500];

/** How the depth of a piece lies on the roll. */
export const DIRECTIONS = [
  { id: 'along', name: 'Up the roll' },
  { id: 'across', name: 'Railroaded' },
  { id: 'any', name: 'Either way' },
] as const;

/** Schools of pulling, each with the house rule that says how hard. */
export const PULLS = [
  { id: 'taut', name: 'Hard', rule: 'pullTaut' },
  { id: 'firm', name: 'Firm', rule: 'pullFirm' },
  { id: 'smooth', name: 'Light', rule: 'pullSmooth' },
] as const;

export const CLOTH = record({
  name: words('Cloth'),
  /** usable width of the roll, between selvedges */
  rollWidth: length('Roll width', [300, 4000], { hint: 'between selvedges', default: 1400 }),
  thickness: length('Cloth thickness', [0.1, 8], { default: 1 }),
  /** coated cloth wants a broad-crowned staple */
  coated: tick('Coated (leathercloth)', { default: false }),
  direction: choice('Cut', DIRECTIONS, { default: 'along' }),
  /** distance after which the pattern comes again, across and along the roll; 0 is plain */
  repeatAcross: length('Repeat across', REPEAT, { hint: 'nothing for plain cloth', default: 0 }),
  repeatAlong: length('Repeat along', REPEAT, { default: 0 }),
  shrinkage: figure('Shrinkage', '%', [0, 20], { hint: 'natural fibre not pre-washed', default: 0 }),
  /** what is done with it before anything is cut: it has shrunk then */
  ready: optional(choice('Before it is cut', READYINGS, { default: 'as-is', hint: 'washed or steamed it has shrunk: measure the roll after it' })),
  pull: choice('Pull', PULLS, { default: 'taut' }),
  /** the same where it was measured; null follows the school. Forty is a grown man on the pliers: more tears the cloth. */
  force: optional(orNull(figure('Pull, N per 10 cm', 'N/10 cm', [0.5, 40]))),
  weave: optional(choice('Weave', WEAVES)),
  fibre: optional(choice('Fibre', FIBRES)),
  weight: optional(figure('Weight', 'g/m²', [20, 3000])),
  stretchWarp: optional(figure('Gives along the roll', '%', STRETCH)),
  stretchWeft: optional(figure('Gives across the roll', '%', STRETCH)),
  nap: optional(choice('Nap', NAPS)),
  /** what it looks like in a picture: its ground, what is on it, and how its repeat is drawn */
  colour: optional(choice('Colour', DYES)),
  second: optional(choice('Second colour', DYES)),
  figure: optional(choice('Pattern', FIGURES)),
  /** a photo of it, taken square from above, and how much cloth it shows across */
  photo: optional(PHOTO),
  photoWidth: optional(length('The photo shows, across', [5, 2000], { hint: 'measured on the cloth' })),
  /** number or name of the fire certificate on file; empty is none */
  certificate: optional(words('Fire certificate')),
  price: optional(figure('Price of a metre', 'money', [0, 10000])),
});

export type Cloth = Static<typeof CLOTH>;
