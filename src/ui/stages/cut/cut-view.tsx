'use client';

import { sheetsAlike, type BoardSheets, type Laid } from '@/core/foam-cutting';
import type { Polygon } from '@/core/outline';
import { foamColour } from '@/ui/drawing/materials';
import { Figure } from '@/ui/kit/fields/figure';
import { foamThickness, rollLength } from '@/core/length';
import { useLength, useSettings } from '@/ui/kit/settings';
import { CHOSEN } from '@/core/sizes';
import { useChosenLengths, usePiece, usePlan } from '@/ui/sheet/store';

/** A letter is about so wide, as a share of its height. */
const LETTER = 0.52;

/** A piece's name and size along its longer side, where there is room for them; what has none says it when it is pointed at. */
function LaidLabel({ piece, says, number, text }: { piece: Laid; says: string; number: number; text: number }) {
  const upright = piece.width > piece.height * 1.3;
  const [along, across] = upright ? [piece.width, piece.height] : [piece.height, piece.width];
  const fits = (words: string, size: number): boolean => words.length * size * LETTER < along * 0.96;
  const whole = `${number}. ${piece.label}${piece.turned ? ', turned' : ''}`;
  // What is too long says its number and name; that it is turned is seen.
  const name = fits(whole, text) ? whole : `${number}. ${piece.label}`;
  const two = across > text * 2.6 && fits(says, text * 0.85);
  const [x, y] = [piece.y + piece.height / 2, piece.x + piece.width / 2];
  return (
    <>
      <title>{`${whole}, ${says}`}</title>
      {across > text * 1.15 && fits(name, text) && (
        <g transform={upright ? `rotate(-90 ${x} ${y})` : undefined} textAnchor="middle" fill="#24211d">
          <text x={x} y={two ? y - text * 0.3 : y + text * 0.35} fontSize={text}>
            {name}
          </text>
          {two && (
            <text x={x} y={y + text * 0.95} fontSize={text * 0.85}>
              <Figure says={says} svg />
            </text>
          )}
        </g>
      )}
    </>
  );
}

function Layout({
  title,
  width,
  length,
  laid,
  fill,
  pattern,
  small = false,
}: {
  title: string;
  width: number;
  length: number;
  laid: readonly Laid[];
  fill: string;
  pattern?: Pattern | undefined;
  /** a piece out of a packet: not drawn as large as a sheet */
  small?: boolean;
}) {
  const say = useLength();
  const line = length / 400;
  const text = small ? Math.max(length, width) / 15 : Math.max(length, width * 2.3) / 52;
  return (
    <figure className="mb-4 max-w-2xl">
      <figcaption className="text-sm mb-1">{title}</figcaption>
      <svg
        viewBox={`${-line} ${-line} ${length + 2 * line} ${width + 2 * line}`}
        className={small ? 'w-48 max-h-48' : 'w-full max-h-72'}
        role="img"
        aria-label={title}
      >
        <rect width={length} height={width} fill="var(--color-base-200)" stroke="var(--ink)" strokeWidth={line * 1.5} />
        {laid.map((piece, i) => (
          <g key={`${piece.x} ${piece.y}`}>
            <rect
              x={piece.y}
              y={piece.x}
              width={piece.height}
              height={piece.width}
              fill={fill}
              fillOpacity={0.7}
              stroke="var(--ink)"
              strokeWidth={line}
              data-laid={piece.label}
            />
            <LaidLabel piece={piece} says={`${say(piece.width)} × ${say(piece.height)}`} number={i + 1} text={text} />
          </g>
        ))}
        {pattern && <Repeat pattern={pattern} width={width} length={length} line={line} />}
      </svg>
    </figure>
  );
}

/** The cloth's repeat, mm; where each motif lies on the roll; the pieces themselves inside their rectangles. */
type Pattern = {
  across: number;
  along: number;
  motifs: readonly { label: string; x: number; y: number }[];
  shapes: readonly { points: Polygon }[];
};

/** Every so much of a length, from nothing on. */
const every = (step: number, to: number): number[] =>
  step > 0 ? Array.from({ length: Math.floor(to / step) + 1 }, (_, k) => k * step) : [];

/** The repeat over the roll, the pieces as they are cut and where their motif lies; the roll runs to the right. */
function Repeat({ pattern, width, length, line }: { pattern: Pattern; width: number; length: number; line: number }) {
  const { across, along, motifs, shapes } = pattern;
  return (
    <g data-repeat>
      <g stroke="var(--chalk)" strokeWidth={line * 0.8} strokeDasharray={`${line * 4} ${line * 4}`}>
        {every(across, width).map((y) => (
          <path key={`a ${y}`} d={`M0 ${y}H${length}`} />
        ))}
        {every(along, length).map((x) => (
          <path key={`l ${x}`} d={`M${x} 0V${width}`} />
        ))}
      </g>
      {shapes.map(({ points }, i) => (
        <path
          key={i}
          d={`M${points.map(([x, y]) => `${y} ${x}`).join('L')}Z`}
          fill="none"
          stroke="var(--cover-line)"
          strokeWidth={line * 1.5}
        />
      ))}
      {motifs.map(({ label, x, y }, i) => (
        <circle key={`${label} ${i}`} cx={y} cy={x} r={line * 5} fill="var(--cover-line)" data-motif />
      ))}
    </g>
  );
}

