'use client';

import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { restrictToList } from './restrict';
import { arrayMove, SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { WADDINGS } from '@/core/foam';
import type { Pad, Piece } from '@/core/piece';
import { ChoiceField, FigureField } from '@/ui/kit/fields';
import type { PanelProps } from '@/ui/sheet/panel-props';
import { FoamStore } from '@/ui/store/foam-store';
import { PadFields } from './pad-fields';
import { WishDialog } from './wish-dialog';

function freeId(pads: Pad[], stem: string): string {
  for (let n = 1; ; n++) {
    const id = n === 1 ? stem : `${stem}-${n}`;
    if (pads.every((pad) => pad.id !== id)) return id;
  }
}

/** Pads as they are first laid on. */
const FIRST: Record<Pad['role'], Omit<Pad, 'id'>> = {
  crown: { role: 'crown', material: 'seat-extra-firm', thickness: 13, offset: null, edge: { kind: 'domed' } },
  main: { role: 'main', material: 'seat-firm', thickness: 50, offset: null, edge: { kind: 'square' } },
  topper: { role: 'topper', material: 'resilient-medium', thickness: 25, offset: null, edge: { kind: 'square' } },
};

const PULLS: { id: Piece['cloth']['pull']; name: string; rule: string }[] = [
  { id: 'taut', name: 'Taut', rule: 'pullTaut' },
  { id: 'firm', name: 'Firm', rule: 'pullFirm' },
  { id: 'smooth', name: 'Smooth only', rule: 'pullSmooth' },
];

/** How hard the cover is pulled: by school, or as measured with a spring scale. */
export function PullFields({ piece, pieceId, houseOf, apply }: Pick<PanelProps, 'piece' | 'pieceId' | 'houseOf' | 'apply'>) {
  const { cloth } = piece;
  const school = PULLS.find((pull) => pull.id === cloth.pull)!;
  const set = (change: Partial<Piece['cloth']>) => apply({ ...piece, cloth: { ...cloth, ...change } });
  return (
    <>
      <ChoiceField label="Pull" value={cloth.pull} options={PULLS} onChange={(pull) => set({ pull, force: null })} />
      <FigureField
        label="Pull, N per 10 cm"
        name={`${pieceId} force`}
        value={cloth.force ?? houseOf(school.rule)}
        suffix="N"
        hint={
          typeof cloth.force === 'number' ? (
            <button type="button" className="underline cursor-pointer" onClick={() => set({ force: null })}>
              measured; back to {houseOf(school.rule)} N of the school
            </button>
          ) : (
            `house rule for ${school.name.toLowerCase()}`
          )
        }
        onCommit={(force) => set({ force })}
      />
    </>
  );
}

/** The stack from the top down, with what can be added to it. */
export function BuildPanel(props: PanelProps) {
  const { piece, apply } = props;
  const [wishing, setWishing] = useState(false);
  const [store, setStore] = useState(false);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const add = (role: Pad['role']) => {
    const pad: Pad = { id: freeId(piece.pads, role), ...FIRST[role] };
    const at = role === 'crown' ? piece.pads.filter((p) => p.role === 'crown').length : piece.pads.length;
    apply({ ...piece, pads: [...piece.pads.slice(0, at), pad, ...piece.pads.slice(at)] });
  };
  // The stack is shown as it stands: what is on top comes first.
  const shown = piece.pads
    .map((pad, index) => ({ pad, index, step: piece.pads.slice(0, index + 1).filter((p) => p.role === 'crown').length }))
    .reverse();
  const dropped = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const at = (id: string | number) => piece.pads.findIndex((pad) => pad.id === id);
    apply({ ...piece, pads: arrayMove(piece.pads, at(active.id), at(over.id)) });
  };
  return (
    <>
      <ChoiceField
        label="Wadding over all"
        value={piece.wadding ?? 'none'}
        options={[...WADDINGS, { id: 'none', name: 'None' }]}
        onChange={(id) => apply({ ...piece, wadding: id === 'none' ? null : id })}
      />
      <PullFields {...props} />
      <div className="flex flex-wrap gap-2 py-1">
        <button
          type="button"
          className="btn btn-sm btn-outline font-normal"
          disabled={!piece.pads.some((pad) => pad.role === 'main')}
          onClick={() => setWishing(true)}
        >
          Crown by wish…
        </button>
        <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => setStore(true)}>
          Foam store…
        </button>
      </div>
      <DndContext id="stack" sensors={sensors} collisionDetection={closestCenter} modifiers={[restrictToList]} onDragEnd={dropped}>
        <SortableContext items={shown.map(({ pad }) => pad.id)} strategy={verticalListSortingStrategy}>
          {shown.map(({ pad, index, step }) => (
            <PadFields key={pad.id} pad={pad} index={index} step={Math.max(1, step)} props={props} />
          ))}
        </SortableContext>
      </DndContext>
      {piece.pads.length === 0 && <p className="text-sm py-2">Nothing on the board yet. Add a main pad to begin.</p>}
      <div className="flex flex-wrap gap-2 pt-2 border-t border-base-content/25">
        {(['main', 'crown', 'topper'] as const).map((role) => (
          <button key={role} type="button" className="btn btn-sm btn-outline font-normal" onClick={() => add(role)}>
            <Plus size={14} aria-hidden /> {role === 'main' ? 'Main pad' : role === 'crown' ? 'Crown pad' : 'Topper'}
          </button>
        ))}
      </div>
      {wishing && <WishDialog props={props} onClose={() => setWishing(false)} />}
      {store && <FoamStore piece={piece} apply={apply} onClose={() => setStore(false)} />}
    </>
  );
}
