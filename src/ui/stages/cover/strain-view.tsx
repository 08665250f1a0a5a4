'use client';

import { useMemo, useState } from 'react';
import type { StrainMap } from '@/core/cover';
import { shareOf, type Give } from '@/core/flattening';
import { useSheet } from '@/ui/sheet/store';

/** Steps of the map: how much of its give the cloth is asked for, a colour, and a hatch for those who see none. */
const STEPS = [
  { to: 0.25, colour: '#eef0e4', says: 'up to a quarter' },
  { to: 0.5, colour: '#d9dfb8', says: 'to half' },
  { to: 0.75, colour: '#e6c88a', says: 'to three quarters' },
  { to: 1, colour: '#d99a5b', says: 'to all it gives' },
  { to: Infinity, colour: '#a8323e', says: 'more than it gives' },
] as const;

type By = 'share' | 'warp' | 'weft' | 'bias';
const NAMES: Record<By, string> = { share: 'Worst of all', warp: 'Along the warp', weft: 'Along the weft', bias: 'On the bias' };

function valueOf(map: StrainMap, t: number, by: By, give: Give): number {
  if (by === 'share') return shareOf(map.warp[t]!, map.weft[t]!, map.bias[t]!, give);
  return Math.abs(map[by][t]!) / give[by];
}

function MapOf({ map, by, give, name }: { map: StrainMap; by: By; give: Give; name: string }) {
  const { paths, box } = useMemo(() => {
    const groups = STEPS.map(() => [] as string[]);
    let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
    for (let t = 0; t < map.triangles.length / 3; t++) {
      const corner = [0, 1, 2].map((k) => {
        const node = map.triangles[3 * t + k]!;
        const [x, y] = [map.flat[2 * node]!, map.flat[2 * node + 1]!];
        [x0, x1, y0, y1] = [Math.min(x0, x), Math.max(x1, x), Math.min(y0, y), Math.max(y1, y)];
        return `${x.toFixed(1)} ${(-y).toFixed(1)}`;
      });
      const value = valueOf(map, t, by, give);
      groups[STEPS.findIndex((step) => value <= step.to)]!.push(`M${corner.join('L')}Z`);
    }
    return { paths: groups.map((group) => group.join('')), box: { x: x0, y: -y1, w: x1 - x0, h: y1 - y0 } };
  }, [map, by, give]);
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
        {paths.map((d, i) =>
          d ? <path key={i} d={d} fill={STEPS[i]!.colour} stroke={STEPS[i]!.colour} strokeWidth={edge * 0.06} /> : null,
        )}
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
