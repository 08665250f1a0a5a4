'use client';

import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { restrictToList } from './restrict';
import { arrayMove, SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { WADDINGS } from '@/core/foam';
import { withPad, type Pad } from '@/core/piece';
import { ChoiceField } from '@/ui/kit/fields/fields';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { useField, usePiece, useSheet } from '@/ui/sheet/store';
import { More } from '@/ui/kit/fields/lists';
import { FoamStore } from '@/ui/store/foam-store';
import { PadFields, roleName } from './pad-fields';
import { Sat } from './sit/sit-panel';
import { WishDialog } from './wish-dialog';

/** The stack from the top down, with what can be added to it. */
export function PaddingPanel() {
  const piece = usePiece();
  const apply = useSheet((state) => state.apply);
  const [wadding, putWadding] = useField<string | null>('wadding');
  const [wishing, setWishing] = useState(false);
  const [store, setStore] = useState(false);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  // The stack is shown as it stands: what is on top comes first.
  const shown = piece.pads.map((pad, index) => ({ pad, index })).reverse();
  const dropped = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const at = (id: string | number) => piece.pads.findIndex((pad) => pad.id === id);
    apply({ ...piece, pads: arrayMove(piece.pads, at(active.id), at(over.id)) });
  };
  // A pad is one line until it is opened; one that was just added is open.
  const [open, setOpen] = useState<readonly string[]>([]);
  const toggle = (id: string) => setOpen(open.includes(id) ? open.filter((other) => other !== id) : [...open, id]);
  const add = (role: Pad['role']) => {
    const pads = withPad(piece.pads, role);
    if (apply({ ...piece, pads }) === null) setOpen([...open, ...pads.filter((pad) => !piece.pads.includes(pad)).map(({ id }) => id)]);
  };
  const set = [piece.glue, piece.cutWith, piece.shapedWith].filter(Boolean).length;
  return (
    <>
      <DndContext id="stack" sensors={sensors} collisionDetection={closestCenter} modifiers={[restrictToList]} onDragEnd={dropped}>
        <SortableContext items={shown.map(({ pad }) => pad.id)} strategy={verticalListSortingStrategy}>
          {shown.map(({ pad, index }) => (
            <PadFields key={pad.id} pad={pad} index={index} open={open.includes(pad.id)} onOpen={() => toggle(pad.id)} />
          ))}
        </SortableContext>
      </DndContext>
      {piece.pads.length === 0 && <p className="text-sm py-2">Nothing on the board yet. Add a main pad to begin.</p>}
      <ChoiceField
        label="Wadding over all"
        value={wadding ?? 'none'}
        options={[...WADDINGS, { id: 'none', name: 'None' }]}
        onChange={(id) => putWadding(id === 'none' ? null : id)}
      />
      <div className="flex flex-wrap gap-2 pt-2 border-t border-base-content/25">
        {(['main', 'crown', 'topper'] as const).map((role) => (
          <button key={role} type="button" className="btn btn-sm btn-outline font-normal" onClick={() => add(role)}>
            <Plus size={14} aria-hidden /> {roleName(role)}
          </button>
        ))}
      </div>
      <Sat />
      <More name="padding" count={set}>
        <PieceField at="glue" />
        <PieceField at="cutWith" />
        <PieceField at="shapedWith" />
        <div className="flex flex-wrap gap-2 py-1">
          <button
            type="button"
            className="btn btn-sm btn-outline font-normal"
            disabled={!piece.pads.some((pad) => pad.role === 'main')}
            onClick={() => setWishing(true)}
          >
            Set finished crown…
          </button>
          <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => setStore(true)}>
            Foam store…
          </button>
        </div>
      </More>
      {wishing && <WishDialog onClose={() => setWishing(false)} />}
      {store && <FoamStore onClose={() => setStore(false)} />}
    </>
  );
}
