import type { Dye, FigureKind } from './looks';

/**
 * The weaves there are: what a cloth gives before it stays stretched, percent along warp and weft, and how much more on
 * the bias than along its looser thread (models.md, "Flattening": woven 1–3, coated 5–10, stretch 15–25).
 */
export const WEAVES = [
  { id: 'plain', name: 'Plain', gives: [2, 3], bias: 3 },
  { id: 'twill', name: 'Twill', gives: [2, 3], bias: 3 },
  { id: 'pile', name: 'Pile', gives: [1.5, 2], bias: 2.5 },
  { id: 'knit', name: 'Knit', gives: [15, 25], bias: 1.1 },
  { id: 'coated', name: 'Coated', gives: [6, 10], bias: 1.2 },
  { id: 'coated stretch', name: 'Coated stretch', gives: [16, 22], bias: 1.1 },
  { id: 'hide', name: 'Hide', gives: [8, 12], bias: 1 },
] as const;
export type Weave = (typeof WEAVES)[number]['id'];

/** What cloths are made of; natural ones lose length in their first wash. */
export const FIBRES = ['wool', 'cotton', 'linen', 'synthetic', 'mixed', 'hide'] as const;
export type Fibre = (typeof FIBRES)[number];

/** Whether a cloth's face lies one way: pile, or a pattern with an upside. */
export const NAPS = [
  { id: 'none', name: 'None' },
  { id: 'pile', name: 'Pile' },
  { id: 'one-way', name: 'One way up' },
] as const;
export type Nap = (typeof NAPS)[number]['id'];

/** A cloth one can choose. Widths and thickness mm, weight g/m², stretch percent, price per metre in the workshop's own money. */
export type ClothKind = {
  id: string;
  name: string;
  weave: Weave;
  fibre: Fibre;
  weight: number;
  thickness: number;
  stretchWarp: number;
  stretchWeft: number;
  nap: Nap;
  rollWidth: number;
  repeatAcross: number;
  repeatAlong: number;
  coated: boolean;
  shrinkage: number;
  price: number;
  colour: Dye;
  second?: Dye;
  figure?: FigureKind;
};

/** The shipped cloths: made-up names of the lodge's own shelf. */
export const CLOTHS: readonly ClothKind[] = [
  {
    id: 'plain-wool',
    name: 'Plain wool',
    weave: 'plain',
    fibre: 'wool',
    weight: 420,
    thickness: 1,
    stretchWarp: 2,
    stretchWeft: 3,
    nap: 'none',
    rollWidth: 1400,
    repeatAcross: 0,
    repeatAlong: 0,
    coated: false,
    shrinkage: 0,
    price: 38,
    colour: 'moss',
  },
  {
    id: 'dusk-stripe',
    name: 'Striped wool, dusk',
    weave: 'twill',
    fibre: 'wool',
    weight: 460,
    thickness: 1.2,
    stretchWarp: 2,
    stretchWeft: 2.5,
    nap: 'none',
    rollWidth: 1420,
    repeatAcross: 84,
    repeatAlong: 0,
    coated: false,
    shrinkage: 0,
    price: 46,
    colour: 'dusk',
    second: 'oat',
    figure: 'stripe',
  },
  {
    id: 'night-velvet',
    name: 'Night-blue velvet',
    weave: 'pile',
    fibre: 'mixed',
    weight: 480,
    thickness: 1.4,
    stretchWarp: 1.5,
    stretchWeft: 2,
    nap: 'pile',
    rollWidth: 1400,
    repeatAcross: 0,
    repeatAlong: 0,
    coated: false,
    shrinkage: 0,
    price: 54,
    colour: 'night',
  },
  {
    id: 'orbit-cotton',
    name: 'Orbit print cotton',
    weave: 'plain',
    fibre: 'cotton',
    weight: 280,
    thickness: 0.7,
    stretchWarp: 1,
    stretchWeft: 2,
    nap: 'one-way',
    rollWidth: 1370,
    repeatAcross: 640,
    repeatAlong: 480,
    coated: false,
    shrinkage: 5,
    price: 29,
    colour: 'chalk',
    second: 'plum',
    figure: 'motif',
  },
  {
    id: 'ridge-linen',
    name: 'Ridge linen',
    weave: 'plain',
    fibre: 'linen',
    weight: 380,
    thickness: 0.9,
    stretchWarp: 1,
    stretchWeft: 1.5,
    nap: 'none',
    rollWidth: 1400,
    repeatAcross: 0,
    repeatAlong: 0,
    coated: false,
    shrinkage: 4,
    price: 41,
    colour: 'oat',
  },
  {
    id: 'black-leathercloth',
    name: 'Black leathercloth',
    weave: 'coated',
    fibre: 'synthetic',
    weight: 620,
    thickness: 1.1,
    stretchWarp: 6,
    stretchWeft: 10,
    nap: 'none',
    rollWidth: 1400,
    repeatAcross: 0,
    repeatAlong: 0,
    coated: true,
    shrinkage: 0,
    price: 24,
    colour: 'soot',
  },
  {
    id: 'marine-leathercloth',
    name: 'Rain leathercloth, four-way',
    weave: 'coated stretch',
    fibre: 'synthetic',
    weight: 680,
    thickness: 1.2,
    stretchWarp: 16,
    stretchWeft: 22,
    nap: 'none',
    rollWidth: 1370,
    repeatAcross: 0,
    repeatAlong: 0,
    coated: true,
    shrinkage: 0,
    price: 36,
    colour: 'rain',
  },
  {
    id: 'halo-knit',
    name: 'Halo stretch knit',
    weave: 'knit',
    fibre: 'synthetic',
    weight: 340,
    thickness: 1,
    stretchWarp: 15,
    stretchWeft: 25,
    nap: 'none',
    rollWidth: 1500,
    repeatAcross: 0,
    repeatAlong: 0,
    coated: false,
    shrinkage: 0,
    price: 31,
    colour: 'plum',
  },
  {
    id: 'lining-calico',
    name: 'Lining calico',
    weave: 'plain',
    fibre: 'cotton',
    weight: 160,
    thickness: 0.4,
    stretchWarp: 1,
    stretchWeft: 2,
    nap: 'none',
    rollWidth: 1500,
    repeatAcross: 0,
    repeatAlong: 0,
    coated: false,
    shrinkage: 3,
    price: 6,
    colour: 'chalk',
  },
];

