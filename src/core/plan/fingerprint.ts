import type { CoverPiece } from '../cover';
import type { RollLayout } from '../foam-cutting';
import type { Model } from '../padding';
import type { SheetPlan } from '../plan-data';
import type { Planner } from './planner';
import { coverStep, cutStep, fixStep, foamStep, liningsOf, variantsStep, wrapsStep } from './steps';

/** Figures of one part of a plan by what they are of: lengths mm, counts. */
type Figures = Record<string, number>;

/** Parts of a plan that somebody cuts, buys or does by. */
export const FINGERPRINT_PARTS = ['foam', 'stations', 'cover', 'linings', 'cut', 'fixing'] as const;
type FingerprintPart = (typeof FINGERPRINT_PARTS)[number];

/** What a plan comes to, small enough to be sent with what is asked of it: of the parts that were worked out. */
export type Fingerprint = Partial<Record<FingerprintPart, Figures>>;

/** Two plans of one piece are the same where no figure is farther apart than this, mm. */
export const SAME_WITHIN = 0.05;

/** A figure that two plans of one piece do not have alike; `null` where one does not have it at all. */
export type Disagreement = { figure: string; seen: number | null; here: number | null };

/** Size, area and number of flat pieces; of an area its side as a square, so that it is a length like the others. */
function flat(pieces: readonly (Pick<CoverPiece, 'name' | 'count' | 'width' | 'height' | 'area'> | null | undefined)[]): Figures {
  return Object.fromEntries(
    pieces.flatMap((piece, i) => {
      if (!piece) return [];
      const { name, count, width, height, area } = piece;
      const figures: [string, number][] = [
        ['width', width],
        ['height', height],
        ['side of a square as large', Math.sqrt(area)],
        ['count', count],
      ];
      return figures.map(([what, value]) => [`piece ${i + 1}, ${name}, ${what}`, value]);
    }),
  );
}

function rolls(laid: Record<string, RollLayout | null>): Figures {
  return Object.fromEntries(
    Object.entries(laid).flatMap(([name, roll]) =>
      roll
        ? [
            [`${name}: length`, roll.length],
            [`${name}: pieces`, roll.laid.length],
          ]
        : [],
    ),
  );
}

/** What of a plan is looked at. */
type Fingerprinted = Pick<SheetPlan, 'foam' | 'stations' | 'cover' | 'variants' | 'wadding' | 'dustCover' | 'cut' | 'fixing'>;

/** The figures of each part; undefined where the plan does not have it. */
const FIGURES: Record<FingerprintPart, (plan: Fingerprinted) => Figures | undefined> = {
  foam: ({ foam }) => flat(foam.map((pad) => ({ ...pad, name: pad.role }))),
  stations: ({ stations }) => Object.fromEntries(stations.map(({ fromCentre }, i) => [`station ${i + 1}`, fromCentre])),
  cover: ({ cover, variants }) => cover && flat([...cover.pieces, ...(variants ?? []).flatMap(({ covers }) => covers)]),
  linings: ({ cover, wadding, dustCover }) =>
    cover && flat([wadding && { ...wadding, name: 'wadding' }, dustCover && { ...dustCover, name: 'dust cover' }]),
  cut: ({ cut }) => {
    if (!cut) return undefined;
    const { foam, cloth, second, lining, wadding, dustCover, film, waterproof, backedFoam } = cut;
    return { 'foam: sheets': foam.sheets, ...rolls({ cloth, second, lining, wadding, dustCover, film, waterproof, backedFoam }) };
  },
  fixing: ({ fixing }) =>
    fixing && {
      count: fixing.count,
      toBuy: fixing.toBuy,
      ...Object.fromEntries(fixing.fasteners.map(({ id, count }) => [`${id}: count`, count])),
    },
};

/**
 * The figures of a plan that somebody cuts, buys or does by.
 *
 * @param plan as it is planned or as a sheet shows it; parts that it does not have are left out
 */
export function fingerprintOf(plan: Fingerprinted): Fingerprint {
  return Object.fromEntries(
    FINGERPRINT_PARTS.flatMap((part) => {
      const figures = FIGURES[part](plan);
      return figures ? [[part, figures]] : [];
    }),
  );
}

/** The same of a piece whose plan is not wanted as a whole. */
export function fingerprintAt(model: Model, planner: Planner): Fingerprint {
  return fingerprintOf({
    foam: foamStep(model),
    stations: wrapsStep(model),
    cover: coverStep(model).cover,
    variants: variantsStep(model, planner),
    ...liningsOf(model),
    cut: cutStep(model, planner),
    fixing: fixStep(model),
  });
}

/**
 * Where two plans of one piece do not agree, in the parts that both have. Counts that differ are as wrong as lengths.
 *
 * @param seen what was on the screen
 * @param here what is printed, laid, bought or priced
 */
export function disagreements(seen: Fingerprint, here: Fingerprint): Disagreement[] {
  return FINGERPRINT_PARTS.flatMap((part) => {
    const [a, b] = [seen[part], here[part]];
    if (!a || !b) return [];
    return [...new Set([...Object.keys(a), ...Object.keys(b)])].flatMap((name) => {
      const [one, other] = [a[name] ?? null, b[name] ?? null];
      if (one !== null && other !== null && Math.abs(one - other) <= SAME_WITHIN) return [];
      return [{ figure: `${part}: ${name}`, seen: one, here: other }];
    });
  });
}

/** How many disagreements are put into words; all of them are in the event log. */
const IN_WORDS = 3;

const figureWords = (value: number | null): string => (value === null ? 'nothing' : `${Math.round(value * 100) / 100}`);

/** The page and the server work out different figures for one piece: an error of the program. */
export class PlansDisagree extends Error {
  readonly piece: string;
  readonly disagreements: readonly Disagreement[];
  /**
   * @param piece its name
   * @param found where they do not agree
   */
  constructor(piece: string, found: readonly Disagreement[]) {
    const words = found
      .slice(0, IN_WORDS)
      .map(({ figure, seen, here }) => `${figure}: ${figureWords(seen)} on the page, ${figureWords(here)} on the server`);
    super(
      `The page and the server work out different figures for “${piece}” – ${words.join('; ')}. This is a fault in Fovea, so nothing was done. ` +
        'Reload the page. If you see this again, do not cut: export the piece and send it to us.',
    );
    this.name = 'PlansDisagree';
    this.piece = piece;
    this.disagreements = found;
  }
}

/**
 * Holds a plan against the figures that somebody saw of it.
 *
 * @param name of the piece
 * @param seen what was on the screen; nothing where nobody looked
 * @param here what is printed, laid, bought or priced
 * @throws PlansDisagree where a figure is farther apart than `SAME_WITHIN`
 */
export function expectAgreement(name: string, seen: Fingerprint | undefined, here: Fingerprint): void {
  const found = seen ? disagreements(seen, here) : [];
  if (found.length > 0) throw new PlansDisagree(name, found);
}
