'use client';

import { ArrowDown, ArrowUp, Camera } from 'lucide-react';
import { useState } from 'react';
import type { Piece, StripItem, StripKind } from '@/core/piece';
import { reassembly } from '@/core/strip';
import { AddOne, freeId, TakeOut } from '@/ui/base/features';
import { ChoiceField, FigureField, LengthField, TextField } from '@/ui/kit/fields';
import { keepPhoto } from '@/ui/kit/photo';
import { NO_STRIP } from './strip-panel';

const WHAT: { id: StripKind; name: string }[] = [
  { id: 'fastener', name: 'Fasteners' },
  { id: 'cover', name: 'Cover piece' },
  { id: 'film', name: 'Film' },
  { id: 'wadding', name: 'Wadding' },
  { id: 'pad', name: 'Pad' },
  { id: 'screw', name: 'Screws' },
  { id: 'hardware', name: 'Hardware' },
  { id: 'strap', name: 'Straps' },
];
const AGAIN: { id: StripItem['again']; name: string }[] = [
  { id: 'replace', name: 'Replaced by new' },
  { id: 'refit', name: 'Goes back on' },
  { id: 'leave-off', name: 'Not wanted again' },
];
/** What usually happens to it. */
const USUAL: Record<StripKind, StripItem['again']> = {
  fastener: 'replace',
  cover: 'replace',
  film: 'replace',
  wadding: 'replace',
  pad: 'replace',
  screw: 'refit',
  hardware: 'refit',
  strap: 'refit',
};

type Props = { piece: Piece; name: string; apply: (next: Piece) => string | null };

/** What came off, in order, with photos; and the order it goes back on. */
export function StripList({ piece, name, apply }: Props) {
  const strip = piece.strip ?? NO_STRIP;
  const { items } = strip;
  const set = (next: StripItem[]) => apply({ ...piece, strip: { ...strip, items: next } });
  const add = (what: StripKind) => {
    const named = WHAT.find((kind) => kind.id === what)!.name;
    set([
      ...items,
      { id: freeId(items, 's'), what, name: named, where: '', count: 1, crown: 0, leg: 0, thickness: 0, again: USUAL[what], photos: [] },
    ]);
  };
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
              number={i + 1}
              name={`${name} ${item.id}`}
              last={i === items.length - 1}
              onChange={(next) => set(items.map((own, k) => (k === i ? next : own)))}
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
          {WHAT.map((kind) => (
            <AddOne key={kind.id} onClick={() => add(kind.id)}>
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

type ItemProps = {
  item: StripItem;
  number: number;
  name: string;
  last: boolean;
  onChange: (next: StripItem) => string | null;
  onMove: (by: 1 | -1) => void;
  onTakeOut: () => void;
};

function Item({ item, number, name, last, onChange, onMove, onTakeOut }: ItemProps) {
  const [message, setMessage] = useState<string | null>(null);
  const put = (change: Partial<StripItem>) => onChange({ ...item, ...change });
  const photo = async (file: File) => {
    const kept = await keepPhoto(file);
    if ('message' in kept) return setMessage(kept.message);
    setMessage(item.photos.includes(kept.name) ? 'This photo is here already' : put({ photos: [...item.photos, kept.name] }));
  };
  const measured = item.what === 'fastener' || item.what === 'screw';
  return (
    <li className="border-t border-base-content/25 py-2" data-strip-item={item.what}>
      <div className="flex items-center gap-1">
        <span className="text-sm font-semibold">
          {number}. {WHAT.find((kind) => kind.id === item.what)!.name}
        </span>
        <button
          type="button"
          className="p-1.5 ml-auto rounded-sm hover:bg-base-200 disabled:opacity-30"
          disabled={number === 1}
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
              if (file) void photo(file);
            }}
          />
        </label>
        <TakeOut what={`item ${number}`} onClick={onTakeOut} />
      </div>
      <div className="grid grid-cols-2 gap-x-4">
        <TextField
          label={`Name, item ${number}`}
          name={`${name} n`}
          value={item.name}
          onCommit={(text) => (text.trim() ? put({ name: text.slice(0, 120) }) : 'It needs a name')}
        />
        <TextField
          label="Where it sat, and marks"
          name={`${name} w`}
          value={item.where}
          onCommit={(where) => put({ where: where.slice(0, 400) })}
        />
        <FigureField
          label="How many"
          whole
          name={`${name} c`}
          value={item.count}
          onCommit={(count) => (count < 1 || count > 9999 ? '1 to 9999' : put({ count }))}
        />
        <ChoiceField label="Then" value={item.again} options={AGAIN} onChange={(again) => put({ again })} />
        {measured && (
          <LengthField
            label="Crown or head"
            hint="nothing if not measured"
            name={`${name} k`}
            value={item.crown}
            onCommit={(crown) => put({ crown })}
          />
        )}
        {measured && <LengthField label="Leg or length" name={`${name} l`} value={item.leg} onCommit={(leg) => put({ leg })} />}
        {(item.what === 'pad' || item.what === 'wadding') && (
          <LengthField label="Thickness" name={`${name} t`} value={item.thickness} onCommit={(thickness) => put({ thickness })} />
        )}
      </div>
      <Photos names={item.photos} />
      {message && (
        <p role="alert" className="text-xs text-error">
          {message}
        </p>
      )}
    </li>
  );
}
