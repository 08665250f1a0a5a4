'use client';

import { OF_CLOTH } from '@/core/cover';
import { useMemo } from 'react';
import { arrangePieces, onPage, type Arranged, type CoverPiece, type CoverPlan } from '@/core/cover';
import { bounds, type Point } from '@/core/outline';
import { Paper } from '@/ui/drawing/paper';
import { closedPath, openPath } from '@/ui/drawing/path';
import { Figure } from '@/ui/kit/fields/figure';
import { useLength } from '@/ui/kit/settings';
import { usePlan } from '@/ui/sheet/store';

const KINDS: Record<CoverPiece['lines'][number]['kind'], string> = {
  staple: 'staple line',
  trim: 'trim line',
  stitch: 'stitch line',
  fold: 'fold',
  nail: 'nail line',
  cut: 'cut',
  'top-stitch': 'top stitch',
  pull: 'pull',
};

/** Two pieces lie so far apart on the page, mm. */
const GAP = 22;
/** A sign is about so wide, as a share of its height. */
const SIGN = 0.56;
/** Names stand in pieces that are so many heights tall: in a narrow one they would lie on its lines. */
const TALL = 4;
/** Labels nearer than this many heights would touch. */
const APART = 2.4;

/** A place of a piece as it lies on the page, y down. */
type ToPage = (at: Point) => { x: number; y: number };

/** The way into a piece from a place on its sewn line: square to the line there. */
function inwardAt({ sewn }: CoverPiece, [x, y]: Point): Point {
  const n = sewn.length;
  let nearest = 0;
  for (let i = 1; i < n; i++)
    if (Math.hypot(sewn[i]![0] - x, sewn[i]![1] - y) < Math.hypot(sewn[nearest]![0] - x, sewn[nearest]![1] - y)) nearest = i;
  const [a, b] = [sewn[(nearest + n - 1) % n]!, sewn[(nearest + 1) % n]!];
  const long = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  return [-(b[1] - a[1]) / long, (b[0] - a[0]) / long];
}

/** Numbers of notches where there is room for them, within their piece; the others are dots that say theirs when asked. */
function Notches({ piece, page, size }: { piece: CoverPiece; page: ToPage; size: number }) {
  const shown: { x: number; y: number }[] = [];
  return piece.notches.map((notch) => {
    const { x, y } = page([notch.x, notch.y]);
    const [ix, iy] = inwardAt(piece, [notch.x, notch.y]);
    const label = page([notch.x + ix * size * 0.8, notch.y + iy * size * 0.8]);
    const room = shown.every((candidate) => Math.hypot(candidate.x - label.x, candidate.y - label.y) > size * APART);
    if (room) shown.push(label);
    return (
      <g key={`${notch.edge} ${notch.label}`} data-notch={notch.label}>
        <title>Notch {notch.label}</title>
        <circle cx={x} cy={y} r={size * 0.16} fill="var(--ink)" />
        {room && (
          <text x={label.x} y={label.y + size * 0.25} fontSize={size * 0.7} textAnchor="middle" fill="var(--ink)">
            {notch.label}
          </text>
        )}
      </g>
    );
  });
}

