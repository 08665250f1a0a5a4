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
  /** whether the section is left out for now */
  alone?: (look: string) => boolean;
};

/** A stage of the work: one file, and one line in the list. */
export type Stage = {
  id: string;
  name: string;
  /** what it still lacks, in a word or two, or null */
  lacking: (piece: Piece) => string | null;
  /** what of the plan is worked out while it is looked at */
  parts: readonly PlanPart[];
  /** groups of sizes that stand open */
  sizes: readonly SizeGroup[];
  /** somebody sits on it while it is looked at */
  sits?: boolean;
  /** what is typed and chosen */
  Panel: ComponentType;
  /** what stands in the middle; where the stage has a drawing, it is handed that */
  Main?: ComponentType<{ children: ReactNode }>;
  /** plan and section; without it the middle is the stage's own */
  drawing?: Drawing;
};
