'use client';

import { useState } from 'react';
import { freeId, STRIP_KINDS, type Pin, type StripRecord } from '@/core/piece';
import { TakeOut, Wrong } from '@/ui/kit/fields/lists';
import { keepPhoto } from '@/ui/kit/photo';
import { PhotoButton } from '@/ui/kit/photo-button';
import { PinnedPhoto, pinsOf } from '@/ui/kit/pinned-photo';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { usePiece, useSheet } from '@/ui/sheet/store';
import { useStrip } from './use-strip';

/** A photo and what it is of. */
type Kept = { name: string; of: string };

/** Every photo of the record, of the whole first. */
export function photosOf({ photos = [], items }: StripRecord): Kept[] {
  const all = [
    ...photos.map((name) => ({ name, of: 'the whole' })),
    ...items.flatMap((item) =>
      item.photos.map((name) => ({ name, of: item.name || STRIP_KINDS.find(({ id }) => id === item.what)!.name.toLowerCase() })),
    ),
  ];
  return all.filter(({ name }, k) => all.findIndex((candidate) => candidate.name === name) === k);
}

/** The record without one of its photos and the pins on it. */
export function withoutPhoto(strip: StripRecord, name: string): StripRecord {
  const rest = (photos: readonly string[]) => photos.filter((photo) => photo !== name);
  return {
    ...strip,
    items: strip.items.map((item) => ({ ...item, photos: rest(item.photos) })),
    ...(strip.photos ? { photos: rest(strip.photos) } : {}),
    ...(strip.pins ? { pins: strip.pins.filter(({ photo }) => photo !== name) } : {}),
  };
}

/** What each pin of a photo says, to be typed. */
function PinTexts({ photo }: { photo: string }) {
  const { strip, put } = useStrip();
  const pins = strip.pins ?? [];
  return pins.map((pin, k) =>
    pin.photo === photo ? (
      <div key={pin.id} className="flex items-start gap-1">
        <div className="flex-1">
          <PieceField at={`strip.pins.${k}.text`} label={`Pin ${k + 1}`} />
        </div>
        <TakeOut what={`pin ${k + 1}`} onClick={() => put({ pins: pins.filter(({ id }) => id !== pin.id) })} />
      </div>
    ) : null,
  );
}

/** The photo that lies on the desk, large, and its pins. */
function Desk({ photo, of }: { photo: string; of: string }) {
  const { strip, put } = useStrip();
  const piece = usePiece();
  const follow = useSheet((state) => state.follow);
  const whole = useSheet((state) => state.put);
  const pins = strip.pins ?? [];
  const add = (x: number, y: number) => put({ pins: [...pins, { id: freeId(pins, 'n'), photo, x, y, text: '' }] });
  const move = (pin: Pin, x: number, y: number, done: boolean) =>
    follow({ ...piece, strip: { ...strip, pins: pins.map((item) => (item.id === pin.id ? { ...item, x, y } : item)) } }, !done);
  return (
    <div className="flex flex-wrap gap-4" data-desk={photo}>
      <PinnedPhoto
        photo={photo}
        alt={`As it was: ${of}`}
        pins={pinsOf(pins, photo)}
        className="max-h-[46vh] max-w-full w-auto"
        onMove={move}
        onPut={add}
      />
      <div className="flex-1 min-w-56">
        <p className="text-sm">Press on the photo where something is to be remembered: it is shown again when that goes back on.</p>
        <PinTexts photo={photo} />
        <div className="flex flex-wrap gap-2 pt-2">
          <button type="button" className="btn btn-outline min-h-12 font-normal" onClick={() => add(0.5, 0.5)}>
            Pin in the middle
          </button>
          <button type="button" className="btn btn-ghost min-h-12 font-normal" onClick={() => whole('strip', withoutPhoto(strip, photo))}>
            Take this photo out
          </button>
        </div>
      </div>
    </div>
  );
}

/** Photos first, and large: taken with a glove on, pinned with a finger. */
export function PhotoDesk() {
  const { strip, put } = useStrip();
  const all = photosOf(strip);
  const [chosen, setChosen] = useState<string | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const shown = all.find(({ name }) => name === chosen) ?? all[0];
  const take = async (file: File) => {
    const saved = await keepPhoto(file);
    if ('message' in saved) return setMessage(saved.message);
    setChosen(saved.name);
    setMessage(all.some(({ name }) => name === saved.name) ? null : put({ photos: [...(strip.photos ?? []), saved.name] }));
  };
  return (
    <section aria-label="Photos" className="pb-4">
      <div className="flex flex-wrap items-center gap-3 pb-3">
        <PhotoButton large label="Photo of the whole" onPhoto={(file) => void take(file)}>
          Take a photo
        </PhotoButton>
        {all.length === 0 && (
          <p className="text-base max-w-md">Before anything comes off: the whole, every corner, and how the cloth runs.</p>
        )}
        {all.map(({ name, of }, k) => (
          <button
            key={name}
            type="button"
            aria-pressed={name === shown?.name}
            aria-label={`Photo ${k + 1}, ${of}`}
            className={`border-2 ${name === shown?.name ? 'border-secondary' : 'border-transparent'}`}
            onClick={() => setChosen(name)}
          >
            {/* Kept photos are of this workshop alone and are shown as they are. */}
            <img src={`/api/photos/${name}`} alt="" className="size-16 object-cover" />
          </button>
        ))}
      </div>
      <Wrong message={message} />
      {shown && <Desk key={shown.name} photo={shown.name} of={shown.of} />}
    </section>
  );
}
