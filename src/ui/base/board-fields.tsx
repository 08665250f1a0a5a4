'use client';

import { TriangleAlert } from 'lucide-react';
import { BOARDS } from '@/core/foam';
import { inUnit } from '@/core/length';
import { kindOf, type Frame, type Piece, type Support } from '@/core/piece';
import type { Plan } from '@/core/plan';
import { ChoiceField, FigureField, LengthField } from '@/ui/kit/fields';
import { useLength, useSettings } from '@/ui/kit/settings';
import { AddOne, Part, TakeOut, type BaseProps } from './features';

const SUPPORTS: { id: Support; name: string }[] = [
  { id: 'frame', name: 'A frame all round' },
  { id: 'two-rails', name: 'Two rails, left and right' },
  { id: 'four-points', name: 'Four points' },
  { id: 'solid', name: 'Solid below' },
];

const degrees = (radians: number) => `${Math.round(((radians * 180) / Math.PI) * 10) / 10}°`;

/** Board, what carries it, and what it does under its load, with a cure to take where it is too weak. */
export function BoardFields({ base, name, set, piece, plan }: BaseProps & { piece: Piece; plan: Plan | null }) {
  const { unit } = useSettings();
  const check = plan?.base.board;
  return (
    <>
      <ChoiceField
        label="Board"
        value={base.board.material}
        options={BOARDS}
        onChange={(material) => set({ board: { ...base.board, material } })}
      />
      <LengthField
        label="Board thickness"
        name={`${name} board`}
        value={base.board.thickness}
        onCommit={(thickness) => set({ board: { ...base.board, thickness } })}
      />
      <ChoiceField
        label="Carried by"
        value={base.supports ?? kindOf(piece.kind).supports}
        options={SUPPORTS}
        onChange={(supports) => set({ supports })}
      />
      {check && (
        <div
          className={`text-xs border-l-3 pl-2 my-1 ${check.verdict === 'good' || check.verdict === 'moulded' ? 'border-success' : 'border-error text-error'}`}
          data-board={check.verdict}
        >
          {check.verdict !== 'good' && check.verdict !== 'moulded' && <TriangleAlert size={14} aria-hidden className="inline mr-1" />}
          {inUnit(check.words, unit)}
          {check.rib && inUnit(` A rib of ${check.rib.width} × ${check.rib.height} mm across the middle would carry it.`, unit)}
          {check.thickness && (
            <button
              type="button"
              className="underline cursor-pointer block mt-0.5"
              onClick={() => set({ board: { ...base.board, thickness: check.thickness! } })}
            >
              {inUnit(`Take ${check.thickness} mm`, unit)}
            </button>
          )}
        </div>
      )}
    </>
  );
}

const FRAME: Frame = { width: 45, thickness: 20, inset: 20, ribs: 1, stock: 2400, kerf: 3 };

/** The frame of battens and its cut list. */
export function FrameFields({ base, name, set, plan }: BaseProps & { plan: Plan | null }) {
  const say = useLength();
  const { frame } = base;
  const cuts = plan?.base.frame;
  const put = (change: Partial<Frame>) => set({ frame: { ...frame!, ...change } });
  return (
    <Part title="Frame of battens" count={frame ? 1 : 0}>
      {!frame && <AddOne onClick={() => set({ frame: FRAME })}>Frame</AddOne>}
      {frame && (
        <>
          <div className="flex">
            <TakeOut what="the frame" onClick={() => set({ frame: null })} />
          </div>
          <LengthField label="Batten width" name={`${name} fw`} value={frame.width} onCommit={(width) => put({ width })} />
          <LengthField label="Batten thickness" name={`${name} ft`} value={frame.thickness} onCommit={(thickness) => put({ thickness })} />
          <LengthField label="In from the edge" name={`${name} fi`} value={frame.inset} onCommit={(inset) => put({ inset })} />
          <FigureField
            label="Ribs"
            name={`${name} fr`}
            whole
            value={frame.ribs}
            onCommit={(ribs) => (ribs < 0 || ribs > 20 ? '0 to 20 ribs' : put({ ribs }))}
          />
          <LengthField label="Stock length" name={`${name} fs`} value={frame.stock} onCommit={(stock) => put({ stock })} />
          <LengthField label="Saw kerf" name={`${name} fk`} value={frame.kerf} onCommit={(kerf) => put({ kerf })} />
          {cuts && (
            <table className="text-xs w-full mt-1" aria-label="Batten cut list">
              <tbody>
                {cuts.battens.map((batten) => (
                  <tr key={batten.name}>
                    <td>{batten.name}</td>
                    <td className="text-right">{say(Math.round(batten.length))}</td>
                    <td className="text-right">
                      {degrees(batten.mitres[0])} / {degrees(batten.mitres[1])}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          {cuts && (
            <p className="text-xs mt-1">
              {cuts.lengths.length} stock {cuts.lengths.length === 1 ? 'length' : 'lengths'}; left over{' '}
              {cuts.left.map((mm) => say(Math.round(mm))).join(', ') || 'none'}
              {cuts.tooLong.length > 0 && `. Longer than stock: ${cuts.tooLong.join(', ')}`}
            </p>
          )}
        </>
      )}
    </Part>
  );
}

/** Strips with their mitres and trims with their bends, as they were worked out. */
export function EdgeWork({ plan }: { plan: Plan | null }) {
  const say = useLength();
  if (!plan || (plan.base.strips.length === 0 && plan.base.trims.length === 0)) return null;
  return (
    <section aria-label="Edge strips and trims" className="text-xs py-1">
      {plan.base.strips.map((strip) => (
        <p key={strip.edge}>
          {strip.edge} strip: {say(Math.round(strip.length * 10) / 10)} outside, {say(Math.round(strip.inside * 10) / 10)} inside; mitres{' '}
          {degrees(strip.startMitre)} and {degrees(strip.endMitre)}
        </p>
      ))}
      {plan.base.trims.map((trim) => (
        <p key={trim.edge} className={trim.laminations > 1 ? 'text-warning' : ''}>
          {trim.edge} trim:{' '}
          {trim.radius === null
            ? 'straight, no bend'
            : trim.laminations === 1
              ? `bends: the tightest radius is ${say(Math.round(trim.radius))}`
              : `too thick for a radius of ${say(Math.round(trim.radius))}: glue up ${trim.laminations} layers of ${say(Math.round(trim.layer * 10) / 10)}`}
        </p>
      ))}
    </section>
  );
}
