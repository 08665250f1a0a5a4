'use client';

import { useEffect, useState } from 'react';
import { inUnit, rollLength } from '@/core/length';
import type { Shelf, WithinCloth } from '@/core/plan';
import { LengthField } from '@/ui/kit/fields/fields';
import { Part } from '@/ui/kit/fields/lists';
import { useSettings } from '@/ui/kit/settings';
import { useJob } from '@/ui/kit/worker/use-job';
import { usePiece, useSheet } from '@/ui/sheet/store';

/** Whether it is enough, in a sentence. */
function saysEnough({ takes, have, ways, short, pieces }: WithinCloth, count: number, say: (mm: number) => string): string {
  if (takes <= have) return `It is enough: ${say(have - takes)} is left.`;
  const out = count > 1 ? ` As planned, ${pieces === 0 ? 'none' : pieces} of the ${count} can be cut from it.` : '';
  if (ways.length > 0) return `${say(takes - have)} short.${out} It is enough with ${ways.length > 1 ? 'one of these' : 'this'}:`;
  return `${say(short)} short, even with every allowance at its least.${out} A second cloth for a part that shows least is chosen on Cover.`;
}

/** How far a length gets that is all there is: enough or not, and what to change so that it is. */
export function OnlySoMuch({ shelf }: { shelf: Shelf | null }) {
  const piece = usePiece();
  const house = useSheet((state) => state.house);
  const apply = useSheet((state) => state.apply);
  const { unit } = useSettings();
  const [have, setHave] = useState<number | null>(null);
  const { start, stop, running, done, wrong, answer } = useJob('within');
  useEffect(() => {
    if (have === null) return;
    start({ piece, house, have, ...(shelf ? { shelf } : {}) });
    return stop;
  }, [piece, house, have, shelf, start, stop]);
  const say = (mm: number): string => rollLength(mm, unit);
  return (
    <div data-within={have === null || running ? '' : (answer?.ways.length ?? '')}>
      <Part title="Only so much cloth">
        <LengthField
          label="Cloth you have"
          name="cloth you have"
          hint="where there is no more to be had"
          value={have}
          onCommit={(next) => {
            setHave(next);
            return null;
          }}
        />
        {running && (
          <p className="text-xs flex items-center gap-2" role="status">
            Laying it out on that… <progress className="progress w-20" value={done} aria-label="Ways tried" />
          </p>
        )}
        {wrong && <p className="text-xs text-error">{wrong}</p>}
        {have !== null && !running && answer && (
          <>
            <p className="text-sm" role="status">
              {saysEnough(answer, piece.count, say)}
            </p>
            <ul className="space-y-2 pt-1">
              {answer.ways.map((way) => (
                <li key={way.id} className="text-sm border-l-3 border-secondary pl-2" data-way={way.id}>
                  {inUnit(way.words, unit)}
                  <button type="button" className="btn btn-sm btn-outline font-normal mt-1 block" onClick={() => apply(way.apply)}>
                    Do this
                  </button>
                </li>
              ))}
            </ul>
          </>
        )}
      </Part>
    </div>
  );
}
