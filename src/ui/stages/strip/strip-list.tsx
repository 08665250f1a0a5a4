'use client';

import { ArrowDown, ArrowUp } from 'lucide-react';
import { useState } from 'react';
import { CHAIR_PARTS, defaultsOf, freeId, STRIP_ITEM, STRIP_KINDS, type StripItem } from '@/core/piece';
import { inTurn, leavesHoles, oldHoles, outOfTurn, partComes, reassembly } from '@/core/strip';
import { AddOne, TakeOut, Wrong } from '@/ui/kit/fields/lists';
import { keepPhoto } from '@/ui/kit/photo';
import { PhotoButton } from '@/ui/kit/photo-button';
import { PhotosWithPins } from '@/ui/kit/pinned-photo';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { useField, usePiece, usePlan, useRule, useSheet } from '@/ui/sheet/store';
import { PhotoDesk } from './photo-desk';
import { useStrip } from './use-strip';

/** What came off, in order, with photos; and the order it goes back on. */
export function StripList() {
  const { strip, put } = useStrip();
  const { items } = strip;
  const set = (next: StripItem[]) => put({ items: next });
  const add = ({ id: what, name, again }: (typeof STRIP_KINDS)[number]) =>
    set([...items, { ...defaultsOf(STRIP_ITEM), id: freeId(items, 's'), what, name, where: '', again, photos: [] }]);
  const back = reassembly(strip);
  const wrong = outOfTurn(strip);
  return (
    // A region that scrolls must be reachable by the keyboard.
    <div
      className="flex-1 min-h-0 overflow-y-auto p-4"
      // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
      tabIndex={0}
      role="region"
      aria-label="Strip record"
    >
      <PhotoDesk />
      <div className="grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-6">
        <section aria-label="What came off">
          <h3 className="font-display text-lg">What came off, in order</h3>
          <PieceField at="strip.part" onCommit={(part) => put({ part })} />
          {wrong.length > 0 && (
            <div className="text-sm border-l-3 border-warning pl-2 my-1" role="status" data-out-of-turn>
              <p>{wrong[0]!.words}.</p>
              <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => set(inTurn(strip))}>
                Put them in that order
              </button>
            </div>
          )}
          {items.length === 0 && (
            <p className="text-sm my-2">Nothing recorded yet. Begin with what holds the cover, and add each thing as it comes off.</p>
          )}
          <ol>
            {items.map((item, i) => (
              <Item
                key={item.id}
                item={item}
                index={i}
                last={i === items.length - 1}
                onMove={(by) => {
                  const next = [...items];
                  [next[i], next[i + by]] = [next[i + by]!, next[i]!];
                  set(next);
                }}
                onTakeOut={() => set(items.filter((_, k) => k !== i))}
              />
            ))}
          </ol>
          <div className="pt-2">
            {STRIP_KINDS.map((kind) => (
              <AddOne key={kind.id} onClick={() => add(kind)}>
                {kind.name}
              </AddOne>
            ))}
          </div>
        </section>
        <section aria-label="Order of reassembly">
          <h3 className="font-display text-lg">It goes back on</h3>
          {back.length === 0 && <p className="text-sm my-2">The reverse of what came off appears here.</p>}
          <ol className="list-decimal pl-6 text-sm" data-reassembly>
            {back.map((step, k) => (
              <li key={step.item.id} className="py-1">
                {step.part && step.part !== back[k - 1]?.part && (
                  <b className="block" data-chair-part={step.part}>
                    {CHAIR_PARTS.find(({ id }) => id === step.part)!.name}
                    {partComes(strip, step.part) === 'itself' && ', this piece'}
                  </b>
                )}
                {step.words}
                {step.again === 'refit' && <span className="text-secondary"> (the old one)</span>}
                <Photos names={step.item.photos} />
              </li>
            ))}
          </ol>
        </section>
      </div>
    </div>
  );
}

/** Photos of a thing that came off, with their pins. */
function Photos({ names }: { names: readonly string[] }) {
  const { strip } = useStrip();
  return <PhotosWithPins names={names} pins={strip.pins ?? []} alt="As it was" size="h-20 w-20" />;
}

