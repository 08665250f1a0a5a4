'use client';

import { ArrowDown, ArrowUp, Plus, Trash2 } from 'lucide-react';
import { findMaterial, FOAMS, WADDINGS } from '@/core/foam';
import { inUnit } from '@/core/length';
import type { Pad, Piece } from '@/core/piece';
import { BasePanel } from '@/ui/base/base-panel';
import { ChoiceField, FigureField, LengthField, TextField } from '@/ui/kit/fields';
import { useLength, useSettings } from '@/ui/kit/settings';
import { StripPanel } from '@/ui/strip/strip-panel';
import type { PanelProps } from './panel-props';
import type { Stage } from './stages';

const EDGES: { id: Pad['edge']['kind']; name: string }[] = [
  { id: 'square', name: 'Left square' },
  { id: 'feathered', name: 'Feathered' },
  { id: 'domed', name: 'Carved to a dome' },
];

function PadFields({ pad, step, index, props }: { pad: Pad; step: number; index: number; props: PanelProps }) {
  const { piece, pieceId, houseOf, apply } = props;
  const say = useLength();
  const { unit } = useSettings();
  const foam = findMaterial(FOAMS, pad.material)!;
  const set = (change: Partial<Pad>) => apply({ ...piece, pads: piece.pads.map((p, i) => (i === index ? { ...p, ...change } : p)) });
  const move = (by: number) => {
    const pads = [...piece.pads];
    [pads[index], pads[index + by]] = [pads[index + by]!, pads[index]!];
    apply({ ...piece, pads });
  };
  const name = pad.role === 'crown' ? 'Crown pad' : 'Main pad';
  const standing = pad.offset ?? (pad.role === 'main' ? houseOf('overhang') : -houseOf('crownInset') * step);
  const inward = pad.role === 'crown';
  return (
    <fieldset className="border-t border-base-content/25 py-2">
      <div className="flex items-center gap-1">
        <legend className="font-semibold text-sm">{name}</legend>
        <span className="ml-auto flex">
          <button
            type="button"
            className="p-1.5 rounded-sm hover:bg-base-200 disabled:opacity-30"
            disabled={index === piece.pads.length - 1}
            aria-label={`Move ${name.toLowerCase()} ${index + 1} up in the stack`}
            onClick={() => move(1)}
          >
            <ArrowUp size={15} aria-hidden />
          </button>
          <button
            type="button"
            className="p-1.5 rounded-sm hover:bg-base-200 disabled:opacity-30"
            disabled={index === 0}
            aria-label={`Move ${name.toLowerCase()} ${index + 1} down in the stack`}
            onClick={() => move(-1)}
          >
            <ArrowDown size={15} aria-hidden />
          </button>
          <button
            type="button"
            className="p-1.5 rounded-sm hover:bg-base-200"
            aria-label={`Take ${name.toLowerCase()} ${index + 1} out`}
            onClick={() => apply({ ...piece, pads: piece.pads.filter((_, i) => i !== index) })}
          >
            <Trash2 size={15} aria-hidden />
          </button>
        </span>
      </div>
      <ChoiceField
        label="Foam"
        value={pad.material}
        options={FOAMS}
        onChange={(material) => set({ material })}
        hint={`${foam.density} kg/m³, ${foam.ifd25} N, support ${foam.supportFactor}`}
      />
      <LengthField
        label={inward ? 'Crown height' : 'Thickness'}
        name={`${pieceId} ${pad.id} t`}
        value={pad.thickness}
        hint={inUnit(`sold ${foam.sold.join(', ')} mm`, unit)}
        onCommit={(thickness) => set({ thickness })}
      />
      <LengthField
        label={inward ? 'Inset' : 'Overhang'}
        name={`${pieceId} ${pad.id} o`}
        value={inward ? -standing : standing}
        hint={
          pad.offset === null ? (
            'house rule'
          ) : (
            <button type="button" className="underline cursor-pointer" onClick={() => set({ offset: null })}>
              set here; back to {say(inward ? houseOf('crownInset') * step : houseOf('overhang'))}
            </button>
          )
        }
        onCommit={(mm) => set({ offset: inward ? 0 - mm : mm })}
      />
      <ChoiceField
        label="Rim"
        value={pad.edge.kind}
        options={EDGES}
        onChange={(kind) => set({ edge: kind === 'feathered' ? { kind, width: 25 } : { kind } })}
      />
      {pad.edge.kind === 'feathered' && (
        <LengthField
          label="Feather"
          name={`${pieceId} ${pad.id} f`}
          value={pad.edge.width}
          onCommit={(width) => set({ edge: { kind: 'feathered', width } })}
        />
      )}
    </fieldset>
  );
}

