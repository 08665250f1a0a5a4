'use client';

import { heightAt, inPocket, readGrid, type Section } from '@/core/padding';
import { cutBoard } from '@/core/base';
import { wayOf } from '@/core/cover';
import type { Point } from '@/core/outline';
import { foamsOf, letInDepth, letInto, withCrown, type Pad, type Piece, type Pocket } from '@/core/piece';
import type { SitView } from '@/core/plan';
import { crownOf } from '@/core/sizes';
import { Dimension } from '@/ui/drawing/dimension';
import { Handle } from '@/ui/drawing/handle';
import { MaterialPatterns } from '@/ui/drawing/materials';
import { Paper } from '@/ui/drawing/paper';
import { openPath, smoothPath } from '@/ui/drawing/path';
import { Figure } from '@/ui/kit/fields/figure';
import { useLength } from '@/ui/kit/settings';
import { FormHandles } from './form-handles';
import { usePadOffsets, usePiece, useSheet } from '../store';

const whole = (mm: number) => Math.round(mm);

/** The loaded surface along the cut, where somebody sits on it. */
function loadedLine(sit: SitView, section: Section): [number, number][] {
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

/** The cut filled in: wadding, pads as the cover leaves them, board, pockets. */
function Cut({ piece, section, size }: { piece: Piece; section: Section; size: number }) {
  return (
    <>
      <MaterialPatterns id="cut" scale={size / 9} foams={foamsOf(piece)} />
      {section.wadding.length > 0 && (
        <path
          d={`${openPath([...section.bare, ...[...section.wadding].reverse()])}Z`}
          fill="url(#cut-wadding)"
          stroke="var(--ink)"
          strokeWidth={size * 0.04}
        />
      )}
      {section.covered.map((cut) => (
        <path
          key={cut.id}
          d={`${openPath(cut.outline)}Z`}
          fill={`url(#cut-${piece.pads.find((p) => p.id === cut.id)?.material ?? 'seat-firm'})`}
          stroke="var(--ink)"
          strokeWidth={size * 0.08}
          data-pad={cut.id}
        />
      ))}
      <path
        d={cutBoard(section, piece.base)
          .map((part) => `${openPath(part)}Z`)
          .join('')}
        fill="url(#cut-board)"
        stroke="var(--ink)"
        strokeWidth={size * 0.14}
        data-board-cut
      />
      {piece.pads.flatMap((pad) =>
        letInto(pad).map((pocket, value) => (
          <LetInCut key={`${pad.id} ${value}`} pad={pad} pocket={pocket} section={section} size={size} />
        )),
      )}
    </>
  );
}

/** A pocket's insert or a patch, as deep as it is let in at each place. */
function LetInCut({ pad, pocket, section, size }: { pad: Pad; pocket: Pocket; section: Section; size: number }) {
  const cut = section.pads.find((c) => c.id === pad.id);
  if (!cut) return null;
  const at = (x: number): Point => [section.origin[0] + section.direction[0] * x, section.origin[1] + section.direction[1] * x];
  const under = cut.upper.filter(([x]) => inPocket(pocket, at(x)));
  if (under.length < 2) return null;
  const floor = under.map(([x, z]): [number, number] => [x, z - letInDepth(pocket, at(x))]);
  return (
    <path
      d={`${openPath([...under, ...floor.reverse()])}Z`}
      fill={`url(#cut-${pocket.material})`}
      stroke="var(--ink)"
      strokeWidth={size * 0.08}
      data-pocket
    />
  );
}

/** Whether the cover goes round the pad and is held by nothing. */
const useLoose = (): boolean => Boolean(wayOf(usePiece().covering.way).loose);

/** How far above the board's lower edge the cloth ends in sight at either end of the cut, mm; null where it goes on under it. */
function useFolds({ origin, direction, board }: Section): [number | null, number | null] {
  const stations = useSheet((state) => state.view?.plan.stations ?? []);
  // A loose cover is closed below: nothing of it is turned under a board.
  if (useLoose()) return [0, 0];
  const fold = (x: number): number | null => {
    const [u, v] = [origin[0] + direction[0] * x, origin[1] + direction[1] * x];
    const away = (s: (typeof stations)[number]): number => Math.hypot(s.x - u, s.y - v);
    const near = stations.length > 0 ? stations.reduce((best, s) => (away(s) < away(best) ? s : best)) : null;
    return near?.ends ? -near.return : null;
  };
  return [fold(board.left), fold(board.right)];
}

/** The cover's line, cut off where the cloth ends in sight. */
function seenCover(cover: Section['cover'], [left, right]: readonly [number | null, number | null]): Section['cover'] {
  const low = Math.min(...cover.map(([, z]) => z));
  const from = left === null ? 0 : cover.findIndex(([, z]) => z >= low + left - 0.01 && z > low + 0.01);
  const to =
    right === null ? cover.length : cover.length - [...cover].reverse().findIndex(([, z]) => z >= low + right - 0.01 && z > low + 0.01);
  // Down the board's edge its points are far apart: it ends at the fold, not at the last of them.
  const end = (at: number, up: number | null): Section['cover'] => (up === null || !cover[at] ? [] : [[cover[at][0], low + up]]);
  return [...end(from - 1, left), ...cover.slice(Math.max(0, from), to), ...end(to, right)];
}

/** The free foam, the loaded surface, the cover's own line with its staples. */
function Lines({ section, sit, size }: { section: Section; sit: SitView | null; size: number }) {
  const folds = useFolds(section);
  const ends = [section.cover[0]!, section.cover.at(-1)!].filter((_, k) => folds[k] === null);
  return (
    <>
      <path
        d={openPath(section.free)}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={size * 0.07}
        strokeDasharray={`${size * 0.4} ${size * 0.25}`}
        data-free-line
      />
      {sit && <path d={smoothPath(loadedLine(sit, section))} fill="none" stroke="var(--chalk)" strokeWidth={size * 0.2} data-loaded-line />}
      <path
        d={smoothPath(seenCover(section.cover, folds))}
        fill="none"
        stroke="var(--cover-line)"
        strokeWidth={size * 0.2}
        strokeLinejoin="round"
        data-cover-line
      />
      {ends.map(([x, z]) => (
        <path
          key={x}
          d={`M${x - size * 0.3} ${-z} v${-size * 0.7} M${x + size * 0.3} ${-z} v${-size * 0.7} M${x - size * 0.3} ${-z} h${size * 0.6}`}
          stroke="var(--ink)"
          strokeWidth={size * 0.1}
          fill="none"
        />
      ))}
    </>
  );
}

type Reach = { left: number; right: number; low: number; high: number; middle: number; apex: number };

function reachOf({ cover }: Section): Reach {
  const xs = cover.map(([x]) => x);
  const zs = cover.map(([, z]) => z);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const [low, high] = [Math.min(...zs), Math.max(...zs)];
  const middle = (left + right) / 2;
  return { left, right, low, high, middle, apex: heightAt(cover, middle) ?? high };
}

type Drawn = { section: Section; reach: Reach; size: number };

/** What is measured in the cut. */
function Measures({ section, reach: { left, right, low, high, middle, apex }, size }: Drawn) {
  const say = useLength();
  const measured = useSheet((state) => state.view!.plan.surface.crown);
  const crown = crownOf(usePiece(), measured);
  // Where it ends in sight there is no staple to measure to, and no return.
  const folds = useFolds(section);
  const stapled = folds[0] === null && folds[1] === null;
  const loose = useLoose();
  return (
    <>
      <Dimension
        from={[section.board.left, low - size * 1.3]}
        to={[section.board.right, low - size * 1.3]}
        says={say(section.board.right - section.board.left)}
        size={size * 0.85}
      />
      <Dimension from={[right + size * 2, 0]} to={[right + size * 2, high]} says={say(high)} size={size * 0.85} side={1} />
      {stapled && (
        <text x={left} y={-low + size * 3.1} fontSize={size * 0.75} fill="var(--cover-line)">
          cover <Figure says={say(section.length)} svg /> staple to staple
        </text>
      )}
      {!loose && (
        <text
          x={right + size * 4}
          y={-low + size * (right - left < size * 16 ? 4.1 : 3.1)}
          fontSize={size * 0.75}
          textAnchor="end"
          fill="var(--ink)"
        >
          {folds[1] === null ? (
            <>
              turn-under <Figure says={say(Math.abs(section.board.right - section.cover.at(-1)![0]))} svg />
            </>
          ) : (
            <>
              fold <Figure says={say(folds[1])} svg /> up
            </>
          )}
        </text>
      )}
      {crown !== null && (
        <text x={middle + size} y={-apex - size * 1.1} fontSize={size * 0.75} fill="var(--chalk)">
          crown <Figure says={say(crown)} svg />
        </text>
      )}
    </>
  );
}

/** What can be taken hold of: the crown, the main pad's thickness and how far it stands over. */
function Handles({ section, reach: { middle, apex }, size }: Drawn) {
  const say = useLength();
  const offsets = usePadOffsets();
  const piece = usePiece();
  const follow = useSheet((state) => state.follow);
  const put = (pads: Pad[], live: boolean) => follow({ ...piece, pads }, live);
  const rise = piece.pads.find((pad) => pad.role === 'crown')?.thickness ?? 0;
  const index = piece.pads.findIndex((pad) => pad.role === 'main');
  const main = piece.pads[index];
  const cut = section.pads.find(({ id }) => id === main?.id);
  const setMain = (change: Partial<Pad>) => piece.pads.map((pad, i) => (i === index ? { ...pad, ...change } : pad));
  const shoulder = section.board.left + (middle - section.board.left) * 0.45;
  const offset = offsets[index] ?? 0;
  return (
    <>
      <Handle
        x={middle}
        y={apex}
        size={size * 0.42}
        label="Crown height"
        value={rise}
        says={say(rise)}
        onDrag={({ dy, start }, done) => put(withCrown(piece.pads, Math.max(0, whole(start + dy))), !done)}
        onNudge={(by) => put(withCrown(piece.pads, Math.max(0, rise + by)), false)}
      />
      {main && cut && (
        <>
          <Handle
            x={shoulder}
            y={heightAt(section.cover, shoulder) ?? 0}
            size={size * 0.42}
            shape="square"
            label="Main pad thickness"
            value={main.thickness}
            says={say(main.thickness)}
            onDrag={({ dy, start }, done) => put(setMain({ thickness: Math.max(1, whole(start + dy)) }), !done)}
            onNudge={(by) => put(setMain({ thickness: Math.max(1, main.thickness + by) }), false)}
          />
          <Handle
            x={cut.right}
            y={(cut.lower.at(-1)![1] + cut.upper.at(-1)![1]) / 2}
            size={size * 0.42}
            shape="square"
            label="Overhang of the main pad"
            value={offset}
            says={say(offset)}
            onDrag={({ dx, start }, done) => put(setMain({ offset: whole(start + dx) }), !done)}
            onNudge={(by) => put(setMain({ offset: offset + by }), false)}
          />
        </>
      )}
    </>
  );
}

/** Room for the figures beside the drawing. */
const ROOM = { left: 1, right: 4.2, top: 1.6, bottom: 3.4 };

/** A true-to-scale cut under the chalk line: board, pads as the cover leaves them, and as they were before; with handles. */
export function SectionDrawing({ sits }: { sits: boolean }) {
  const piece = usePiece();
  const section = useSheet((state) => state.view!.section);
  const sit = useSheet((state) => (sits ? state.sit.view : null));
  if (!section) return <p className="p-4 text-sm">The chalk line misses the board; drag it back over the plan.</p>;
  const reach = reachOf(section);
  const { left, right, low, high } = reach;
  return (
    <Paper
      extent={{ x: left, y: -high, width: right - left, height: high - low }}
      room={ROOM}
      label="Section under the chalk line, to scale"
    >
      {(size) => (
        <>
          <Cut piece={piece} section={section} size={size} />
          <Lines section={section} sit={sit} size={size} />
          <Measures section={section} reach={reach} size={size} />
          <Handles section={section} reach={reach} size={size} />
          <FormHandles section={section} size={size} />
        </>
      )}
    </Paper>
  );
}
