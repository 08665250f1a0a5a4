'use client';

import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { restrictToList } from './restrict';
import { arrayMove, SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { WADDINGS } from '@/core/foam';
import { withPad } from '@/core/piece';
import { ChoiceField } from '@/ui/kit/fields/fields';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { PullFields } from '@/ui/sheet/fields/pull-fields';
import { useField, usePiece, useSheet } from '@/ui/sheet/store';
import { FoamStore } from '@/ui/store/foam-store';
import { PadFields, roleName } from './pad-fields';
import { WishDialog } from './wish-dialog';

/** The stack from the top down, with what can be added to it. */
export function BuildPanel() {
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
  return (
    <>
      <ChoiceField
        label="Wadding over all"
        value={wadding ?? 'none'}
        options={[...WADDINGS, { id: 'none', name: 'None' }]}
        onChange={(id) => putWadding(id === 'none' ? null : id)}
      />
      <PieceField at="glue" />
      <PieceField at="cutWith" />
      <PieceField at="shapedWith" />
      <PullFields />
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
          {shown.map(({ pad, index }) => (
            <PadFields key={pad.id} pad={pad} index={index} />
          ))}
        </SortableContext>
      </DndContext>
      {piece.pads.length === 0 && <p className="text-sm py-2">Nothing on the board yet. Add a main pad to begin.</p>}
      <div className="flex flex-wrap gap-2 pt-2 border-t border-base-content/25">
        {(['main', 'crown', 'topper'] as const).map((role) => (
          <button
            key={role}
            type="button"
            className="btn btn-sm btn-outline font-normal"
            onClick={() => apply({ ...piece, pads: withPad(piece.pads, role) })}
          >
            <Plus size={14} aria-hidden /> {roleName(role)}
          </button>
        ))}
      </div>
      {wishing && <WishDialog onClose={() => setWishing(false)} />}
      {store && <FoamStore onClose={() => setStore(false)} />}
    </>
  );
}
