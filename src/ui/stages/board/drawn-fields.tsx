'use client';

import { useMemo, useState } from 'react';
import { withMirror } from '@/core/base';
import { baseOutline, drawNodes, fitNodes, flatten, fold, offsetPolygon, offsetRounded } from '@/core/outline';
import type { BaseShape } from '@/core/piece';
import { LengthField, TickField } from '@/ui/kit/fields/fields';
import { Part, Wrong } from '@/ui/kit/fields/lists';
import { useLength } from '@/ui/kit/settings';

type DrawnShape = Extract<BaseShape, { type: 'drawn' }>;

/** What can be done to a free outline as a whole: mirror, fold, take off an offset. */
export function DrawnFields({ shape, name, onChange }: { shape: DrawnShape; name: string; onChange: (shape: BaseShape) => string | null }) {
  const say = useLength();
  const [rolled, setRolled] = useState(0);
  const [message, setMessage] = useState<string | null>(null);
  const polygon = useMemo(() => flatten(baseOutline(shape), 0.1), [shape]);
  const folded = useMemo(() => (shape.mirrored || polygon.length < 3 ? null : fold(polygon)), [shape.mirrored, polygon]);
  const offset = (round: boolean) => {
    const outline = (round ? offsetRounded : offsetPolygon)(polygon, rolled);
    if (!outline) return setMessage('Nothing is left after taking that off');
    setMessage(onChange({ type: 'drawn', mirrored: false, nodes: fitNodes(outline, 0.05) }));
  };
  return (
    <Part title="The whole outline" open>
      <TickField
        label="Half drawn, half mirrored"
        checked={shape.mirrored}
        onChange={(on) => {
          const next = withMirror(shape, on);
          setMessage(next ? onChange(next) : 'Both ends must cross the centre line. Move the outline over the middle first');
        }}
      />
      {folded && (
        <p className="text-xs" data-misfit>
          Folded about its centre the halves differ by {say(Math.round(folded.misfit * 10) / 10)} at most.{' '}
          {folded.misfit > 0.1 && (
            <button
              type="button"
              className="underline cursor-pointer"
              onClick={() => {
                const half = withMirror({ type: 'drawn', mirrored: false, nodes: fitNodes(folded.averaged, 0.1) }, true);
                if (half) setMessage(onChange(half));
              }}
            >
              Average both halves
            </button>
          )}
        </p>
      )}
      <LengthField
        label="Bow of this edge"
        hint="+ makes it larger; − takes off an old pad’s overhang or a rolled disc’s radius"
        name={`${name} rolled`}
        value={rolled}
        onCommit={(mm) => {
          if (Math.abs(mm) > 300) return 'At most 300 mm';
          setRolled(mm);
          return null;
        }}
      />
      <div className="flex gap-1">
        <button type="button" className="btn btn-sm btn-outline font-normal" disabled={rolled === 0} onClick={() => offset(false)}>
          Offset, sharp corners
        </button>
        <button type="button" className="btn btn-sm btn-outline font-normal" disabled={rolled === 0} onClick={() => offset(true)}>
          As rolled
        </button>
      </div>
      <Wrong message={message} />
      <p className="text-xs mt-1">
        {drawNodes(shape).outline.segments.length} lines, {shape.nodes.length} points. Points are moved in the plan, by arrow keys, or by
        typing.
      </p>
    </Part>
  );
}
