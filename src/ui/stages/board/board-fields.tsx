'use client';

import { TriangleAlert } from 'lucide-react';
import { isMoulded, stretchedIn, type FrameCuts } from '@/core/base';
import { BOARDS } from '@/core/foam';
import { inUnit } from '@/core/length';
import { wayOf } from '@/core/cover';
import { COURSES, HIDDEN, DECK, defaultsOf, FRAME, kindOf, OPENING } from '@/core/piece';
import { ChoiceField } from '@/ui/kit/fields/fields';
import { AddOne, Part, TakeOut } from '@/ui/kit/fields/lists';
import { useLength, useSettings } from '@/ui/kit/settings';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { useField, usePiece, usePlan, useSheet } from '@/ui/sheet/store';

/** An opening that nobody has measured yet is begun so much larger than the board, mm: it fits. */
const ROOMY = 30;

const degrees = (radians: number) => `${Math.round(((radians * 180) / Math.PI) * 10) / 10}°`;

/** What the board does under its load, with a cure to take where it is too weak. */
function Strength() {
  const { unit } = useSettings();
  const check = usePlan()?.base.board;
  const [, put] = useField('base.board.thickness');
  if (!check) return null;
  const good = !['soft', 'breaks', 'slack'].includes(check.verdict);
  return (
    <div className={`text-xs border-l-3 pl-2 my-1 ${good ? 'border-success' : 'border-error text-error'}`} data-board={check.verdict}>
      {!good && <TriangleAlert size={14} aria-hidden className="inline mr-1" />}
      {inUnit(check.words, unit)}
      {check.rib && inUnit(` A rib of ${check.rib.width} × ${check.rib.height} mm across the middle would carry it.`, unit)}
      {check.thickness && (
        <button type="button" className="underline cursor-pointer block mt-0.5" onClick={() => put(check.thickness!)}>
          {inUnit(`Take ${check.thickness} mm`, unit)}
        </button>
      )}
    </div>
  );
}

/** What is stretched in the frame: nothing said is the usual, and the first word said writes the rest down with it. */
function DeckFields() {
  const { deck } = usePiece().base;
  const [, put] = useField('base.deck');
  const standing = defaultsOf(DECK);
  return Object.keys(DECK.properties).map((key) => (
    <PieceField
      key={key}
      at={`base.deck.${key}`}
      standing={standing[key as keyof typeof standing]}
      {...(deck ? {} : { onCommit: (value: never) => put({ ...standing, [key]: value }) })}
    />
  ));
}

/** Whether the board is here, or sawn new. */
export function BoardMade() {
  const { base, covering } = usePiece();
  if (stretchedIn(base) || isMoulded(base) || base.courses || wayOf(covering.way).loose) return null;
  return <PieceField at="base.board.made" label="Old or new board" />;
}

/** Board, and what carries it. */
export function BoardFields() {
  const { kind, base } = usePiece();
  const [board, put] = useField<string>('base.board.material');
  const stretched = stretchedIn({ board: { ...base.board, material: board }, deck: base.deck });
  return (
    <>
      <ChoiceField label="Board" value={board} options={BOARDS} onChange={put} />
      <PieceField at="base.board.thickness" />
      {stretched ? <DeckFields /> : <PieceField at="base.supports" standing={kindOf(kind).supports} />}
      <Strength />
    </>
  );
}

