import { panelWidth, type Panels } from '../piece';
import { TIE, wholeDown, wholeUp } from '../ties';
import { CLEAR, hangingOf, type Hanging } from './hanging';

/** The trade's factor for what hangs over a bed or seat: everything's mass × 4 ≤ rating. */
const HANGING_FACTOR = 4;
/** Two cleats need this from middle to middle, mm: a cleat and room for a screwdriver. */
const CLEATS_APART = 60;

/** Panels laid out on a wall, from its middle. Lengths mm, masses kg. */
export type PanelLayout = {
  width: number;
  gap: number;
  /** where each panel's middle is, from the middle of the wall; − is left */
  centres: number[];
  /** the edges to mark on the wall, from its middle */
  edges: [number, number][];
  mounting: Panels['mounting'];
  /** mass of one panel */
  mass: number;
  /** what the cleats of one panel (or of all, when joined) must be rated for */
  needed: number;
  /** what the cleats that are planned carry: as many as it takes, where there is room for them */
  rated: number;
  /** cleats planned for one panel (or for all, when joined), never fewer than were asked for */
  cleats: number;
  holds: boolean;
  /** where the cleats go, on the panels and on the wall */
  hanging: Hanging;
};

/**
 * Lays N equal panels out over a width and checks what they hang on.
 *
 * @param panels the wall
 * @param mass of one finished panel, kg
 * @param board its height and what a screw can go into from behind, mm
 */
export function panelLayout(panels: Panels, mass: number, board: { height: number; depth: number }): PanelLayout {
  const width = panelWidth(panels);
  const pitch = width + panels.gap;
  const centres = Array.from({ length: panels.count }, (_, i) => (i - (panels.count - 1) / 2) * pitch);
  const hung = panels.mounting === 'joined' ? mass * panels.count : mass;
  const needed = hung * HANGING_FACTOR;
  const room = panels.mounting === 'joined' ? pitch * panels.count - panels.gap : width;
  const most = Math.max(panels.cleats, wholeDown((room - 2 * CLEAR) / CLEATS_APART) + 1);
  const cleats = Math.min(most, Math.max(panels.cleats, wholeUp(needed / panels.rating)));
  const rated = cleats * panels.rating;
  return {
    width,
    gap: panels.gap,
    centres,
    edges: centres.map((x) => [x - width / 2, x + width / 2]),
    mounting: panels.mounting,
    mass,
    needed,
    rated,
    cleats,
    holds: needed <= rated + TIE,
    hanging: hangingOf({ ...panels, cleats }, { centres, width }, board.height, board.depth),
  };
}
