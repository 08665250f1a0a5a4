'use client';

import { Plus, Trash2 } from 'lucide-react';
import type { ReactNode } from 'react';
import { baseOutline, measuredOutline, notchPlaces } from '@/core/outline';
import type { Base, EdgeFact, Hardware, Hole, Notch } from '@/core/piece';
import { ChoiceField, LengthField } from '@/ui/kit/fields';

/** Shared by the parts of the Base stage: the base, and a way to change it that answers what is wrong. */
export type BaseProps = { base: Base; name: string; set: (change: Partial<Base>) => string | null };

/** A free id for one more of a list. */
export function freeId(list: readonly { id: string }[], stem: string): string {
  for (let n = 1; ; n++) if (list.every((item) => item.id !== `${stem}-${n}`)) return `${stem}-${n}`;
}

/** A part of the Base stage that opens: its name, and how much is in it. */
export function Part({ title, count, children, open }: { title: string; count?: number; children: ReactNode; open?: boolean }) {
  return (
    <details className="border-t border-base-content/25 py-1" open={open ?? (count ?? 0) > 0}>
      <summary className="cursor-pointer text-sm font-semibold py-1">
        {title}
        {count ? <span className="font-normal"> ({count})</span> : null}
      </summary>
      <div className="pb-1">{children}</div>
    </details>
  );
}

/** A button that takes one thing of a list out. */
export function TakeOut({ what, onClick }: { what: string; onClick: () => void }) {
  return (
    <button type="button" className="p-1.5 rounded-sm hover:bg-base-200 ml-auto" aria-label={`Take ${what} out`} onClick={onClick}>
      <Trash2 size={15} aria-hidden />
    </button>
  );
}

/** A button that adds one. */
export function AddOne({ children, onClick }: { children: ReactNode; onClick: () => void }) {
  return (
    <button type="button" className="btn btn-sm btn-outline font-normal mr-1 mt-1" onClick={onClick}>
      <Plus size={14} aria-hidden /> {children}
    </button>
  );
}

/** Notches for posts, at a corner or in an edge. */
export function Notches({ base, name, set }: BaseProps) {
  const notches = base.notches ?? [];
  const { corners, edges } = notchPlaces(measuredOutline(base.shape).outline);
  const change = (i: number, next: Partial<Notch>) => set({ notches: notches.map((n, k) => (k === i ? { ...n, ...next } : n)) });
  const add = (at: Notch['at'][]) =>
    set({
      notches: at.reduce<Notch[]>((all, place) => [...all, { id: freeId(all, 'n'), at: place, width: 40, depth: 45 }], notches),
    });
  const backs = corners.filter((corner) => /^(back|top) /.test(corner));
  return (
    <Part title="Notches" count={notches.length}>
      {notches.map((notch, i) => (
        <fieldset key={notch.id} className="border-l-2 border-base-content/25 pl-2 mb-2">
          <div className="flex items-center">
            <legend className="text-sm">Notch {i + 1}</legend>
            <TakeOut what={`notch ${i + 1}`} onClick={() => set({ notches: notches.filter((_, k) => k !== i) })} />
          </div>
          <ChoiceField
            label="Where"
            value={notch.at.kind === 'corner' ? notch.at.corner : `edge ${notch.at.edge}`}
            options={[...corners.map((id) => ({ id, name: id })), ...edges.map((id) => ({ id: `edge ${id}`, name: `${id} edge` }))]}
            onChange={(id) =>
              change(i, { at: id.startsWith('edge ') ? { kind: 'edge', edge: id.slice(5), along: 0 } : { kind: 'corner', corner: id } })
            }
          />
          {notch.at.kind === 'edge' && (
            <LengthField
              label="From its middle"
              name={`${name} ${notch.id} along`}
              value={notch.at.along}
              onCommit={(along) => change(i, { at: { ...notch.at, along } as Notch['at'] })}
            />
          )}
          <LengthField
            label={`Width, notch ${i + 1}`}
            name={`${name} ${notch.id} w`}
            value={notch.width}
            onCommit={(width) => change(i, { width })}
          />
          <LengthField
            label={`Depth, notch ${i + 1}`}
            name={`${name} ${notch.id} d`}
            value={notch.depth}
            onCommit={(depth) => change(i, { depth })}
          />
        </fieldset>
      ))}
      {backs.length >= 2 && notches.length === 0 && (
        <AddOne onClick={() => add(backs.slice(0, 2).map((corner) => ({ kind: 'corner', corner })))}>Both back posts</AddOne>
      )}
      <AddOne onClick={() => add([edges[0] ? { kind: 'edge', edge: edges[0], along: 0 } : { kind: 'corner', corner: corners[0]! }])}>
        Notch
      </AddOne>
    </Part>
  );
}