const BY_ID = new Map(WEAVES.map((weave) => [weave.id, weave]));

/** What of a cloth matters for how far it gives; anything missing is as usual for its weave. */
export type Gives = { weave?: Weave; coated: boolean; stretchWarp?: number; stretchWeft?: number };

/** The weave of a cloth: as said, or as its coating tells. */
export function weaveOf(cloth: Gives): Weave {
  return cloth.weave ?? (cloth.coated ? 'coated' : 'plain');
}

/** What a cloth gives along warp, weft and bias, as shares of its length; anything not known is as usual for its weave. */
export function giveOf(cloth: Gives): { warp: number; weft: number; bias: number } {
  const weave = BY_ID.get(weaveOf(cloth))!;
  const warp = (cloth.stretchWarp ?? weave.gives[0]) / 100;
  const weft = (cloth.stretchWeft ?? weave.gives[1]) / 100;
  return { warp, weft, bias: Math.max(warp, weft) * weave.bias };
}

/** What is done with a cloth before it is cut, and how long it then dries, minutes. */
export const READYINGS = [
  { id: 'as-is', name: 'Nothing', how: '', dries: 0 },
  {
    id: 'washed',
    name: 'Washed',
    how: 'Wash it as it will be washed later, its ends overcast first; dry it flat, iron it on the wrong side.',
    dries: 720,
  },
  {
    id: 'steamed',
    name: 'Steamed',
    how: 'Steam it from the wrong side, lying flat and not stretched, a width at a time; let it lie until it is dry.',
    dries: 60,
  },
] as const;

/** What matters of a cloth for how much it will still lose. */
type Shrinks = { shrinkage: number; ready?: string };

/** Whether it is washed or steamed before it is cut: what it loses is gone then. */
export function isReadied({ ready }: Pick<Shrinks, 'ready'>): boolean {
  return ready !== undefined && ready !== 'as-is';
}

/** How much longer a cloth is cut that will lose a share of its length in the wash: 1/(1 − shrinkage); readied, it has lost it. */
export function preShrink(cloth: Shrinks): number {
  return isReadied(cloth) ? 1 : 1 / (1 - cloth.shrinkage / 100);
}

/** How much more is bought than is laid: what is lost before it is cut. */
export function boughtLonger(cloth: Shrinks): number {
  return isReadied(cloth) ? 1 / (1 - cloth.shrinkage / 100) : 1;
}
