'use client';

import { Camera } from 'lucide-react';
import { useState } from 'react';
import type { Pocket } from '@/core/piece';
import { pocketAt, satInPhoto } from '@/core/seat-check';
import { FilePick } from '@/ui/kit/file-pick';
import { TakeOut, Wrong } from '@/ui/kit/fields/lists';
import { keepPhoto } from '@/ui/kit/photo';
import { useLength } from '@/ui/kit/settings';
import { usePlan, useSheet } from '@/ui/sheet/store';

/** Puts a pocket where a photo from straight above shows that somebody sat. */
export function SatFields({ pocket, at }: { pocket: Pocket; at: string }) {
  const plan = usePlan();
  const say = useLength();
  const { put, show } = useSheet((state) => state);
  const tracing = useSheet((state) => state.tracing);
  const [message, setMessage] = useState<string | null>(null);
  const sat = pocket.sat ?? null;
  const text = `${at}.sat`;
  const take = async (file: File) => {
    const saved = await keepPhoto(file);
    if ('message' in saved) return setMessage(saved.message);
    setMessage(put(text, { photo: saved.name, marks: [], points: [] }));
    show({ tracing: text });
  };
  const found = sat && plan ? satInPhoto(sat, plan.outline.points) : null;
  const back = () =>
    sat && put(text, sat.points.length > 0 ? { ...sat, points: sat.points.slice(0, -1) } : { ...sat, marks: sat.marks.slice(0, -1) });
  const use = () => {
    if (!found || typeof found === 'string') return;
    const wrong = put(at, pocketAt(pocket, found));
    setMessage(wrong);
    if (!wrong) show({ tracing: null });
  };
  return (
    <div className="py-1 text-xs">
      <div className="flex items-center gap-2">
        <FilePick label="Photo of where they sat" accept="image/*" onPick={(file) => void take(file)}>
          <Camera size={14} aria-hidden /> {sat ? 'Another photo' : 'Where they sat, by photo'}
        </FilePick>
        {sat && (
          <TakeOut
            what="the photo of where they sat"
            onClick={() => {
              put(text, null);
              show({ tracing: null });
            }}
          />
        )}
      </div>
      {sat && (
        <>
          <p role="status">
            {typeof found === 'string' ? `${found}.` : found ? `${say(found.width)} × ${say(found.length)} over both seat bones.` : ''}
          </p>
          <div className="flex flex-wrap gap-1 mt-1">
            <button
              type="button"
              className="btn btn-xs btn-outline font-normal"
              onClick={() => show({ tracing: tracing === text ? null : text })}
            >
              {tracing === text ? 'Back to the plan' : 'Show the photo'}
            </button>
            <button
              type="button"
              className="btn btn-xs btn-outline font-normal"
              disabled={!found || typeof found === 'string'}
              onClick={use}
            >
              Put the pocket there
            </button>
            <button
              type="button"
              className="btn btn-xs btn-ghost font-normal"
              disabled={sat.marks.length + sat.points.length === 0}
              onClick={back}
            >
              Back one
            </button>
          </div>
        </>
      )}
      <Wrong message={message} />
    </div>
  );
}
