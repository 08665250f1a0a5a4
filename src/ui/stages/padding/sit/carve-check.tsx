'use client';

import { useState } from 'react';
import { inUnit } from '@/core/length';
import { carveCheck, type CarvePair } from '@/core/seat-check';
import { LengthField } from '@/ui/kit/fields/fields';
import { useSettings } from '@/ui/kit/settings';

/** Depths read left and right of a carved pocket, at the same distances, and whether they are alike. */
export function CarveCheck({ name }: { name: string }) {
  const { unit } = useSettings();
  const [pairs, setPairs] = useState<(CarvePair | null)[]>([null, null, null]);
  const set = (i: number, change: Partial<CarvePair>): string | null => {
    const value = Object.values(change)[0]!;
    if (!(value >= 0 && value <= 300)) return 'A depth of 0 to 300 mm';
    setPairs(pairs.map((pair, k) => (k === i ? { left: 0, right: 0, ...pair, ...change } : pair)));
    return null;
  };
  const read = pairs.filter((pair): pair is CarvePair => pair !== null);
  const verdict = read.length > 0 ? carveCheck(read) : null;
  return (
    <details>
      <summary className="cursor-pointer text-xs py-1">Left and right, by readings</summary>
      {pairs.map((pair, i) => (
        <div key={i} className="grid grid-cols-2 gap-2">
          <LengthField
            label={`${i + 1} left`}
            name={`${name} carve l${i}`}
            value={pair?.left ?? null}
            onCommit={(left) => set(i, { left })}
            bare
          />
          <LengthField
            label={`${i + 1} right`}
            name={`${name} carve r${i}`}
            value={pair?.right ?? null}
            onCommit={(right) => set(i, { right })}
            bare
          />
        </div>
      ))}
      {verdict && (
        <p className={`text-xs ${verdict.alike ? '' : 'text-error'}`} role="status">
          {inUnit(verdict.words, unit)}
        </p>
      )}
    </details>
  );
}
