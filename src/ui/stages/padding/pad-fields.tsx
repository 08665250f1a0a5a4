'use client';

import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import type { ReactNode } from 'react';
import { ArrowDown, ArrowUp, ChevronDown, ChevronRight, GripVertical, Trash2 } from 'lucide-react';
import { canBeTrimmed, isPaired } from '@/core/foam-cutting';
import { wordFor } from '@/core/glossary';
import { evenCorners } from '@/core/outline';
import { foamThickness, inUnit } from '@/core/length';
import { defaultsOf, fieldAt, foamOf, foamsOf, letInto, PACKET, PAD_ROLES, type Pad } from '@/core/piece';
import { PAD_RIMS, rimOf } from '@/core/pad-rims';
import { Figure } from '@/ui/kit/fields/figure';
import { ChoiceField, LengthField, TickField } from '@/ui/kit/fields/fields';
import { useLength, useSettings } from '@/ui/kit/settings';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { usePadOffsets, usePiece, usePlan, useSheet } from '@/ui/sheet/store';
import { WordMark } from '@/ui/words/word-card';
import { PocketFields } from './pocket-fields';
import { ProfileFields } from './profile-fields';

type Props = { pad: Pad; index: number };
type Opening = { open: boolean; onOpen: () => void };

/** A pad's name in the stack. */
export const roleName = (role: Pad['role']): string => PAD_ROLES.find(({ id }) => id === role)!.name;

/** Changes one pad, or says what is wrong with the change. */
function usePad(index: number): (change: Partial<Pad>) => string | null {
  const put = useSheet((state) => state.put);
  const piece = usePiece();
  return (change) => {
    const entries = Object.entries(change);
    // One field alone is named, so that what is wrong with it is said beside it.
    return entries.length === 1
      ? put(`pads.${index}.${entries[0]![0]}`, entries[0]![1])
      : put(`pads.${index}`, { ...piece.pads[index]!, ...change });
  };
}

/** How far it stands over the board or lies in from its edge; by hand, or as the house has it. */
function Standing({ pad, index }: Props) {
  const say = useLength();
  const id = useSheet((state) => state.id);
  const piece = usePiece();
  const offsets = usePadOffsets();
  const outline = useSheet((state) => state.view?.padOutlines.find((padOutline) => padOutline.id === pad.id)?.points);
  const set = usePad(index);
  const inward = pad.role === 'crown';
  const standing = offsets[index] ?? 0;
  const without = piece.pads.map((item, i) => (i === index ? { ...item, offset: null } : item));
  const usual = usePadOffsets(without)[index] ?? 0;
  if (pad.outline)
    return (
      <p className="text-xs py-1">
        Drawn outline, {pad.outline.length} corners.{' '}
        <button type="button" className="underline cursor-pointer" onClick={() => set({ outline: null, offset: null })}>
          Follow the board instead
        </button>
      </p>
    );
  return (
    <>
      <LengthField
        label={inward ? 'Inset' : fieldAt('pads.offset').label}
        mark={<WordMark word={wordFor('pads.0.offset')!} />}
        name={`${id} ${pad.id} o`}
        value={inward ? -standing : standing}
        hint={
          pad.offset === null ? (
            'house rule'
          ) : (
            <button type="button" className="underline cursor-pointer" onClick={() => set({ offset: null })}>
              changed for this job; back to {say(inward ? -usual : usual)}
            </button>
          )
        }
        onCommit={(mm) => set({ offset: inward ? 0 - mm : mm })}
      />
      {outline && (
        <button
          type="button"
          className="underline text-xs cursor-pointer py-1"
          onClick={() => set({ outline: evenCorners(outline), offset: standing })}
        >
          Draw its outline in the plan
        </button>
      )}
    </>
  );
}

/** What is seldom asked for. */
function More({ pad, index }: Props) {
  const piece = usePiece();
  const offsets = usePadOffsets();
  const set = usePad(index);
  const at = `pads.${index}`;
  const wedge = typeof pad.wedge === 'number';
  const cut = usePlan()?.foam.find((foamPiece) => foamPiece.pad === pad.id);
  return (
    <details className="text-sm" open={letInto(pad).length > 0 || wedge || Boolean(pad.kept ?? pad.packet)}>
      <summary className="cursor-pointer py-1 text-xs">Wedge, blocks, packets, old foam, pocket</summary>
      <TickField label="A wedge, thicker one way" checked={wedge} onChange={(on) => set({ wedge: on ? pad.thickness : null })} />
      {wedge && <PieceField at={`${at}.wedge`} />}
      {wedge && <PieceField at={`${at}.wedgeWay`} />}
      {isPaired({ ...pad, pair: true }, piece.count * (pad.blocks ?? 1)) && <PieceField at={`${at}.pair`} />}
      {pad.pair && cut && !cut.pair && <p className="text-xs">No two of its parts are alike: each is cut by itself.</p>}
      <PieceField at={`${at}.blocks`} />
      <PieceField at={`${at}.blocksDeep`} />
      {!pad.kept && (
        <TickField
          label={pad.scrap ? 'From offcuts of one size' : 'From packets'}
          checked={Boolean(pad.packet)}
          onChange={(on) => set({ packet: on ? defaultsOf(PACKET) : null })}
        />
      )}
      {pad.packet && !pad.kept && (
        <>
          <PieceField at={`${at}.packet.width`} />
          <PieceField at={`${at}.packet.length`} />
          {!pad.scrap && <PieceField at={`${at}.packet.each`} />}
        </>
      )}
      {index < piece.pads.length - 1 && !pad.kept && <PieceField at={`${at}.scrap`} />}
      {canBeTrimmed(pad, offsets[index] ?? 0) && <PieceField at={`${at}.trim`} />}
      <PieceField at={`${at}.kept`} />
      {pad.kept && <PieceField at={`${at}.hardnessLeft`} />}
      <PocketFields pad={pad} at={at} />
    </details>
  );
}

