import type { ComponentType, ReactNode } from 'react';
import type { Piece } from '@/core/piece';
import type { PlanPart, SheetView, SitView } from '@/core/plan';
import type { SizeGroup } from '@/core/sizes';

/** What a layer of the plan is drawn with; sizes in the drawing's own mm. */
export type LayerProps = {
  piece: Piece;
  view: SheetView;
  /** height of a figure, about */
  size: number;
  /** what the drawing shows, mm */
  box: { minX: number; minY: number; maxX: number; maxY: number; width: number; height: number };
  /** left and right of it */
  margin: number;
  /** who sits on it, where that is looked at */
  sit: SitView | null;
};
export type Layer = ComponentType<LayerProps>;

/** What a stage lays on the plan, from the cloth beneath the board up to the handles. */
export type Drawing = {
  /** whether the whole cloth is shown, and how much room is left round it, as a share */
  frame: (view: SheetView) => { cloth: boolean; room: number };
  /** lines of equal height */
  contours: boolean;
  cloth?: Layer;
  /** on the board, under the stations */
  on?: Layer;
  /** on top of the stations */
  over?: Layer;
  handles?: Layer;
  /** what else is drawn at a station */
  station?: ComponentType<{ station: SheetView['plan']['stations'][number]; size: number }>;
  /** the pointer over the plan, mm */
  onPoint?: (view: SheetView, at: { x: number; y: number }, show: (looks: { pointed: number }) => void) => void;
  /** how much of the height the section takes, percent */
  section: number;
  /** beside the section */
  Beside?: ComponentType;
  /** the section is left out */
  alone?: boolean;
};

/** What a stage puts in front, seen one way. */
export type StageView = {
  /** what of the plan is worked out while it is looked at */
  parts: readonly PlanPart[];
  /** groups of sizes that stand open */
  sizes: readonly SizeGroup[];
  /** the sitter and the pressure are drawn */
  sitter?: boolean;
  /** what is typed and chosen */
  Panel: ComponentType;
  /** what stands in the middle; where there is a drawing, it is handed that */
  Main?: ComponentType<{ children: ReactNode }> | undefined;
  /** plan and section; without it the middle is the stage's */
  drawing?: Drawing | undefined;
};

/** A stage of the work: one file, and one line in the list. */
export type Stage = StageView & {
  id: string;
  name: string;
  /** addresses that lead here: what these stages were called before, and the view that shows them */
  formerly?: Readonly<Record<string, string>>;
  /** whether the piece has such a stage at all; nothing for always */
  applies?: (piece: Piece) => boolean;
  /** what it still lacks, in a word or two, or null */
  lacking: (piece: Piece) => string | null;
  /** it is worked at by drawing and dragging: a phone says that it wants a larger screen */
  draws?: boolean;
  /** the padding is sat on, for the verdict */
  sits?: boolean;
  /** other ways to see it, by the name in the address: what is different there */
  views?: Readonly<Record<string, Partial<StageView>>>;
};

/** The view that a stage opens with. */
export const FIRST_VIEW = 'plan';

/** What a stage puts in front in a view; a view that it does not have is the one that it opens with. */
export const stageView = (stage: Stage, view: string): StageView => ({ ...stage, ...stage.views?.[view] });
