'use client';

import { heightAt, inPocket, readGrid } from '@/core/build';
import { foamsOf, type Pad, type Piece } from '@/core/piece';
import type { SheetView, SitView } from '@/core/view';
import { Dimension } from '@/ui/drawing/dimension';
import { Handle } from '@/ui/drawing/handle';
import { MaterialPatterns } from '@/ui/drawing/materials';
import { openPath } from '@/ui/drawing/path';
import { Figure } from '@/ui/kit/figure';
import { useLength } from '@/ui/kit/settings';

type Props = {
  piece: Piece;
  view: SheetView;
  /** who sits on it, where that is looked at */
  sit: SitView | null;
  /** how far the main pad stands beyond the board by the house rule */
  houseOverhang: number;
  onPads: (pads: Pad[], live: boolean) => void;
};

const whole = (mm: number) => Math.round(mm);
/** A crown drawn out of nothing starts as this pad. */
const NEW_CROWN: Pad = { id: 'crown', role: 'crown', material: 'seat-extra-firm', thickness: 1, offset: null, edge: { kind: 'domed' } };

/** Gives the crown pad a thickness, making one when there is none and taking it away at nothing. */
export function withCrown(pads: Pad[], rise: number): Pad[] {
  const at = pads.findIndex((pad) => pad.role === 'crown');
  if (at < 0) return rise >= 1 ? [{ ...NEW_CROWN, thickness: rise }, ...pads] : pads;
  if (rise < 1) return pads.filter((_, i) => i !== at);
  return pads.map((pad, i) => (i === at ? { ...pad, thickness: rise } : pad));
}

/** The loaded surface along the cut, where somebody sits on it. */
function loadedLine(sit: SitView, section: NonNullable<SheetView['section']>): [number, number][] {
  const { loaded } = sit;
  const steps = 160;
  const points: [number, number][] = [];
  for (let i = 0; i <= steps; i++) {
    const x = section.board.left + ((section.board.right - section.board.left) * i) / steps;
    const z = readGrid(loaded, [section.origin[0] + section.direction[0] * x, section.origin[1] + section.direction[1] * x]);
    if (!Number.isNaN(z)) points.push([x, z]);
  }
  return points;
}