type ItemProps = { item: StripItem; index: number; last: boolean; onMove: (by: 1 | -1) => void; onTakeOut: () => void };

/** What is asked of each kind of thing. */
function keysOf(what: StripItem['what']): (keyof StripItem)[] {
  const measured = what === 'fastener' || what === 'screw';
  return [...(measured ? (['crown', 'leg'] as const) : []), ...(what === 'pad' || what === 'wadding' ? (['thickness'] as const) : [])];
}

function ItemHead({ item, index, last, onMove, onTakeOut, onPhoto }: ItemProps & { onPhoto: (file: File) => void }) {
  const number = index + 1;
  return (
    <div className="flex items-center gap-1">
      <span className="text-sm font-semibold">
        {number}. {STRIP_KINDS.find((kind) => kind.id === item.what)!.name}
      </span>
      <button
        type="button"
        className="p-1.5 ml-auto rounded-sm hover:bg-base-200 disabled:opacity-30"
        disabled={index === 0}
        aria-label={`Move item ${number} earlier`}
        onClick={() => onMove(-1)}
      >
        <ArrowUp size={15} aria-hidden />
      </button>
      <button
        type="button"
        className="p-1.5 rounded-sm hover:bg-base-200 disabled:opacity-30"
        disabled={last}
        aria-label={`Move item ${number} later`}
        onClick={() => onMove(1)}
      >
        <ArrowDown size={15} aria-hidden />
      </button>
      <PhotoButton label={`Photo of item ${number}`} onPhoto={onPhoto} />
      <TakeOut what={`item ${number}`} onClick={onTakeOut} />
    </div>
  );
}

/** The holes it leaves, carried to the base: as many as came out, to be moved to where they are. */
function CarryHoles({ item, number }: { item: StripItem; number: number }) {
  const { base } = usePiece();
  const [, put] = useField('base.holes');
  const rule = useRule();
  const [carried, setCarried] = useState(0);
  const board = usePlan()?.outline.points;
  const holes = base.holes ?? [];
  if (!board) return null;
  const next = oldHoles(item, board, rule('return'), holes);
  const count = next.length - holes.length;
  const carry = () => {
    put(next);
    setCarried(count);
  };
  return (
    <div className="text-xs py-1">
      {carried === 0 && count > 0 && (
        <button
          type="button"
          className="btn btn-sm btn-outline font-normal"
          aria-label={`Carry the holes of item ${number} to the base`}
          onClick={carry}
        >
          {count === 1 ? 'Carry its hole to the base' : `Carry ${count} holes to the base`}
        </button>
      )}
      {carried > 0 && <p role="status">{carried} on the base now, along the staple line: move each to where it is.</p>}
    </div>
  );
}

function Item(props: ItemProps) {
  const { item, index } = props;
  const chair = Boolean(useStrip().strip.part);
  const [message, setMessage] = useState<string | null>(null);
  const put = useSheet((state) => state.put);
  const at = `strip.items.${index}`;
  const photo = async (file: File) => {
    const saved = await keepPhoto(file);
    if ('message' in saved) return setMessage(saved.message);
    setMessage(item.photos.includes(saved.name) ? 'This photo is here already' : put(`${at}.photos`, [...item.photos, saved.name]));
  };
  return (
    <li className="border-t border-base-content/25 py-2" data-strip-item={item.what}>
      <ItemHead {...props} onPhoto={(file) => void photo(file)} />
      <div className="grid grid-cols-2 gap-x-4">
        <PieceField at={`${at}.name`} label={`Name, item ${index + 1}`} />
        {(['where', 'count', 'again', ...(chair ? (['part'] as const) : []), ...keysOf(item.what)] as const).map((key) => (
          <PieceField key={key} at={`${at}.${key}`} />
        ))}
      </div>
      {leavesHoles(item) && <CarryHoles item={item} number={index + 1} />}
      <Photos names={item.photos} />
      <Wrong message={message} />
    </li>
  );
}
