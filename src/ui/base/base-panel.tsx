'use client';

import { inUnit } from '@/core/length';
import { CAUTIONS } from '@/core/run';
import { kindOf, KINDS, SHAPES, shapeKind, type Base, type BaseShape, type PieceKind } from '@/core/piece';
import { ChoiceField, FigureField, TextField } from '@/ui/kit/fields';
import { useSettings } from '@/ui/kit/settings';
import type { PanelProps } from '@/ui/sheet/panel-props';
import { BoardFields, EdgeWork, FrameFields } from './board-fields';
import { BringIn } from './bring-in';
import { DrawnFields } from './drawn-fields';
import { Edges, HardwareList, Holes, Notches } from './features';
import { ClosingReport, ShapeFields } from './measures';
import { MouldFields } from './mould-fields';
import { reshape } from './reshape';
import { PanelFields, Variants } from './set-fields';
import { TraceFields } from './tracing';

/** The shapes a kind is usually measured as come first; any other may be chosen too. */
export function shapesFor(kind: PieceKind): { id: BaseShape['type']; name: string }[] {
  const usual = kindOf(kind).shapes;
  const rest = SHAPES.map((shape) => shape.type).filter((type) => !usual.includes(type));
  return [...usual, ...rest].map((id) => ({ id, name: shapeKind(id).name }));
}

/** Everything that is measured and known of a piece's base. */
export function BasePanel(props: PanelProps) {
  const { piece, pieceId, apply, plan } = props;
  const { unit } = useSettings();
  const { base } = piece;
  const set = (change: Partial<Base>) => apply({ ...piece, base: { ...base, ...change } });
  const part = { base, name: pieceId, set };
  const changeShape = (type: BaseShape['type']) => {
    const drawn = type === 'drawn' && base.shape.type !== 'drawn';
    // Notches and edges go by the names of corners and edges, which another shape does not have.
    return set({ shape: reshape(base.shape, type, base.notches), notches: [], edges: [], ...(drawn ? {} : { holes: base.holes ?? [] }) });
  };
  return (
    <>
      <TextField label="Name" name={`${pieceId} name`} value={piece.name} onCommit={(name) => apply({ ...piece, name })} />
      <ChoiceField label="Kind" value={piece.kind} options={KINDS} onChange={(kind) => apply({ ...piece, kind })} />
      {piece.kind === 'saddle' && <p className="text-xs text-warning">{CAUTIONS.saddle}</p>}
      <FigureField
        label="How many alike"
        name={`${pieceId} count`}
        value={piece.count}
        whole
        onCommit={(count) => apply({ ...piece, count })}
      />
      <div className="flex items-baseline justify-between py-1">
        <label htmlFor="due" className="text-sm">
          Due
        </label>
        <input
          id="due"
          type="date"
          className="px-2 py-1 bg-base-100 border border-base-content/40 rounded-sm text-sm"
          value={piece.due}
          onChange={(event) => apply({ ...piece, due: event.target.value })}
        />
      </div>
      <ChoiceField
        label="Shape"
        value={base.shape.type}
        options={shapesFor(piece.kind)}
        onChange={changeShape}
        hint={inUnit(shapeKind(base.shape.type).how, unit)}
      />
      <ShapeFields shape={base.shape} name={`${pieceId} ${base.shape.type}`} onChange={(shape) => set({ shape })} />
      {base.shape.type === 'drawn' ? (
        <DrawnFields shape={base.shape} name={pieceId} onChange={(shape) => set({ shape })} />
      ) : (
        <button type="button" className="btn btn-sm btn-outline font-normal my-1" onClick={() => changeShape('drawn')}>
          Edit this outline freely
        </button>
      )}
      <ClosingReport shape={base.shape} />
      <BoardFields {...part} piece={piece} plan={plan} />
      <Notches {...part} />
      <Holes {...part} />
      <HardwareList {...part} />
      <Edges {...part} />
      <EdgeWork plan={plan} />
      <FrameFields {...part} plan={plan} />
      <MouldFields {...part} />
      <PanelFields piece={piece} name={pieceId} apply={apply} plan={plan} />
      <Variants piece={piece} name={pieceId} apply={apply} plan={plan} />
      <BringIn piece={piece} pieceId={pieceId} apply={apply} />
      <TraceFields piece={piece} name={pieceId} apply={apply} tracing={props.tracing} onTracing={props.onTracing} />
      <TextField label="Notes" name={`${pieceId} notes`} value={piece.notes} long onCommit={(notes) => apply({ ...piece, notes })} />
    </>
  );
}