/** A true-to-scale cut under the chalk line: board, pads as the cover leaves them, and as they were before; with handles. */
export function SectionDrawing({ piece, view, sit, houseOverhang, onPads }: Props) {
  const say = useLength();
  const { section, plan } = view;
  if (!section) return <p className="p-4 text-sm">The chalk line misses the board; drag it back over the plan.</p>;
  const xs = section.cover.map(([x]) => x);
  const zs = section.cover.map(([, z]) => z);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const [low, high] = [Math.min(...zs), Math.max(...zs)];
  const size = (right - left) / 42;
  const middle = (left + right) / 2;
  const apex = heightAt(section.cover, middle) ?? high;
  const crownPad = piece.pads.find((pad) => pad.role === 'crown');
  const mainIndex = piece.pads.findIndex((pad) => pad.role === 'main');
  const main = piece.pads[mainIndex];
  const mainCut = section.pads.find((cut) => cut.id === main?.id);
  const rise = crownPad?.thickness ?? 0;
  const setPad = (index: number, change: Partial<Pad>) => piece.pads.map((pad, i) => (i === index ? { ...pad, ...change } : pad));
  const returnEnd = section.cover.at(-1)![0];
  // The gaps leave room for the figures beside the drawing.
  const view4 = [left - size * 5, -high - size * 3.4, right - left + size * 11, high - low + size * 7];

  return (
    <svg viewBox={view4.join(' ')} className="w-full h-full" role="group" aria-label="Section under the chalk line, to scale">
      <MaterialPatterns id="cut" scale={size / 9} foams={foamsOf(piece)} />
      {section.wadding.length > 0 && (
        <path
          d={`${openPath([...section.bare, ...[...section.wadding].reverse()])}Z`}
          fill="url(#cut-wadding)"
          stroke="var(--ink)"
          strokeWidth={size * 0.04}
        />
      )}
      {section.covered.map((cut) => {
        const pad = piece.pads.find((p) => p.id === cut.id);
        return (
          <path
            key={cut.id}
            d={`${openPath(cut.outline)}Z`}
            fill={`url(#cut-${pad?.material ?? 'seat-firm'})`}
            stroke="var(--ink)"
            strokeWidth={size * 0.08}
            data-pad={cut.id}
          />
        );
      })}
      <path
        d={`${openPath([...section.base, ...[...section.base].reverse().map(([x, z]): [number, number] => [x, z - section.board.thickness])])}Z`}
        fill="url(#cut-board)"
        stroke="var(--ink)"
        strokeWidth={size * 0.14}
        data-board-cut
      />
      {piece.pads.map((pad) => {
        const { pocket } = pad;
        const cut = section.pads.find((c) => c.id === pad.id);
        if (!pocket || !cut) return null;
        const under = cut.upper.filter(([x]) =>
          inPocket(pocket, [section.origin[0] + section.direction[0] * x, section.origin[1] + section.direction[1] * x]),
        );
        if (under.length < 2) return null;
        const floor = under.map(([x, z]): [number, number] => [x, z - pocket.deep]);
        return (
          <path
            key={`${pad.id} pocket`}
            d={`${openPath([...under, ...floor.reverse()])}Z`}
            fill={`url(#cut-${pocket.material})`}
            stroke="var(--ink)"
            strokeWidth={size * 0.08}
            data-pocket
          />
        );
      })}
      <path
        d={openPath(section.free)}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={size * 0.07}
        strokeDasharray={`${size * 0.4} ${size * 0.25}`}
        data-free-line
      />
      {sit && <path d={openPath(loadedLine(sit, section))} fill="none" stroke="var(--chalk)" strokeWidth={size * 0.2} data-loaded-line />}
      <path
        d={openPath(section.cover)}
        fill="none"
        stroke="var(--cover-line)"
        strokeWidth={size * 0.2}
        strokeLinejoin="round"
        data-cover-line
      />
      {[section.cover[0]!, section.cover.at(-1)!].map(([x, z]) => (
        <path
          key={x}
          d={`M${x - size * 0.3} ${-z} v${-size * 0.7} M${x + size * 0.3} ${-z} v${-size * 0.7} M${x - size * 0.3} ${-z} h${size * 0.6}`}
          stroke="var(--ink)"
          strokeWidth={size * 0.1}
          fill="none"
        />
      ))}
      <Dimension
        from={[section.board.left, low - size * 1.3]}
        to={[section.board.right, low - size * 1.3]}
        says={say(section.board.right - section.board.left)}
        size={size * 0.85}
      />
      <Dimension from={[right + size * 2, 0]} to={[right + size * 2, high]} says={say(high)} size={size * 0.85} side={1} />
      <text x={left - size * 4.6} y={-low + size * 2.9} fontSize={size * 0.75} fill="var(--cover-line)">
        cover <Figure says={say(section.length)} svg /> staple to staple
      </text>
      <text x={right + size * 5.6} y={-low + size * 2.9} fontSize={size * 0.75} textAnchor="end" fill="var(--ink)">
        return <Figure says={say(Math.abs(section.board.right - returnEnd))} svg />
      </text>
      <text x={middle + size} y={-apex - size * 1.1} fontSize={size * 0.75} fill="var(--chalk)">
        crown <Figure says={say(plan.surface.crown)} svg />
      </text>
      <Handle
        x={middle}
        y={apex}
        size={size * 0.42}
        label="Crown height"
        value={rise}
        says={say(rise)}
        onDrag={({ dy, start }, done) => onPads(withCrown(piece.pads, Math.max(0, whole(start + dy))), !done)}
        onNudge={(by) => onPads(withCrown(piece.pads, Math.max(0, rise + by)), false)}
      />
      {main && mainCut && (
        <>
          <Handle
            x={section.board.left + (middle - section.board.left) * 0.45}
            y={heightAt(section.cover, section.board.left + (middle - section.board.left) * 0.45) ?? 0}
            size={size * 0.42}
            shape="square"
            label="Main pad thickness"
            value={main.thickness}
            says={say(main.thickness)}
            onDrag={({ dy, start }, done) => onPads(setPad(mainIndex, { thickness: Math.max(1, whole(start + dy)) }), !done)}
            onNudge={(by) => onPads(setPad(mainIndex, { thickness: Math.max(1, main.thickness + by) }), false)}
          />
          <Handle
            x={mainCut.right}
            y={(mainCut.lower.at(-1)![1] + mainCut.upper.at(-1)![1]) / 2}
            size={size * 0.42}
            shape="square"
            label="Overhang of the main pad"
            value={main.offset ?? houseOverhang}
            says={say(main.offset ?? houseOverhang)}
            onDrag={({ dx, start }, done) => onPads(setPad(mainIndex, { offset: whole(start + dx) }), !done)}
            onNudge={(by) => onPads(setPad(mainIndex, { offset: (main.offset ?? houseOverhang) + by }), false)}
          />
        </>
      )}
    </svg>
  );
}