/** Holes through the board, round or square. */
export function Holes({ base, name, set }: BaseProps) {
  const holes = base.holes ?? [];
  const put = (i: number, hole: Hole) => set({ holes: holes.map((h, k) => (k === i ? hole : h)) });
  return (
    <Part title="Holes" count={holes.length}>
      {holes.map((hole, i) => (
        <fieldset key={hole.id} className="border-l-2 border-base-content/25 pl-2 mb-2">
          <div className="flex items-center">
            <legend className="text-sm">
              {hole.kind === 'round' ? 'Round hole' : 'Slot'} {i + 1}
            </legend>
            <TakeOut what={`hole ${i + 1}`} onClick={() => set({ holes: holes.filter((_, k) => k !== i) })} />
          </div>
          <LengthField label="Right of middle" name={`${name} ${hole.id} x`} value={hole.x} onCommit={(x) => put(i, { ...hole, x })} />
          <LengthField label="Back of middle" name={`${name} ${hole.id} y`} value={hole.y} onCommit={(y) => put(i, { ...hole, y })} />
          {hole.kind === 'round' ? (
            <LengthField
              label="Diameter"
              name={`${name} ${hole.id} d`}
              value={hole.diameter}
              onCommit={(diameter) => put(i, { ...hole, diameter })}
            />
          ) : (
            <>
              <LengthField
                label="Across"
                name={`${name} ${hole.id} w`}
                value={hole.width}
                onCommit={(width) => put(i, { ...hole, width })}
              />
              <LengthField
                label="Front to back"
                name={`${name} ${hole.id} h`}
                value={hole.height}
                onCommit={(height) => put(i, { ...hole, height })}
              />
            </>
          )}
        </fieldset>
      ))}
      <AddOne onClick={() => set({ holes: [...holes, { id: freeId(holes, 'h'), kind: 'round', x: 0, y: 0, diameter: 20 }] })}>Round</AddOne>
      <AddOne onClick={() => set({ holes: [...holes, { id: freeId(holes, 'h'), kind: 'slot', x: 0, y: 0, width: 80, height: 25 }] })}>
        Slot
      </AddOne>
    </Part>
  );
}

const HARDWARE: { id: Hardware['kind']; name: string; diameter: number; length: number }[] = [
  { id: 'insert', name: 'Threaded insert', diameter: 10, length: 9 },
  { id: 'bolt', name: 'Bolt', diameter: 8, length: 12 },
  { id: 'screw', name: 'Screw', diameter: 5, length: 10 },
  { id: 'cleat', name: 'Cleat', diameter: 40, length: 6 },
];