/** Sheets that the boards are sawn from, where they are new. */
function Boards({ board }: { board: BoardSheets | null }) {
  const say = useLength();
  if (!board) return null;
  return (
    <>
      <h2 className="font-display text-lg mb-2">
        Board: {board.sheets.length} {board.sheets.length === 1 ? 'sheet' : 'sheets'} to buy
      </h2>
      {board.sheets.map((laid, k, all) => (
        <Layout
          key={k}
          title={`${board.materialName}, ${say(board.thickness)}, sheet ${k + 1} of ${all.length}`}
          width={board.width}
          length={board.length}
          laid={laid}
          fill="#d9b98a"
        />
      ))}
    </>
  );
}

/** The whole set laid out on foam sheets and rolls. */
export function CutView() {
  const say = useLength();
  const { unit } = useSettings();
  const { cloth, second } = usePiece();
  const plan = usePlan();
  const chosen = useChosenLengths();
  const cut = plan?.cut;
  if (!plan || !cut) return null;
  const percent = (share: number) => `${Math.round(share * 100)} % used`;
  const rolls = [
    {
      name: cloth.name || 'Cloth',
      line: 'cloth.length',
      roll: cut.cloth,
      fill: '#c9838a',
      pattern: { across: cloth.repeatAcross, along: cloth.repeatAlong, motifs: cut.motifs, shapes: cut.shapes },
    },
    ...(cut.second
      ? [
          {
            name: second?.name || 'Second cloth',
            line: 'second.length',
            roll: cut.second,
            fill: '#8fa3b5',
            pattern: { across: second?.repeatAcross ?? 0, along: second?.repeatAlong ?? 0, motifs: [], shapes: cut.second.shapes },
          },
        ]
      : []),
    { name: 'Lining cloth', line: 'lining.length', roll: cut.lining, fill: '#d8d0be' },
    { name: plan.wadding?.name ?? '', line: 'wadding.length', roll: cut.wadding, fill: '#efe7d6' },
    { name: 'Dust cloth', line: 'dustCover.length', roll: cut.dustCover, fill: '#b7b1a5' },
    { name: 'Slip film', line: 'film.length', roll: cut.film, fill: '#dfe6e4' },
    { name: 'Waterproof cloth', line: 'waterproof.length', roll: cut.waterproof, fill: '#b9c6c4' },
    { name: 'Backed foam', line: 'backedFoam.length', roll: cut.backedFoam, fill: '#e3d9a8' },
  ];
  return (
    // A region that scrolls must be reachable for those who scroll with keys.
    // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
    <section aria-label="Cut layouts" tabIndex={0} className="p-4 overflow-y-auto h-full">
      <h2 className="font-display text-lg mb-2">
        Foam: {cut.foam.sheets} {cut.foam.sheets === 1 ? 'sheet' : 'sheets'} to buy, {percent(cut.foam.utilisation)}
      </h2>
      {cut.foam.layouts.map((layout) =>
        sheetsAlike(layout).map(({ laid, says }) => (
          <Layout
            key={`${layout.material} ${layout.thickness} ${layout.width} ${says}`}
            title={`${layout.materialName}, ${foamThickness(layout.thickness, unit)}, ${says}`}
            width={layout.width}
            length={layout.length}
            laid={laid}
            fill={foamColour(layout.material)}
            small={layout.packets !== null}
          />
        )),
      )}
      {plan.foam.length === 0 && <p className="text-sm mb-4">No foam in this piece yet.</p>}
      <Boards board={cut.board} />
      <h2 className="font-display text-lg mb-2">Cloth</h2>
      {rolls.map(({ name, line, roll, fill, pattern = undefined }) =>
        roll && roll.laid.length > 0 ? (
          <Layout
            key={name}
            title={`${name}: ${rollLength(roll.length, unit)} of a roll ${say(roll.width)} wide, ${percent(roll.utilisation)}${chosen[line] === undefined ? '' : `; ${rollLength(chosen[line], unit)} ${CHOSEN}`}`}
            width={roll.width}
            length={roll.length}
            laid={roll.laid}
            fill={fill}
            pattern={pattern}
          />
        ) : roll && roll.tooLarge.length > 0 ? (
          <p key={name} className="text-sm text-error mb-4">
            {name}: does not fit on a roll {say(roll.width)} wide.
          </p>
        ) : null,
      )}
    </section>
  );
}