/** Its name, and where it lies in the stack. */
function Head({ pad, index, grip, open, onOpen }: Props & Opening & { grip: object }) {
  const say = useLength();
  const piece = usePiece();
  const apply = useSheet((state) => state.apply);
  const name = roleName(pad.role);
  const foam = foamOf(piece, pad.material)!;
  const text = `${name.toLowerCase()} ${index + 1}`;
  const move = (by: number) => {
    const pads = [...piece.pads];
    [pads[index], pads[index + by]] = [pads[index + by]!, pads[index]!];
    apply({ ...piece, pads });
  };
  const button = (label: string, icon: ReactNode, onClick: () => void, disabled = false) => (
    <button
      type="button"
      className="p-1.5 rounded-sm hover:bg-base-200 disabled:opacity-30"
      disabled={disabled}
      aria-label={label}
      onClick={onClick}
    >
      {icon}
    </button>
  );
  return (
    <div className="flex items-center gap-1">
      <button
        type="button"
        className="p-1 -ml-1 rounded-sm cursor-grab touch-none hover:bg-base-200"
        {...grip}
        aria-label={`Drag ${text} to another place in the stack`}
      >
        <GripVertical size={15} aria-hidden />
      </button>
      <legend className="flex-1 min-w-0 text-sm">
        <button
          type="button"
          data-fold
          className="flex items-center gap-1 w-full text-left cursor-pointer py-1"
          aria-expanded={open}
          aria-label={`${name} ${index + 1}, ${open ? 'fold away' : 'open'}`}
          onClick={onOpen}
        >
          {open ? <ChevronDown size={14} className="shrink-0" aria-hidden /> : <ChevronRight size={14} className="shrink-0" aria-hidden />}
          <span className="flex-1 min-w-0">
            <span className="flex justify-between gap-2">
              <span className="font-semibold">{name}</span>
              {!open && <Figure says={say(pad.thickness)} />}
            </span>
            {!open && <span className="block text-xs truncate">{foam.name}</span>}
          </span>
        </button>
      </legend>
      <span className={`ml-auto ${open ? 'flex' : 'hidden'}`}>
        {button(`Move ${text} up in the stack`, <ArrowUp size={15} aria-hidden />, () => move(1), index === piece.pads.length - 1)}
        {button(`Move ${text} down in the stack`, <ArrowDown size={15} aria-hidden />, () => move(-1), index === 0)}
        {button(`Take ${text} out`, <Trash2 size={15} aria-hidden />, () =>
          apply({ ...piece, pads: piece.pads.filter((_, i) => i !== index) }),
        )}
      </span>
    </div>
  );
}

/** One pad of the stack: its foam, sizes, rim, and what is seldom asked for. */
export function PadFields({ pad, index, open, onOpen }: Props & Opening) {
  const piece = usePiece();
  const { unit } = useSettings();
  const set = usePad(index);
  const foam = foamOf(piece, pad.material)!;
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: pad.id });
  const at = `pads.${index}`;
  return (
    <fieldset
      data-pad={pad.id}
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`border-t border-base-content/25 ${open ? 'py-2' : 'py-0.5'} bg-base-100 ${isDragging ? 'relative z-10 opacity-80' : ''}`}
    >
      <Head pad={pad} index={index} grip={{ ...attributes, ...listeners }} open={open} onOpen={onOpen} />
      {open && (
        <>
          <ChoiceField
            label={fieldAt('pads.material').label}
            value={pad.material}
            options={foamsOf(piece)}
            onChange={(material) => set({ material })}
            hint={`${foam.density} kg/m³, ${Math.round(foam.ifd25)} N, support ${Math.round(foam.supportFactor * 100) / 100}`}
          />
          <PieceField
            at={`${at}.thickness`}
            {...(pad.role === 'crown' ? { label: 'Crown height', word: 'crown-pad' } : {})}
            hint={inUnit(`sold ${foam.sold.join(', ')} mm`, unit, foamThickness)}
          />
          <Standing pad={pad} index={index} />
          <ChoiceField
            label="Rim"
            value={pad.edge.kind}
            options={PAD_RIMS}
            onChange={(kind) => set({ edge: rimOf({ kind }).first(pad.thickness) })}
          />
          {'width' in pad.edge && <PieceField at={`${at}.edge.width`} />}
          <ProfileFields pad={pad} at={at} />
          <More pad={pad} index={index} />
        </>
      )}
    </fieldset>
  );
}
