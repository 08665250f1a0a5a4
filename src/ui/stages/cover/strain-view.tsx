'use client';

import { useId, useMemo, useState } from 'react';
import type { StrainMap } from '@/core/cover';
import type { Give } from '@/core/flattening';
import { useSheet } from '@/ui/sheet/store';
import { STEPS, strainAreas, type By } from './strain-areas';

const NAMES: Record<By, string> = { share: 'Worst of all', warp: 'Along the warp', weft: 'Along the weft', bias: 'On the bias' };

/** All triangles as one path, to cut the areas off at the rim. */
function trianglesOf({ triangles, flat }: StrainMap): string {
  const words: string[] = [];
  for (let t = 0; t < triangles.length; t += 3) {
    const corner = (k: number): string => `${flat[2 * triangles[t + k]!]!.toFixed(2)} ${(-flat[2 * triangles[t + k]! + 1]!).toFixed(2)}`;
    words.push(`M${corner(0)}L${corner(1)}L${corner(2)}Z`);
  }
  return words.join('');
}

function MapOf({ map, by, give, name }: { map: StrainMap; by: By; give: Give; name: string }) {
  const { areas, rim, box } = useMemo(() => strainAreas(map, by, give), [map, by, give]);
  const whole = useMemo(() => trianglesOf(map), [map]);
  const id = `strain-${useId()}`;
  const edge = Math.max(box.w, box.h) * 0.02;
  return (
    <figure className="inline-block align-top m-1 max-w-full">
      <svg
        viewBox={`${box.x - edge} ${box.y - edge} ${box.w + 2 * edge} ${box.h + 2 * edge}`}
        style={{ width: Math.min(620, Math.max(180, box.w * 0.7)), maxHeight: 330 }}
        role="img"
        aria-label={`Strain of ${name}`}
        data-strain-map={map.piece}
      >
        <clipPath id={id}>
          <path d={whole} />
        </clipPath>
        <g clipPath={`url(#${id})`}>
          {areas.map((d, i) => (
            <path key={i} d={d} fill={STEPS[i]!.colour} />
          ))}
        </g>
        <path d={rim} fill="none" stroke="var(--ink)" strokeWidth={edge * 0.12} strokeLinecap="round" />
      </svg>
      <figcaption className="text-xs">{name}</figcaption>
    </figure>
  );
}

/** What every piece asks of its cloth, over its flat shape. */
export function StrainView() {
  const view = useSheet((state) => state.view)!;
  const [by, setBy] = useState<By>('share');
  const { cover } = view.plan;
  if (!cover) return null;
  const names = new Map(cover.pieces.map((piece) => [piece.id, piece.name]));
  const nameOf = (id: string) => names.get(id) ?? (id === 'top' ? 'Top panel' : id);
  return (
    // A region that scrolls must be reachable for those who scroll with keys.
    // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
    <section aria-label="Strain map" tabIndex={0} className="h-full overflow-y-auto px-3 pb-3 pt-9 relative">
      <div className="flex flex-wrap items-center gap-3 text-xs pb-1">
        <label htmlFor="strain-by">Show</label>
        <select
          id="strain-by"
          className="border border-base-content/40 rounded-sm bg-base-100 px-1 py-0.5"
          value={by}
          onChange={(event) => setBy(event.target.value as By)}
        >
          {(Object.keys(NAMES) as By[]).map((id) => (
            <option key={id} value={id}>
              {NAMES[id]}
            </option>
          ))}
        </select>
        {STEPS.map((step) => (
          <span key={step.says} className="flex items-center gap-1">
            <span className="inline-block size-3 border border-base-content/40" style={{ background: step.colour }} /> {step.says}
          </span>
        ))}
      </div>
      <p className="text-xs pb-1">
        This cloth gives {Math.round(view.give.warp * 1000) / 10} % along the warp, {Math.round(view.give.weft * 1000) / 10} % along the
        weft, {Math.round(view.give.bias * 1000) / 10} % on the bias.
        {cover.pieces[0]!.role === 'cover' && ' Of a pulled cover the top is shown: its sides are folded or relieved.'}
        {cover.fullness > 0.5 && ` Round its shoulder ${Math.round(cover.fullness)} mm are left over, to be worked in all round.`}
      </p>
      {view.strain.length === 0 && <p className="text-sm">Shown when the hand rests.</p>}
      {view.strain.map((map) => (
        <MapOf key={map.piece} map={map} by={by} give={view.give} name={nameOf(map.piece)} />
      ))}
    </section>
  );
}
