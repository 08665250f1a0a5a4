'use client';

import type { CoverPiece } from '@/core/cover';
import { bounds } from '@/core/outline';
import { closedPath, openPath } from '@/ui/drawing/path';
import { Figure } from '@/ui/kit/figure';
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

/** One flat piece, to the scale of all of them: cut line, sewn line, grain, notches, marks. */
function PieceDrawing({ piece, scale }: { piece: CoverPiece; scale: number }) {
  const say = useLength();
  const box = bounds(piece.outline);
  const pad = 26 * scale;
  const [w, h] = [box.width + 2 * pad, box.height + 2 * pad];
  const seams = piece.edges.filter((edge) => edge.kind === 'seam' || edge.kind === 'join' || edge.kind === 'zip' || edge.kind === 'dart');
  return (
    <figure className="inline-block align-top m-1" style={{ width: Math.max(w / scale, 150) }} data-piece={piece.id}>
      <svg
        viewBox={`${box.minX - pad} ${-box.maxY - pad} ${w} ${h}`}
        style={{ width: w / scale, height: h / scale, maxWidth: '100%' }}
        role="img"
        aria-label={`${piece.name}, laid flat`}
      >
        <path d={closedPath(piece.outline)} fill="var(--color-base-200)" stroke="var(--cover-line)" strokeWidth={2 * scale} />
        <path
          d={closedPath(piece.sewn)}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={scale}
          strokeDasharray={`${6 * scale} ${4 * scale}`}
          data-sewn
        />
        {piece.lines.map((line, i) => (
          <path
            key={i}
            d={line.closed ? closedPath(line.points) : openPath(line.points)}
            fill="none"
            stroke={line.kind === 'staple' ? 'var(--chalk)' : 'var(--ink)'}
            strokeWidth={scale}
            strokeDasharray={line.kind === 'stitch' ? undefined : `${3 * scale} ${3 * scale}`}
            data-line={line.kind}
          >
            <title>{KINDS[line.kind]}</title>
          </path>
        ))}
        {piece.notches.map((notch) => (
          <g key={`${notch.edge} ${notch.label}`} data-notch={notch.label}>
            <circle cx={notch.x} cy={-notch.y} r={3 * scale} fill="var(--ink)" />
            <text x={notch.x + 5 * scale} y={-notch.y - 4 * scale} fontSize={10 * scale} fill="var(--ink)">
              {notch.label}
            </text>
          </g>
        ))}
        {piece.marks.map((mark, i) => (
          <g key={i} data-mark={mark.kind}>
            <path
              d={`M${mark.x - 6 * scale} ${-mark.y} h${12 * scale} M${mark.x} ${-mark.y - 6 * scale} v${12 * scale}`}
              stroke={mark.kind === 'motif' ? 'var(--cover-line)' : 'var(--ink)'}
              strokeWidth={1.5 * scale}
            />
          </g>
        ))}
        <g stroke="var(--ink)" strokeWidth={scale} fill="none" aria-hidden>
          <path
            d={`M${(box.minX + box.maxX) / 2 + 12 * scale} ${-(box.minY + box.maxY) / 2 + Math.min(40 * scale, box.height / 3)} v${-2 * Math.min(40 * scale, box.height / 3)} m${-4 * scale} ${7 * scale} l${4 * scale} ${-7 * scale} l${4 * scale} ${7 * scale}`}
          />
        </g>
      </svg>
      <figcaption className="text-xs">
        <b>{piece.name}</b>, cut {piece.count}
        {piece.cloth === 'lining' && ' of lining cloth'}: <Figure says={`${say(piece.width)} × ${say(piece.height)}`} />
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
        {piece.note && <> {piece.note}</>}
      </figcaption>
    </figure>
  );
}

/** Every piece of the cover at one scale, with what is sewn into it. */
export function PiecesView() {
  const say = useLength();
  const cover = usePlan()?.cover;
  if (!cover) return null;
  const widest = cover.pieces.reduce((most, piece) => Math.max(most, piece.width), 1);
  const scale = Math.max(widest / 560, 0.6);
  return (
    // A region that scrolls must be reachable for those who scroll with keys.
    // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
    <section aria-label="Flat pieces" tabIndex={0} className="h-full overflow-y-auto px-3 pb-3 pt-9 relative">
      <p className="text-xs pb-1">
        Solid: cut. Dashed: sewn or finished. Dots: notches, the same number on its partner. Arrow: grain.
        {cover.check.surface !== null && <> Sewn together they cover {Math.round(cover.check.surface / 1e3) / 1e3} m² of surface</>}
        {cover.seams.length > 0 && (
          <>
            ; their seams agree within <Figure says={say(Math.max(...cover.seams.map((seam) => seam.ease)))} />
          </>
        )}
        .
      </p>
      {cover.pieces.map((piece) => (
        <PieceDrawing key={piece.id} piece={piece} scale={scale} />
      ))}
      {cover.linings.length > 0 && (
        <p className="text-sm">
          {cover.linings.map((lining) => (
            <span key={lining.name} className="mr-3">
              <b>{lining.name}</b>, cut {lining.count}: <Figure says={`${say(lining.width)} × ${say(lining.height)}`} />
            </span>
          ))}
        </p>
      )}
      {(cover.welts.length > 0 || cover.tackStrips.length > 0 || cover.backing.length > 0) && (
        <table className="text-xs mt-2">
          <tbody>
            {cover.welts.map((welt) => (
              <tr key={welt.seam} data-welt={welt.seam}>
                <td className="pr-3">
                  {welt.double ? 'Double welt' : 'Welt'}, {welt.name.toLowerCase()}
                </td>
                <td className="pr-3">
                  strip <Figure says={`${say(welt.stripLength)} × ${say(welt.stripWidth)}`} />{' '}
                  {welt.cut === 'bias' ? 'on the bias' : 'on the straight'}, cord <Figure says={say(welt.cordLength)} />
                </td>
                <td>
                  join at the {welt.join}
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
      )}
    </section>
  );
}
