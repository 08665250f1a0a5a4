'use client';

import type { ChalkLine, Piece } from '@/core/piece';
import type { SheetView } from '@/core/plan';
import { useLength } from '@/ui/kit/settings';
import { useSheet } from '@/ui/sheet/store';
import type { Colouring } from './meshes';

const COLOURINGS: { id: Colouring; name: string }[] = [
  { id: 'cloth', name: 'Cloth' },
  { id: 'contour', name: 'Height, in steps' },
  { id: 'strain', name: 'Strain in the cloth' },
  { id: 'pressure', name: 'Pressure under the sitter' },
];

const PLATE = 'bg-base-100 px-2 py-1 border border-base-content/25 w-fit text-sm';

export function Switch({ says, on, onTurn }: { says: string; on: boolean; onTurn: (on: boolean) => void }) {
  return (
    <label className={`flex items-center gap-2 ${PLATE}`}>
      <input
        type="checkbox"
        className="size-5 accent-(--color-secondary)"
        checked={on}
        onChange={(event) => onTurn(event.target.checked)}
      />
      {says}
    </label>
  );
}

/** How far a chalk line lies off the board's middle, across itself, mm: back and right are more. */
export function chalkAside({ x, y, angle }: ChalkLine): number {
  return -x * Math.sin(angle) + y * Math.cos(angle);
}

/** The same chalk line so far off the middle. */
export function chalkAt(chalk: ChalkLine, aside: number): ChalkLine {
  const by = aside - chalkAside(chalk);
  return { ...chalk, x: chalk.x - by * Math.sin(chalk.angle), y: chalk.y + by * Math.cos(chalk.angle) };
}

/** How far a chalk line can be moved to either side of the middle before it leaves the board, mm. */
export function chalkReach({ angle }: ChalkLine, { plan }: SheetView): [number, number] {
  const aside = plan.outline.points.map(([x, y]) => -x * Math.sin(angle) + y * Math.cos(angle));
  const KEPT = 0.9;
  return [Math.min(...aside) * KEPT, Math.max(...aside) * KEPT];
}

/** Moves the cut through the piece: the chalk line, from here. */
export function CutSlide({ piece, view }: { piece: Piece; view: SheetView }) {
  const say = useLength();
  const follow = useSheet((state) => state.follow);
  const aside = Math.round(chalkAside(piece.chalk));
  const [least, most] = chalkReach(piece.chalk, view).map(Math.round) as [number, number];
  const put = (to: number, live: boolean) => follow({ ...piece, chalk: chalkAt(piece.chalk, to) }, live);
  const done = () => put(aside, false);
  return (
    <label className={`flex items-center gap-2 ${PLATE}`}>
      Cut at
      <input
        type="range"
        className="w-36 accent-(--color-secondary)"
        min={Math.min(least, aside)}
        max={Math.max(most, aside)}
        step={1}
        value={aside}
        aria-valuetext={`${say(Math.abs(aside))} ${aside < 0 ? 'before' : 'behind'} the middle`}
        onChange={(event) => put(Number(event.target.value), true)}
        onPointerUp={done}
        onKeyUp={done}
      />
      <span className="tabular-nums">{say(aside)}</span>
    </label>
  );
}

export function ColourBy({ colouring, onColouring }: { colouring: Colouring; onColouring: (by: Colouring) => void }) {
  return (
    <>
      <label htmlFor="round-colour">Colour by</label>
      <select
        id="round-colour"
        className="border border-base-content/40 rounded-sm bg-base-100 px-1 py-0.5"
        value={colouring}
        onChange={(event) => onColouring(event.target.value as Colouring)}
      >
        {COLOURINGS.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </>
  );
}
