import type { CoverModel } from '../reads';
import type { Give } from '../../flattening';
import type { RuleReader } from '../../house';
import type { Buttons, Channels, Covering, CutCloth, Nails, Piece, Problem, Traits, Welt } from '../../piece';
import type { StepDraft } from '../../step/step';
import type { CoverPiece } from '../laying/cloth-piece';
import type { PanelSpec } from '../laying/panel-spec';
import type { Level, Stretch } from '../surface/levels';
import type { Ring } from '../surface/ring';

/** Everything chosen about a cover, with what its way settles where nobody did. */
export type Choices = {
  covering: Covering;
  /** the welt, where the way has one and it was not left out */
  welt: Welt | null;
  channels: Channels | null;
  buttons: Buttons | null;
  nails: Nails | null;
};

/** A seam of the cover: where it lies, whether it goes all the way round, whether a cord is sewn into it. */
export type SeamSpec = {
  id: string;
  name: string;
  level: Level;
  welted: boolean;
  /** laid along and fastened, not stitched */
  laid?: boolean;
  /** places between which it runs, where it does not go all the way round */
  over?: Stretch;
};

/** The stretch of the band that opens, how far it goes past either corner, and whether the pad is folded to go in. */
export type ZipSpec = { from: number; to: number; length: number; past: number; folded: boolean };

/** The panels and seams of a sewn cover. */
export type Sewn = { panels: PanelSpec[]; seams: SeamSpec[]; zip: ZipSpec | null };

/** What a way works from: the covered surface and what was chosen. */
export type Working = Choices & {
  model: CoverModel;
  ring: Ring;
  rule: RuleReader;
  give: Give;
  /** how much longer its cloth is cut, for shrinkage and for what seams take up */ longer: number;
};

/** How far a pulled cloth goes on beyond the board's lower edge: to the staples, and beyond them for the hand, mm. */
export type Beyond = { staple: number; grip: number };

/** One part of how much wider than the board the cloth is cut at a place, and the house rule that it comes from. */
export type ReachPart = { label: string; rule: string | null };

/** What the cloth needs beyond the board, part by part, at each place of the ring. */
export type ReachRow = { parts: ReachPart[]; at: (place: number) => number[] };

/** How well a way of covering suits a piece and its cloth, with the reasons. */
export type Suit = { way: string; fit: 'suits' | 'with care' | 'not'; why: string[] };

/** One thing that speaks against a way: whether it does, whether it forbids it, and why. */
export type Against = readonly [bad: boolean, hard: boolean, why: string];

/** What is looked at to say whether a way suits. Lengths mm, shares of the cloth's length. */
export type SuitFacts = {
  traits: Traits;
  cloth: CutCloth;
  give: Give;
  rule: RuleReader;
  /** the side's mean height, the shorter way across, the bare margin outside the padding */
  side: number;
  across: number;
  bare: number;
  /** what the dome asks of the cloth */
  dome: number;
  /** the most that a corner leaves over */
  most: number;
  striped: boolean;
  pile: boolean;
  /** no corner at all */
  round: boolean;
  /** a hard-edge strip somewhere */
  strip: boolean;
};

/** What a run sheet's steps are made from. */
export type SewnFacts = {
  piece: Piece;
  rule: RuleReader;
  pieces: readonly CoverPiece[];
  welt: Welt | null;
  seams: readonly { id: string; length: number }[];
  zip: Pick<ZipSpec, 'past' | 'folded'> | null;
  /** it has straight hidden edges, and tack strip along them */
  card: boolean;
};

/** Steps that a way has of its own: on the bare board, before the cover is fastened, and after. */
export type OwnSteps = {
  first?: StepDraft[];
  before?: StepDraft[];
  after?: StepDraft[];
  /** once everything else is fastened, nails too */ last?: StepDraft[];
};

/**
 * A way of covering: everything the rest of the application knows of it. A new one is a file beside these and a line in
 * the list.
 */
export type Way = {
  id: string;
  name: string;
  words: string;
  /** one cloth from edge to edge, pulled over and stapled under; otherwise sewn of panels */
  pulled: boolean;
  /** a band is sewn on along the edge, and the foam stands up to the seam */
  boxed?: boolean;
  /** held by nothing but itself: it goes round the pad and is closed */
  loose?: boolean;
  /** the covering's own fields that belong to it, in the order of the form */
  fields: readonly (keyof Covering)[];
  /** its welt where it has one: what it starts from, and what the ticks of its two seams say (null: not offered), and
   * whether its lower one is stapled or sewn by choice */
  welt?: {
    start: Partial<Welt>;
    upper: string | null;
    lower: string | null;
    holds?: boolean;
    /** whether its lower one is stapled along the board once the cover is on */
    stapled?: (welt: Welt) => boolean;
  };
  channels?: 'always' | 'offered';
  buttons?: 'always' | 'offered';
  nails?: 'always';
  /** a cloth passes over notches and is cut there */
  overNotches: boolean;
  /** the visible surface that it covers ends at a seam inside the edge */
  endsInside?: boolean;
  /** how far inside the board's edge its deepest seam lies, mm; several are tried widest first until one lies well */
  depths?: (covering: Covering) => { depth: number; covering: Covering }[];
  /** where a seam that lies too deep can be mended: field of the covering, and what it is called */
  tooDeep?: readonly [field: keyof Covering, name: string];
  /** what cannot be, beyond what its fields can say */
  problems?: (piece: Piece, narrowest: number) => Problem[];
  panels?: (working: Working) => Sewn;
  beyond?: (rule: RuleReader, covering: Covering) => Beyond;
  reach: (working: Working, seams: readonly SeamSpec[], beyond: Beyond) => ReachRow;
  /** strips and panels that are not part of the visible surface */
  extras?: (working: Working, sewn: Sewn, making: ExtraMaking) => CoverPiece[];
  /** the cover's own staples go through card strip along its straight edges: how that is said in their step */
  throughCard?: string;
  /** how its edges are pushed through the frame, before anything holds it; left out where they are not */
  pushed?: string;
  /** the lines along which hidden straight edges are fastened with card */
  tackAlong?: (working: Working, sewn: Sewn) => Pick<SeamSpec, 'name' | 'level' | 'over'>[];
  /**
   * where pad and wadding are cut apart because what lies outside is laid later, in words, and whether what is laid first runs on to
   * the near edge; null where they are laid whole
   */
  laidApart?: (covering: Covering) => { line: string; toNear: boolean } | null;
  /**
   * rows of staples that hold its parts where they are back-tacked on the board, in the order of work: what each holds, how far in from
   * the board's edge, and whether it leaves the near edge out and runs on down to it at both its ends
   */
  tackedRows?: (covering: Covering) => { name: string; inset: number; leavesNear: boolean }[];
  suits: (facts: SuitFacts) => { against: Against[]; good: string };
  steps?: (facts: SewnFacts) => OwnSteps;
};

/** What helps a way make pieces of its own. */
export type ExtraMaking = {
  count: number;
  /** flat length of a seam as its first piece was cut, mm */
  seamLength: (seam: string) => number | null;
  /** makes a panel of a part of a surface */
  panel: (spec: PanelSpec, ring: Ring) => CoverPiece[];
};