/** Inserts, bolts, screws and cleats: drawn on the plan, kept clear of staples. */
export function HardwareList({ base, name, set }: BaseProps) {
  const list = base.hardware ?? [];
  const put = (i: number, next: Partial<Hardware>) => set({ hardware: list.map((h, k) => (k === i ? { ...h, ...next } : h)) });
  return (
    <Part title="Hardware" count={list.length}>
      {list.map((item, i) => (
        <fieldset key={item.id} className="border-l-2 border-base-content/25 pl-2 mb-2">
          <div className="flex items-center">
            <legend className="text-sm">Number {i + 1}</legend>
            <TakeOut what={`hardware ${i + 1}`} onClick={() => set({ hardware: list.filter((_, k) => k !== i) })} />
          </div>
          <ChoiceField label="What" value={item.kind} options={HARDWARE} onChange={(kind) => put(i, { kind })} />
          <LengthField label="Right of middle" name={`${name} ${item.id} x`} value={item.x} onCommit={(x) => put(i, { x })} />
          <LengthField label="Back of middle" name={`${name} ${item.id} y`} value={item.y} onCommit={(y) => put(i, { y })} />
          <LengthField label="Diameter" name={`${name} ${item.id} d`} value={item.diameter} onCommit={(diameter) => put(i, { diameter })} />
          <LengthField label="Length" name={`${name} ${item.id} l`} value={item.length} onCommit={(length) => put(i, { length })} />
        </fieldset>
      ))}
      {HARDWARE.slice(0, 2).map((kind) => (
        <AddOne
          key={kind.id}
          onClick={() => {
            const length = Math.min(kind.length, base.board.thickness);
            set({ hardware: [...list, { id: freeId(list, 'f'), kind: kind.id, x: 0, y: 0, diameter: kind.diameter, length }] });
          }}
        >
          {kind.name}
        </AddOne>
      ))}
    </Part>
  );
}

const FACT = { fasten: true, visible: true, against: false, strip: null, trim: 0 };

/** What is known of each edge: fastened or not, seen, against a frame, edged with a strip or a trim. */
export function Edges({ base, name, set }: BaseProps) {
  const edges = base.edges ?? [];
  const { edges: names } = notchPlaces(baseOutline(base.shape, base.notches));
  const known = names.filter((edge) => !edge.startsWith('notch '));
  const fact = (edge: string): EdgeFact => edges.find((own) => own.edge === edge) ?? { edge, ...FACT };
  const put = (edge: string, change: Partial<EdgeFact>) =>
    set({ edges: [...edges.filter((own) => own.edge !== edge), { ...fact(edge), ...change }] });
  const tick = (edge: string, key: 'fasten' | 'visible' | 'against', words: string) => (
    <label className="relative flex items-center gap-1.5 text-sm">
      <input
        type="checkbox"
        className="size-4 accent-(--color-secondary)"
        checked={fact(edge)[key]}
        aria-label={`${words}, ${edge}`}
        onChange={(event) => put(edge, { [key]: event.target.checked })}
      />
      {words}
    </label>
  );
  return (
    <Part title="Edges" count={edges.length}>
      {known.map((edge) => {
        const own = fact(edge);
        return (
          <fieldset key={edge} className="border-l-2 border-base-content/25 pl-2 mb-2">
            <legend className="text-sm font-semibold">{edge}</legend>
            <div className="flex flex-wrap gap-x-3">
              {tick(edge, 'fasten', 'Fastened')}
              {tick(edge, 'visible', 'Seen')}
              {tick(edge, 'against', 'Against a frame')}
            </div>
            <LengthField
              label="Hard-edge strip, width"
              hint="nothing for none"
              name={`${name} ${edge} strip`}
              value={own.strip?.width ?? 0}
              onCommit={(width) => put(edge, { strip: width > 0 ? { width, thickness: own.strip?.thickness ?? 5 } : null })}
            />
            {own.strip && (
              <LengthField
                label="Strip thickness"
                name={`${name} ${edge} st`}
                value={own.strip.thickness}
                onCommit={(thickness) => put(edge, { strip: { ...own.strip!, thickness } })}
              />
            )}
            <LengthField
              label="Edge trim, thickness"
              hint="nothing for none"
              name={`${name} ${edge} trim`}
              value={own.trim}
              onCommit={(trim) => put(edge, { trim })}
            />
          </fieldset>
        );
      })}
    </Part>
  );
}
