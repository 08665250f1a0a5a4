import type { BoardCheck, Course, DeckPlan, EdgeStrip, FrameCuts, PanelLayout, Room, TrimBend } from '../base';
import type { CoveredSize, Surface } from '../padding';
import type { CornerPlan, CoverPiece, CoverPlan, LiningPiece, StationWrap } from '../cover';
import type { CutPlan, FoamPiece } from '../foam-cutting';
import type { Fixing } from '../fastening';
import type { Closing, Polygon } from '../outline';
import type { Hardware, Hole, PieceKind } from '../piece';
import type { Step } from '../run-sheet';
import type { PocketPlan, SitPlan } from '../seat-check';
import type { GoesBack, OldCompared, OldStaple, PressVerdict } from '../strip';
import type { Warning } from '../warning';

/** Everything to cut, fix, do and check for a piece. Lengths mm, areas mm², forces N, masses kg, times minutes. */
export type Plan = {
  schema: 'fovea.plan/1';
  piece: { name: string; kind: PieceKind; count: number };
  /** the house rules by which it was made, the piece's overrides in them, by key */
  rules: Readonly<Record<string, number>>;
  outline: { width: number; depth: number; perimeter: number; area: number; points: Polygon };
  base: {
    /** how the measurements close, where there was one to spare */
    closing: Closing | null;
    /** what the near and far edges are called */
    words: readonly [near: string, far: string];
    holes: Hole[];
    hardware: Hardware[];
    thickness: number;
    /** how far down the cover goes over the edge: the board, and a frame flush below it, mm */
    edgeThickness: number;
    /** it is not flat: a pan, or a base that was read with its heights */
    moulded: boolean;
    board: BoardCheck;
    strips: EdgeStrip[];
    trims: TrimBend[];
    frame: FrameCuts | null;
    /** webbing or springs in the frame, instead of a board */
    deck: DeckPlan | null;
    /** what the board is put together from; nothing where it is one */
    courses: Course[];
  };
  /** how large it is once covered, and what is left beside it in the opening it goes into */
  room: { covered: CoveredSize; opening: Room | null };
  /** panels laid out on a wall, for a panelled piece */
  panels: PanelLayout | null;
  strip: { press: PressVerdict | null; oldCover: OldCompared[]; back: GoesBack[]; staples: OldStaple[] };
  /** pieces of the set made to an outline of their own */
  variants: VariantPlan[];
  surface: Surface;
  /** mm of wadding left once smoothed down, before the cover presses it */
  settledWadding: number;
  /** what the sitter of this piece finds; null without padding, or where it was not asked for */
  sit: SitPlan | null;
  pockets: PocketPlan[];
  stations: StationWrap[];
  corners: CornerPlan[];
  cover: CoverPlan;
  foam: FoamPiece[];
  wadding: (LiningPiece & { thickness: number }) | null;
  /** null where nothing is seen from below */
  dustCover: (LiningPiece & { finishedWidth: number; finishedHeight: number }) | null;
  cut: CutPlan;
  fixing: Fixing;
  mass: { board: number; foam: number; /** battens and corner blocks */ frame: number; total: number };
  /** for one piece of the set */
  steps: Step[];
  minutes: number;
  warnings: Warning[];
};

/** What is different for a piece of the set whose base was measured differently. */
export type VariantPlan = {
  id: string;
  name: string;
  count: number;
  outline: { width: number; depth: number; points: Polygon };
  covers: CoverPiece[];
  foam: FoamPiece[];
  wadding: LiningPiece | null;
  dustCover: LiningPiece | null;
};

/** What of a plan is worked out only where it is looked at. */
export const PLAN_PARTS = ['board', 'strip', 'cover', 'cut', 'fixing', 'run'] as const;
export type PlanPart = (typeof PLAN_PARTS)[number];

type WhereAsked = 'strip' | 'variants' | 'cover' | 'wadding' | 'dustCover' | 'cut' | 'fixing' | 'steps' | 'minutes' | 'sit' | 'pockets';

/** A plan of which only some parts were asked for. */
export type SheetPlan = Omit<Plan, WhereAsked | 'base'> &
  Partial<Pick<Plan, WhereAsked>> & { base: Omit<Plan['base'], 'board'> & Partial<Pick<Plan['base'], 'board'>> };
