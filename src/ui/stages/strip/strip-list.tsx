'use client';

import { ArrowDown, ArrowUp, Camera } from 'lucide-react';
import { useState } from 'react';
import { defaultsOf, freeId, STRIP_ITEM, STRIP_KINDS, type StripItem } from '@/core/piece';
import { reassembly } from '@/core/strip';
import { AddOne, TakeOut, Wrong } from '@/ui/kit/lists';
import { keepPhoto } from '@/ui/kit/photo';
import { PieceField } from '@/ui/sheet/piece-field';
import { useSheet } from '@/ui/sheet/store';
import { useStrip } from './use-strip';

/** What came off, in order, with photos; and the order it goes back on. */
export function StripList() {
  const { strip, put } = useStrip();
  const { items } = strip;
  const set = (next: StripItem[]) => put({ items: next });
  const add = ({ id: what, name, again }: (typeof STRIP_KINDS)[number]) =>
    set([...items, { ...defaultsOf(STRIP_ITEM), id: freeId(items, 's'), what, name, where: '', again, photos: [] }]);
  const back = reassembly(strip);
  return (
    // A region that scrolls must be reachable by the keyboard.
    <div
      className="flex-1 min-h-0 overflow-y-auto p-4 grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-6"
      // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
      tabIndex={0}
      role="region"
      aria-label="Strip record"
    >
      <section aria-label="What came off">
        <h3 className="font-display text-lg">What came off, in order</h3>
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
          {back.map((step) => (
            <li key={step.item.id} className="py-1">
              {step.words}
              {step.again === 'refit' && <span className="text-secondary"> (the old one)</span>}
              <Photos names={step.item.photos} />
            </li>
          ))}
        </ol>
      </section>
    </div>
  );
}

function Photos({ names }: { names: readonly string[] }) {
  if (names.length === 0) return null;
  return (
    <span className="flex flex-wrap gap-1 mt-1">
      {names.map((photo, i) => (
        <a key={photo} href={`/api/photos/${photo}`} target="_blank" rel="noreferrer">
          {/* Kept photos are of this workshop alone and are shown as they are. */}
          <img src={`/api/photos/${photo}`} alt={`As it was, ${i + 1}`} className="h-20 w-20 object-cover border border-base-content/40" />
        </a>
      ))}
    </span>
  );
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
        aria-label={`Item ${number} came off earlier`}
        onClick={() => onMove(-1)}
      >
        <ArrowUp size={15} aria-hidden />
      </button>
      <button
        type="button"
        className="p-1.5 rounded-sm hover:bg-base-200 disabled:opacity-30"
        disabled={last}
        aria-label={`Item ${number} came off later`}
        onClick={() => onMove(1)}
      >
        <ArrowDown size={15} aria-hidden />
      </button>
      <label className="relative p-1.5 rounded-sm hover:bg-base-200 cursor-pointer focus-within:outline-2">
        <Camera size={17} aria-hidden />
        <input
          type="file"
          accept="image/*"
          className="sr-only"
          aria-label={`Photo of item ${number}`}
          onChange={(event) => {
            const file = event.target.files?.[0];
            event.target.value = '';
            if (file) onPhoto(file);
          }}
        />
      </label>
      <TakeOut what={`item ${number}`} onClick={onTakeOut} />
    </div>
  );
}

function Item(props: ItemProps) {
  const { item, index } = props;
  const [message, setMessage] = useState<string | null>(null);
  const put = useSheet((state) => state.put);
  const at = `strip.items.${index}`;
  const photo = async (file: File) => {
    const kept = await keepPhoto(file);
    if ('message' in kept) return setMessage(kept.message);
    setMessage(item.photos.includes(kept.name) ? 'This photo is here already' : put(`${at}.photos`, [...item.photos, kept.name]));
  };
  return (
    <li className="border-t border-base-content/25 py-2" data-strip-item={item.what}>
      <ItemHead {...props} onPhoto={(file) => void photo(file)} />
      <div className="grid grid-cols-2 gap-x-4">
        <PieceField at={`${at}.name`} label={`Name, item ${index + 1}`} />
        {(['where', 'count', 'again', ...keysOf(item.what)] as const).map((key) => (
          <PieceField key={key} at={`${at}.${key}`} />
        ))}
      </div>
      <Photos names={item.photos} />
      <Wrong message={message} />
    </li>
  );
}