function CutList({ cuts }: { cuts: FrameCuts }) {
  const say = useLength();
  return (
    <>
      <table className="text-xs w-full mt-1" aria-label="Batten cut list">
        <tbody>
          {cuts.battens.map((batten) => (
            <tr key={batten.name}>
              <td>{batten.name}</td>
              <td className="text-right">{say(Math.round(batten.length))}</td>
              <td className="text-right">
                {degrees(batten.mitres[0])} / {degrees(batten.mitres[1])}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-xs mt-1">
        {cuts.lengths.length} stock {cuts.lengths.length === 1 ? 'length' : 'lengths'}; left over{' '}
        {cuts.left.map((mm) => say(Math.round(mm))).join(', ') || 'none'}
        {cuts.tooLong.length > 0 && `. Longer than stock: ${cuts.tooLong.join(', ')}`}
      </p>
    </>
  );
}

/** The frame of battens and its cut list. */
export function FrameFields() {
  const { frame } = usePiece().base;
  const [, put] = useField('base.frame');
  const cuts = useSheet((state) => state.view?.plan.base.frame);
  return (
    <Part title="Frame of battens" count={frame ? 1 : 0}>
      {!frame && <AddOne onClick={() => put(defaultsOf(FRAME))}>Frame</AddOne>}
      {frame && (
        <>
          <div className="flex">
            <TakeOut what="the frame" onClick={() => put(null)} />
          </div>
          {Object.keys(FRAME.properties).map((key) => (
            <PieceField key={key} at={`base.frame.${key}`} />
          ))}
          {cuts && <CutList cuts={cuts} />}
        </>
      )}
    </Part>
  );
}

/** What the covered piece goes between, and what is left beside it there. */
export function OpeningFields() {
  const { opening } = usePiece().base;
  const [, put] = useField('base.opening');
  const size = useSheet((state) => state.view?.plan.outline);
  const room = useSheet((state) => state.view?.plan.room.opening);
  const say = useLength();
  const free = (mm: number | null | undefined): string => (mm === null || mm === undefined ? '' : say(Math.round(mm * 10) / 10));
  return (
    <Part title="Goes between" count={opening ? 1 : 0}>
      {!opening && size && (
        <AddOne onClick={() => put({ ...defaultsOf(OPENING), width: Math.ceil(size.width + ROOMY), depth: null })}>Frame or walls</AddOne>
      )}
      {opening && (
        <>
          <div className="flex">
            <TakeOut what="the opening" onClick={() => put(null)} />
          </div>
          {Object.keys(OPENING.properties).map((key) => (
            <PieceField key={key} at={`base.opening.${key}`} />
          ))}
          {room && (
            <p className={`text-xs border-l-3 pl-2 my-1 ${room.fits ? 'border-success' : 'border-error text-error'}`} data-room={room.fits}>
              Covered, free on either side: {[free(room.width), free(room.depth)].filter(Boolean).join(' × ') || 'open'}
            </p>
          )}
        </>
      )}
    </Part>
  );
}

/** A board that is put together from planks or boards. */
export function CourseFields() {
  const { courses } = usePiece().base;
  const [, put] = useField('base.courses');
  return (
    <Part title="Made of pieces" count={courses ? 1 : 0}>
      {!courses && <AddOne onClick={() => put(defaultsOf(COURSES))}>Planks in courses</AddOne>}
      {courses && (
        <>
          <div className="flex">
            <TakeOut what="the courses" onClick={() => put(null)} />
          </div>
          {Object.keys(COURSES.properties).map((key) => (
            <PieceField key={key} at={`base.courses.${key}`} />
          ))}
        </>
      )}
    </Part>
  );
}

/** What hides the lower part once it stands in its place: plain cloth does there. */
export function HiddenFields() {
  const { base, covering } = usePiece();
  const [, put] = useField('base.hidden');
  const depth = useSheet((state) => state.view?.plan.outline.depth);
  const { hidden } = base;
  const start = defaultsOf(HIDDEN);
  return (
    <Part title="Hidden below" count={hidden ? 1 : 0}>
      {!hidden && depth && (
        <AddOne
          onClick={() =>
            put({ ...start, upTo: Math.min(start.upTo, Math.round(depth / 3)), lap: Math.min(start.lap, Math.round(depth / 8)) })
          }
        >
          Mattress, skirting, frame
        </AddOne>
      )}
      {hidden && (
        <>
          <div className="flex">
            <TakeOut what="what hides it" onClick={() => put(null)} />
          </div>
          {Object.keys(HIDDEN.properties).map((key) => (
            <PieceField key={key} at={`base.hidden.${key}`} />
          ))}
          {!wayOf(covering.way).pulled && <p className="text-xs">A cover that is sewn keeps its own cloth all over.</p>}
        </>
      )}
    </Part>
  );
}

/** Strips with their mitres and trims with their bends, as they were worked out. */
export function EdgeWork() {
  const say = useLength();
  const plan = usePlan();
  if (!plan || (plan.base.strips.length === 0 && plan.base.trims.length === 0)) return null;
  return (
    <section aria-label="Edge strips and trims" className="text-xs py-1">
      {plan.base.strips.map((strip) => (
        <p key={strip.edge}>
          {strip.edge} strip: {say(Math.round(strip.length * 10) / 10)} outside, {say(Math.round(strip.inside * 10) / 10)} inside; mitres{' '}
          {degrees(strip.startMitre)} and {degrees(strip.endMitre)}
        </p>
      ))}
      {plan.base.trims.map((trim) => (
        <p key={trim.edge} className={trim.laminations > 1 ? 'text-warning' : ''}>
          {trim.edge} trim:{' '}
          {trim.radius === null
            ? 'straight, no bend'
            : trim.laminations === 1
              ? `bends: the tightest radius is ${say(Math.round(trim.radius))}`
              : `too thick for a radius of ${say(Math.round(trim.radius))}: glue up ${trim.laminations} layers of ${say(Math.round(trim.layer * 10) / 10)} over a jig of ${say(Math.round(trim.jig ?? trim.radius))}`}
        </p>
      ))}
    </section>
  );
}