/** One flat piece where it lies on the page: cut line, sewn line, grain, notches, marks. */
function PieceDrawing({ piece, arranged, number, size }: { piece: CoverPiece; arranged: Arranged; number: number; size: number }) {
  const page: ToPage = (at) => {
    const [x, y] = onPage(arranged, at);
    return { x, y: -y };
  };
  const line = (points: readonly Point[]) => points.map((at) => onPage(arranged, at));
  const box = bounds(piece.outline);
  const middle = page([(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2]);
  const lying = bounds(line(piece.outline));
  const name = `${number} ${piece.name}`;
  const fits = name.length * SIGN * size < lying.width * 0.9 && size * TALL < lying.height;
  const grain = Math.min(size * 2.4, box.height / 3);
  // Beside the words, whatever way up the piece lies.
  const aside = ((fits ? name.length * SIGN : 1) / 2 + 0.9) * size;
  const arrow = [-grain, grain].map((by) => page([(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2 + by]));
  const dash = `${size * 0.4} ${size * 0.28}`;
  return (
    <g data-piece={piece.id} role="img" aria-label={`${piece.name}, laid flat`}>
      <path d={closedPath(line(piece.outline))} fill="var(--color-base-200)" stroke="var(--cover-line)" strokeWidth={size * 0.13} />
      <path d={closedPath(line(piece.sewn))} fill="none" stroke="var(--ink)" strokeWidth={size * 0.07} strokeDasharray={dash} data-sewn />
      {piece.lines.map((drawn, i) => (
        <path
          key={i}
          d={drawn.closed ? closedPath(line(drawn.points)) : openPath(line(drawn.points))}
          fill="none"
          stroke={drawn.kind === 'staple' ? 'var(--chalk)' : 'var(--ink)'}
          strokeWidth={size * 0.07}
          strokeDasharray={drawn.kind === 'stitch' ? undefined : `${size * 0.2} ${size * 0.2}`}
          data-line={drawn.kind}
        >
          <title>{KINDS[drawn.kind]}</title>
        </path>
      ))}
      <Notches piece={piece} page={page} size={size} />
      {piece.marks.map((mark, i) => {
        const { x, y } = page([mark.x, mark.y]);
        return (
          <g key={i} data-mark={mark.kind}>
            <path
              d={`M${x - size * 0.4} ${y} h${size * 0.8} M${x} ${y - size * 0.4} v${size * 0.8}`}
              stroke={mark.kind === 'motif' ? 'var(--cover-line)' : 'var(--ink)'}
              strokeWidth={size * 0.1}
            />
            {mark.kind === 'match' && (
              <text x={x + size * 0.5} y={y - size * 0.3} fontSize={size * 0.9} fill="var(--ink)">
                {mark.label}
              </text>
            )}
          </g>
        );
      })}
      <path
        d={`M${arrow[0]!.x + aside} ${arrow[0]!.y} L${arrow[1]!.x + aside} ${arrow[1]!.y}`}
        stroke="var(--ink)"
        strokeWidth={size * 0.08}
        markerEnd="url(#grain)"
        data-grain
        aria-hidden
      />
      <text
        x={middle.x}
        y={middle.y + size * 0.35}
        fontSize={size}
        textAnchor="middle"
        fill="var(--ink)"
        stroke="var(--color-base-200)"
        strokeWidth={size * 0.3}
        paintOrder="stroke"
        fontWeight={600}
      >
        {fits ? name : number}
      </text>
    </g>
  );
}

/** A piece's size, and what is sewn into it. */
function PieceSays({ piece, number }: { piece: CoverPiece; number: number }) {
  const say = useLength();
  const seams = piece.edges.filter((edge) => edge.kind === 'seam' || edge.kind === 'join' || edge.kind === 'zip' || edge.kind === 'dart');
  return (
    <li className="break-inside-avoid text-xs py-0.5" data-says={piece.id}>
      <b>
        {number} {piece.name}
      </b>
      , cut {piece.count}
      {OF_CLOTH[piece.cloth]}: <Figure says={`${say(piece.width)} × ${say(piece.height)}`} />
      {piece.template && (
        <>
          {' '}
          rough, <Figure says={`${say(piece.template.width)} × ${say(piece.template.height)}`} /> after quilting
        </>
      )}
      {seams.length > 0 && (
        <>
          {'; '}
          {seams.map((edge, i) => (
            <span key={i}>
              {i > 0 && ', '}
              {edge.seam} <Figure says={say(edge.flat)} />
            </span>
          ))}
        </>
      )}
      {piece.note && <>. {piece.note}</>}
    </li>
  );
}

/** All pieces on one page at one scale, as they join. */
function PiecesPage({ pieces }: { pieces: readonly CoverPiece[] }) {
  const arranged = useMemo(() => arrangePieces(pieces, GAP), [pieces]);
  const box = bounds(pieces.flatMap((piece, i) => piece.outline.map((at) => onPage(arranged[i]!, at))));
  return (
    <Paper
      label="Flat pieces, as they join"
      buttons
      extent={{ x: box.minX, y: -box.maxY, width: box.width, height: box.height }}
      room={{ left: 0.6, right: 0.6, top: 0.6, bottom: 0.6 }}
    >
      {(size) => (
        <>
          <defs>
            <marker id="grain" viewBox="0 0 10 10" refX={9} refY={5} markerWidth={7} markerHeight={7} orient="auto">
              <path d="M0 0 L10 5 L0 10" fill="none" stroke="var(--ink)" strokeWidth={1.6} />
            </marker>
          </defs>
          {pieces.map((piece, i) => (
            <PieceDrawing key={piece.id} piece={piece} arranged={arranged[i]!} number={i + 1} size={size} />
          ))}
        </>
      )}
    </Paper>
  );
}

/** Welts, tack strips and backing strips of a cover. */
function SewnIn({ cover }: { cover: CoverPlan }) {
  const say = useLength();
  if (cover.welts.length + cover.tackStrips.length + cover.backing.length === 0) return null;
  return (
    <table className="text-xs mt-2">
      <tbody>
        {cover.welts.map((welt) => (
          <tr key={welt.seam} data-welt={welt.seam}>
            <td className="pr-3">
              {welt.double ? 'Double piping' : 'Piping'}, {welt.name.toLowerCase()}
            </td>
            <td className="pr-3">
              strip <Figure says={`${say(welt.stripLength)} × ${say(welt.stripWidth)}`} />{' '}
              {welt.cut === 'bias' ? 'on the bias' : 'on the straight'}, cord <Figure says={say(welt.cordLength)} />
            </td>
            <td>
              {welt.join === null ? 'its ends run out over the edge' : `join at the ${welt.join}`}
              {welt.snip > 0 && (
                <>
                  , snip the allowance every <Figure says={say(welt.snip)} /> on curves
                </>
              )}
            </td>
          </tr>
        ))}
        {cover.tackStrips.map((strip) => (
          <tr key={strip.edge}>
            <td className="pr-3">Tack strip, {strip.edge}</td>
            <td>
              <Figure says={say(strip.length)} />
            </td>
            <td />
          </tr>
        ))}
        {cover.backing.map((strip) => (
          <tr key={strip.seam}>
            <td className="pr-3">Backing strip, {strip.seam.toLowerCase()}</td>
            <td>
              <Figure says={`${say(strip.length)} × ${say(strip.width)}`} />
            </td>
            <td />
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Every piece of the cover at one scale, with what is sewn into it. */
export function PiecesView() {
  const say = useLength();
  const cover = usePlan()?.cover;
  if (!cover) return null;
  const stitched = cover.seams.filter(({ laid }) => !laid);
  return (
    <section aria-label="Flat pieces" className="flex-1 min-h-0 flex flex-col px-3 pb-2 pt-9">
      <p className="text-xs pb-1">
        Solid: cut. Dashed: sewn or finished. Dots: notches, the same number on its partner. Arrow: grain
        {cover.channels && '. Thin: stitched'}
        {cover.check.surface !== null && <>. Sewn together they cover {Math.round(cover.check.surface / 1e3) / 1e3} m² of surface</>}
        {stitched.length > 0 && (
          <>
            ; their seams agree within <Figure says={say(Math.max(...stitched.map((seam) => seam.ease)))} />
          </>
        )}
        .
      </p>
      <div className="flex-1 min-h-48">
        <PiecesPage pieces={cover.pieces} />
      </div>
      {/* A region that scrolls must be reachable for those who scroll with keys. */}
      <div
        className="max-h-[34%] overflow-y-auto border-t border-base-content/25 pt-1"
        role="region"
        aria-label="Sizes of the pieces"
        // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
        tabIndex={0}
      >
        <ol className="columns-2 gap-6">
          {cover.pieces.map((piece, i) => (
            <PieceSays key={piece.id} piece={piece} number={i + 1} />
          ))}
        </ol>
        {cover.linings.length > 0 && (
          <p className="text-sm">
            {cover.linings.map((lining) => (
              <span key={lining.name} className="mr-3">
                <b>{lining.name}</b>, cut {lining.count}: <Figure says={`${say(lining.width)} × ${say(lining.height)}`} />
              </span>
            ))}
          </p>
        )}
        <SewnIn cover={cover} />
      </div>
    </section>
  );
}
