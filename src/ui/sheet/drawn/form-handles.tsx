'use client';

import { useRef } from 'react';
import { formOf, type PadProfile } from '@/core/pad-forms';
import { heightAt, type Section } from '@/core/padding';
import { formedPad } from '@/core/piece';
import { Handle, type Drag } from '@/ui/drawing/handle';
import { useLength } from '@/ui/kit/settings';
import { usePiece, useSheet } from '../store';

/** Handles on the section for the form of every pad's top: drawn up and down for how deep, along for where. */
export function FormHandles({ section, size }: { section: Section; size: number }) {
  const piece = usePiece();
  const say = useLength();
  const follow = useSheet((state) => state.follow);
  const from = useRef<number | null>(null);
  const outlines = useSheet((state) => state.view?.padOutlines);
  const put = (index: number, profile: PadProfile, live: boolean) =>
    follow({ ...piece, pads: piece.pads.map((pad, i) => (i === index ? { ...pad, profile } : pad)) }, live);
  return (
    <>
      {piece.pads.flatMap((pad, index) => {
        const outline = outlines?.find(({ id }) => id === pad.id)?.points;
        const cut = section.pads.find(({ id }) => id === pad.id);
        if (!pad.profile || !outline || !cut) return [];
        const form = formOf(pad.profile);
        const sign = form.up ? 1 : -1;
        return form
          .handles(pad.profile, section, formedPad(pad), Math.min(...outline.map(([, y]) => y)))
          .filter(({ x }) => x >= cut.left - 1 && x <= cut.right + 1)
          .map(({ key, label, x, value, moved }) => (
            <Handle
              key={`${pad.id} ${key}`}
              x={x}
              y={heightAt(cut.upper, Math.min(cut.right, Math.max(cut.left, x))) ?? 0}
              size={size * 0.36}
              shape="square"
              label={label}
              value={value}
              says={say(value)}
              onDrag={({ dx, dy, start }: Drag, done) => {
                // The handle goes with its place: how far it has come is counted from where the drag began.
                from.current ??= x;
                put(index, moved(start + sign * dy, from.current + dx - x), !done);
                if (done) from.current = null;
              }}
              onNudge={(by, way) => put(index, way === 'vertical' ? moved(value + sign * by, 0) : moved(value, by), false)}
            />
          ));
      })}
    </>
  );
}
