/** The dyes of the lodge's shelf: what a cloth looks like in a picture. Names are what one would call them across a bench. */
export const DYES = [
  { id: 'madder', name: 'Madder red', colour: '#96323a' },
  { id: 'rust', name: 'Rust', colour: '#a65a34' },
  { id: 'oat', name: 'Oat', colour: '#cbb48c' },
  { id: 'chalk', name: 'Chalk white', colour: '#e6dfcf' },
  { id: 'moss', name: 'Moss', colour: '#66724a' },
  { id: 'rain', name: 'Rain grey', colour: '#7b8f95' },
  { id: 'dusk', name: 'Dusk blue', colour: '#4d6284' },
  { id: 'night', name: 'Night blue', colour: '#26345a' },
  { id: 'plum', name: 'Plum', colour: '#633550' },
  { id: 'soot', name: 'Soot black', colour: '#35332f' },
] as const;

/** A dye's id. */
export type Dye = (typeof DYES)[number]['id'];

/** A photo of cloth shows so much of it across where nobody has measured it, mm. */
export const PHOTO_WIDTH = 200;

/** How a cloth's repeat is drawn. */
export const FIGURES = [
  { id: 'plain', name: 'Plain' },
  { id: 'stripe', name: 'Stripe' },
  { id: 'check', name: 'Check' },
  { id: 'motif', name: 'Motif' },
] as const;

/** A figure's id. */
export type FigureKind = (typeof FIGURES)[number]['id'];

/** What of a cloth is seen. */
export type Seen = { colour?: Dye; second?: Dye; figure?: FigureKind; repeatAcross: number; repeatAlong: number };

/** What a cloth is drawn as: as it is said, or as its repeats tell; without a repeat there is nothing to draw. */
export function figureOf({ figure, repeatAcross, repeatAlong }: Seen): FigureKind {
  if (repeatAcross <= 0 && repeatAlong <= 0) return 'plain';
  if (figure) return figure;
  return repeatAcross > 0 && repeatAlong > 0 ? 'motif' : 'stripe';
}

const BY_ID = new Map<string, string>(DYES.map(({ id, colour }) => [id, colour]));

/** The two colours of a cloth, `#rrggbb`; null where nobody has said which. */
export function coloursOf({ colour, second }: Pick<Seen, 'colour' | 'second'>): { ground: string | null; second: string | null } {
  return { ground: BY_ID.get(colour ?? '') ?? null, second: BY_ID.get(second ?? '') ?? null };
}
