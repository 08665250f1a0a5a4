'use client';

import { reshape } from '@/core/base';
import { inUnit } from '@/core/length';
import { kindOf, shapeKind, shapesFor, type BaseShape } from '@/core/piece';
import { CAUTIONS } from '@/core/run-sheet';
import { ChoiceField } from '@/ui/kit/fields/fields';
import { useSettings } from '@/ui/kit/settings';
import { ClosingReport, ShapeFields } from '@/ui/measure/measures';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { useField, usePiece, useSheet } from '@/ui/sheet/store';
import { BoardFields, CourseFields, EdgeWork, FrameFields, HiddenFields, OpeningFields } from './board-fields';
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

/** Which shape, and its measurements in the order a tape takes them. */
function ShapePart() {
  const { unit } = useSettings();
  const { kind, base } = usePiece();
  const id = useSheet((state) => state.id);
  const put = useSheet((state) => state.put);
  const { shape } = base;
  const changeShape = (type: BaseShape['type']) => {
    const drawn = type === 'drawn' && shape.type !== 'drawn';
    // Notches and edges go by the names of corners and edges, which another shape does not have.
    const cleared = { notches: [], edges: [], ...(drawn ? {} : { holes: base.holes ?? [] }) };
    return put('base', { ...base, shape: reshape(shape, type, base.notches), ...cleared });
  };
  const setShape = (next: BaseShape) => put('base.shape', next);
  return (
    <>
      <ChoiceField
        label="Shape"
        value={shape.type}
        options={shapesFor(kind)}
        onChange={changeShape}
        hint={inUnit(shapeKind(shape.type).how, unit)}
      />
      <ShapeFields shape={shape} name={`${id} ${shape.type}`} wall={kindOf(kind).traits.wall} onChange={setShape} />
      {shape.type === 'drawn' ? (
        <DrawnFields shape={shape} name={id} onChange={setShape} />
      ) : (
        <button type="button" className="btn btn-sm btn-outline font-normal my-1" onClick={() => changeShape('drawn')}>
          Edit this outline freely
        </button>
      )}
      <ClosingReport shape={shape} />
    </>
  );
}

/** Everything that is measured and known of a piece's base. */
export function BasePanel() {
  const { kind } = usePiece();
  return (
    <>
      <PieceField at="name" />
      <PieceField at="kind" />
      {kindOf(kind).traits.pan && <p className="text-xs text-warning">{CAUTIONS.saddle}</p>}
      <PieceField at="count" />
      <DueField />
      <ShapePart />
      <BoardFields />
      <Notches />
      <Holes />
      <HardwareList />
      <Edges />
      <EdgeWork />
      <FrameFields />
      <CourseFields />
      <OpeningFields />
      <HiddenFields />
      <MouldFields />
      <PanelFields />
      <Variants />
      <BringIn />
      <TraceFields />
      <PieceField at="notes" />
    </>
  );
}
