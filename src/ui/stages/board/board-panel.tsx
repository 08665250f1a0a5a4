'use client';

import { wayOf } from '@/core/cover';
import { reshape } from '@/core/base';
import { inUnit } from '@/core/length';
import { kindOf, shapeKind, shapesFor, unmeasuredKeys, unmeasuredNames, type BaseShape, type Piece, type StripRecord } from '@/core/piece';
import { NO_STRIP } from '@/core/strip';
import { CAUTIONS } from '@/core/run-sheet';
import { ChoiceField } from '@/ui/kit/fields/fields';
import { More } from '@/ui/kit/fields/lists';
import { useSettings } from '@/ui/kit/settings';
import { ClosingReport, ShapeFields } from '@/ui/measure/measures';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { useField, usePiece, useSheet } from '@/ui/sheet/store';
import { BoardFields, BoardMade, CourseFields, EdgeWork, FrameFields, HiddenFields, OpeningFields } from './board-fields';
import { BringIn } from './bring-in';
import { DrawnFields } from './drawn-fields';
import { Edges, HardwareList, Holes, Notches } from './features';
import { MouldFields } from './mould-fields';
import { PanelFields, Variants } from './set-fields';
import { TraceFields } from './trace-fields';

function DueField() {
  const [due, put] = useField<string>('due');
  return (
    <div className="flex items-baseline justify-between py-1">
      <label htmlFor="due" className="text-sm">
        Due
      </label>
      <input
        id="due"
        type="date"
        className="px-2 py-1 bg-base-100 border border-base-content/40 rounded-sm text-sm"
        value={due}
        onChange={(event) => put(event.target.value)}
      />
    </div>
  );
}

/** Changes the kind of shape; what still fits goes along. */
function useShape(): (type: BaseShape['type']) => string | null {
  const { base } = usePiece();
  const put = useSheet((state) => state.put);
  return (type) => {
    const drawn = type === 'drawn' && base.shape.type !== 'drawn';
    // Notches and edges go by the names of corners and edges, which another shape does not have.
    const cleared = { notches: [], edges: [], ...(drawn ? {} : { holes: base.holes ?? [] }) };
    return put('base', { ...base, shape: reshape(base.shape, type, base.notches), ...cleared });
  };
}

/** Which shape, and its measurements in the order a tape takes them. */
function ShapePart() {
  const { unit } = useSettings();
  const piece = usePiece();
  const { kind, base } = piece;
  const id = useSheet((state) => state.id);
  const put = useSheet((state) => state.put);
  const changeShape = useShape();
  const { shape } = base;
  const setShape = (next: BaseShape, key?: string) => put('base.shape', next, key && `base.shape.${key}`);
  return (
    <>
      <ChoiceField
        label="Shape"
        value={shape.type}
        options={shapesFor(kind)}
        onChange={changeShape}
        hint={inUnit(shapeKind(shape.type).how, unit)}
      />
      <ShapeFields
        shape={shape}
        name={`${id} ${shape.type}`}
        wall={kindOf(kind).traits.upright}
        examples={unmeasuredKeys(piece)}
        onChange={setShape}
      />
      {shape.type === 'drawn' && <DrawnFields shape={shape} name={id} onChange={setShape} />}
      <ClosingReport shape={shape} />
    </>
  );
}

/** A shape whose points are moved by hand. */
function DrawFreely() {
  const { shape } = usePiece().base;
  const changeShape = useShape();
  if (shape.type === 'drawn') return null;
  return (
    <button type="button" className="btn btn-sm btn-outline font-normal my-1" onClick={() => changeShape('drawn')}>
      Edit this outline freely
    </button>
  );
}

/** A piece that comes in to be done again is stripped first: its record is begun here. */
function StripFirst() {
  const [strip, put] = useField<StripRecord | null | undefined>('strip');
  const goTo = useSheet((state) => state.goTo);
  if (strip) return null;
  const begin = () => {
    if (put(NO_STRIP) === null) goTo('strip');
  };
  return (
    <button type="button" className="btn btn-sm btn-outline font-normal mt-2" onClick={begin}>
      Strip an old piece first
    </button>
  );
}

/** Standard sizes that nobody has measured yet, by name; one press confirms them. */
function Unmeasured() {
  const piece = usePiece();
  const apply = useSheet((state) => state.apply);
  const names = unmeasuredNames(piece);
  if (names.length === 0) return null;
  const confirm = () => {
    const { unmeasured: _confirmed, ...measured } = piece;
    void _confirmed;
    apply(measured);
  };
  return (
    <div className="text-xs border-l-3 border-warning pl-2 my-1" data-unmeasured={names.length}>
      Not measured: {names.join(', ')}.
      <button type="button" className="underline cursor-pointer block mt-0.5" onClick={confirm}>
        {names.length === 1 ? 'That size is right' : 'These sizes are right'}
      </button>
    </div>
  );
}

/** How many things are set of what an ordinary board does not have. */
function setOf({ due, notes, base, variants }: Piece): number {
  const { holes = [], hardware = [], edges = [], frame, courses, opening, hidden, mould, trace } = base;
  const single = [due, notes, base.board.made === 'sawn', frame, courses, opening, hidden, mould, trace].filter(Boolean).length;
  return single + holes.length + hardware.length + edges.length + (variants?.length ?? 0);
}

/** The board as it is measured; what few boards have is under More. */
export function BoardPanel() {
  const piece = usePiece();
  const { pan } = kindOf(piece.kind).traits;
  const loose = Boolean(wayOf(piece.covering.way).loose);
  return (
    <>
      <PieceField at="name" />
      <PieceField at="count" />
      {pan && <p className="text-xs text-warning">{CAUTIONS.saddle}</p>}
      <ShapePart />
      <PanelFields />
      {!loose && <BoardFields />}
      <Notches />
      <Unmeasured />
      <EdgeWork />
      <More name="board" count={setOf(piece)}>
        <PieceField at="kind" />
        <DueField />
        <DrawFreely />
        <Holes />
        <HardwareList />
        <Edges />
        <BoardMade />
        <FrameFields />
        <CourseFields />
        <OpeningFields />
        <HiddenFields />
        <MouldFields />
        <Variants />
        <BringIn />
        <TraceFields />
        <PieceField at="notes" />
        <StripFirst />
      </More>
    </>
  );
}