function freeId(pads: Pad[], stem: string): string {
  for (let n = 1; ; n++) {
    const id = n === 1 ? stem : `${stem}-${n}`;
    if (pads.every((pad) => pad.id !== id)) return id;
  }
}

function BuildPanel(props: PanelProps) {
  const { piece, apply } = props;
  const add = (role: Pad['role']) => {
    const pad: Pad =
      role === 'crown'
        ? { id: freeId(piece.pads, 'crown'), role, material: 'seat-medium', thickness: 13, offset: null, edge: { kind: 'domed' } }
        : { id: freeId(piece.pads, 'main'), role, material: 'seat-firm', thickness: 50, offset: null, edge: { kind: 'square' } };
    const at = role === 'crown' ? piece.pads.filter((p) => p.role === 'crown').length : piece.pads.length;
    apply({ ...piece, pads: [...piece.pads.slice(0, at), pad, ...piece.pads.slice(at)] });
  };
  // The stack is shown as it stands: what is on top comes first.
  const shown = piece.pads
    .map((pad, index) => ({ pad, index, step: piece.pads.slice(0, index + 1).filter((p) => p.role === 'crown').length }))
    .reverse();
  return (
    <>
      <ChoiceField
        label="Wadding over all"
        value={piece.wadding ?? 'none'}
        options={[...WADDINGS, { id: 'none', name: 'None' }]}
        onChange={(id) => apply({ ...piece, wadding: id === 'none' ? null : id })}
      />
      {shown.map(({ pad, index, step }) => (
        <PadFields key={pad.id} pad={pad} index={index} step={Math.max(1, step)} props={props} />
      ))}
      {piece.pads.length === 0 && <p className="text-sm py-2">Nothing on the board yet. Add a main pad to begin.</p>}
      <div className="flex gap-2 pt-2 border-t border-base-content/25">
        <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => add('main')}>
          <Plus size={14} aria-hidden /> Main pad
        </button>
        <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => add('crown')}>
          <Plus size={14} aria-hidden /> Crown pad
        </button>
      </div>
    </>
  );
}

function CoverPanel({ piece, pieceId, apply }: PanelProps) {
  const { cloth } = piece;
  const set = (change: Partial<Piece['cloth']>) => apply({ ...piece, cloth: { ...cloth, ...change } });
  return (
    <>
      <TextField label="Cloth" name={`${pieceId} cloth`} value={cloth.name} onCommit={(name) => set({ name })} />
      <LengthField
        label="Roll width"
        name={`${pieceId} roll`}
        value={cloth.rollWidth}
        hint="between selvedges"
        onCommit={(rollWidth) => set({ rollWidth })}
      />
      <LengthField label="Cloth thickness" name={`${pieceId} ct`} value={cloth.thickness} onCommit={(thickness) => set({ thickness })} />
      <ChoiceField
        label="Depth lies"
        value={cloth.direction}
        options={[
          { id: 'along', name: 'Along the roll' },
          { id: 'across', name: 'Across the roll' },
          { id: 'any', name: 'Either way' },
        ]}
        onChange={(direction) => set({ direction })}
      />
      <LengthField
        label="Repeat across"
        name={`${pieceId} ra`}
        value={cloth.repeatAcross}
        hint="nothing for plain cloth"
        onCommit={(repeatAcross) => set({ repeatAcross })}
      />
      <LengthField label="Repeat along" name={`${pieceId} rl`} value={cloth.repeatAlong} onCommit={(repeatAlong) => set({ repeatAlong })} />
      <FigureField
        label="Shrinkage"
        name={`${pieceId} shrink`}
        value={cloth.shrinkage}
        suffix="%"
        hint="natural fibre not pre-washed"
        onCommit={(shrinkage) => set({ shrinkage })}
      />
      <ChoiceField
        label="Pull"
        value={cloth.pull}
        options={[
          { id: 'taut', name: 'Taut' },
          { id: 'smooth', name: 'Smooth only' },
        ]}
        onChange={(pull) => set({ pull })}
      />
      <label className="flex items-center justify-between py-1 text-sm">
        Coated (leathercloth)
        <input
          type="checkbox"
          className="size-5 accent-(--color-secondary)"
          checked={cloth.coated}
          onChange={(event) => set({ coated: event.target.checked })}
        />
      </label>
    </>
  );
}

/** What is typed and chosen at a stage. */
export function StagePanel({ stage, ...props }: { stage: Stage } & PanelProps) {
  if (stage === 'strip') return <StripPanel piece={props.piece} name={props.pieceId} apply={props.apply} plan={props.plan} />;
  if (stage === 'base') return <BasePanel {...props} />;
  if (stage === 'build') return <BuildPanel {...props} />;
  if (stage === 'cover') return <CoverPanel {...props} />;
  return null;
}
