'use client';

import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { ArrowDown, ArrowUp, GripVertical, Trash2 } from 'lucide-react';
import { inUnit } from '@/core/length';
import { foamOf, foamsOf, type Pad, type PadEdge } from '@/core/piece';
import { ChoiceField, FigureField, LengthField, TickField } from '@/ui/kit/fields';
import { useLength, useSettings } from '@/ui/kit/settings';
import type { PanelProps } from '@/ui/sheet/panel-props';
import { evenCorners } from './drawn-pads';
import { PocketFields } from './pocket-fields';

const EDGES: { id: PadEdge['kind']; name: string }[] = [
  { id: 'square', name: 'Left square' },
  { id: 'bevelled', name: 'Underside bevelled' },
  { id: 'feathered', name: 'Feathered' },
  { id: 'rounded', name: 'Rounded' },
  { id: 'domed', name: 'Carved to a dome' },
  { id: 'roll', name: 'Only a roll at the rim' },
];

/** What the width of a rim's work is called, and what it starts from, mm. */
const WIDTHS: Record<Exclude<PadEdge['kind'], 'square' | 'domed'>, [label: string, start: number]> = {
  feathered: ['Feather', 25],
  bevelled: ['Bevel', 20],
  rounded: ['Rounding', 15],
  roll: ['Roll width', 40],
};

export const ROLE_NAMES: Record<Pad['role'], string> = { crown: 'Crown pad', main: 'Main pad', topper: 'Topper' };

/** A rim of another kind, with the width it starts from. */
export function edgeOf(kind: PadEdge['kind'], thickness: number): PadEdge {
  if (kind === 'square' || kind === 'domed') return { kind };
  const [, start] = WIDTHS[kind];
  return { kind, width: kind === 'rounded' ? Math.min(start, thickness) : start };
}

/** One pad of the stack: its foam, sizes, rim, and what is seldom asked for. */
export function PadFields({ pad, step, index, props }: { pad: Pad; step: number; index: number; props: PanelProps }) {
  const { piece, pieceId, houseOf, apply } = props;
  const say = useLength();
  const { unit } = useSettings();
  const foam = foamOf(piece, pad.material)!;
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: pad.id });
  const set = (change: Partial<Pad>) => apply({ ...piece, pads: piece.pads.map((p, i) => (i === index ? { ...p, ...change } : p)) });
  const move = (by: number) => {
    const pads = [...piece.pads];
    [pads[index], pads[index + by]] = [pads[index + by]!, pads[index]!];
    apply({ ...piece, pads });
  };
  const name = ROLE_NAMES[pad.role];
  const inward = pad.role === 'crown';
  const standing = pad.offset ?? (inward ? -houseOf('crownInset') * step : houseOf('overhang'));
  const covered = index < piece.pads.length - 1;
  const cut = props.plan?.foam.find((foam) => foam.pad === pad.id);
  return (
    <fieldset
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`border-t border-base-content/25 py-2 bg-base-100 ${isDragging ? 'relative z-10 opacity-80' : ''}`}
    >
      <div className="flex items-center gap-1">
        <button
          type="button"
          className="p-1 -ml-1 rounded-sm cursor-grab touch-none hover:bg-base-200"
          {...attributes}
          {...listeners}
          aria-label={`Drag ${name.toLowerCase()} ${index + 1} to another place in the stack`}
        >
          <GripVertical size={15} aria-hidden />
        </button>
        <legend className="font-semibold text-sm">{name}</legend>
        <span className="ml-auto flex">
          <button
            type="button"
            className="p-1.5 rounded-sm hover:bg-base-200 disabled:opacity-30"
            disabled={!covered}
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
        options={foamsOf(piece)}
        onChange={(material) => set({ material })}
        hint={`${foam.density} kg/m³, ${Math.round(foam.ifd25)} N, support ${Math.round(foam.supportFactor * 100) / 100}`}
      />
      <LengthField
        label={inward ? 'Crown height' : 'Thickness'}
        name={`${pieceId} ${pad.id} t`}
        value={pad.thickness}
        hint={inUnit(`sold ${foam.sold.join(', ')} mm`, unit)}
        onCommit={(thickness) => set({ thickness })}
      />
      {pad.outline ? (
        <p className="text-xs py-1">
          Drawn outline, {pad.outline.length} corners.{' '}
          <button type="button" className="underline cursor-pointer" onClick={() => set({ outline: null, offset: null })}>
            Follow the board instead
          </button>
        </p>
      ) : (
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
      )}
      {!pad.outline && cut && (
        <button
          type="button"
          className="underline text-xs cursor-pointer py-1"
          onClick={() => set({ outline: evenCorners(cut.outline), offset: standing })}
        >
          Draw its outline in the plan
        </button>
      )}
      <ChoiceField label="Rim" value={pad.edge.kind} options={EDGES} onChange={(kind) => set({ edge: edgeOf(kind, pad.thickness) })} />
      {'width' in pad.edge && (
        <LengthField
          label={WIDTHS[pad.edge.kind][0]}
          name={`${pieceId} ${pad.id} f`}
          value={pad.edge.width}
          onCommit={(width) => set({ edge: { ...(pad.edge as Extract<PadEdge, { width: number }>), width } })}
        />
      )}
      <details className="text-sm" open={Boolean(pad.pocket) || typeof pad.wedge === 'number'}>
        <summary className="cursor-pointer py-1 text-xs">Wedge, blocks, scraps, pocket</summary>
        <TickField
          label="A wedge, thicker one way"
          checked={typeof pad.wedge === 'number'}
          onChange={(on) => set({ wedge: on ? pad.thickness : null })}
        />
        {typeof pad.wedge === 'number' && (
          <LengthField
            label="Thick at the far edge"
            name={`${pieceId} ${pad.id} w`}
            value={pad.wedge}
            onCommit={(wedge) => set({ wedge })}
          />
        )}
        <FigureField
          label="Joined from blocks"
          name={`${pieceId} ${pad.id} b`}
          value={pad.blocks ?? 1}
          whole
          hint="side by side, glued"
          onCommit={(blocks) => set({ blocks: Math.min(12, Math.max(1, blocks)) })}
        />
        {covered && <TickField label="Cut from scraps" checked={Boolean(pad.scrap)} onChange={(scrap) => set({ scrap })} />}
        <PocketFields piece={piece} pad={pad} name={`${pieceId} ${pad.id}`} set={set} />
      </details>
    </fieldset>
  );
}
