'use client';

import { useRef } from 'react';
import { heightAt, type Section } from '@/core/padding';
import type { Pad, PadProfile } from '@/core/piece';
import { Handle, type Drag } from '@/ui/drawing/handle';
import { useLength } from '@/ui/kit/settings';
import { usePiece, useSheet } from '../store';

/** How far along the cut a place lies that is so far behind the middle; null where the cut does not run there. */
function alongCut({ origin, direction }: Section, y: number): number | null {
  return Math.abs(direction[1]) < 0.2 ? null : (y - origin[1]) / direction[1];
}

type Held = { key: string; label: string; x: number; value: number; moved: (by: number, along: number) => PadProfile };

const least = (mm: number): number => Math.max(1, Math.round(mm));

/** What of a form can be taken hold of where the cut passes: its depth and place, or every point of its side. */
function heldOf(pad: Pad, section: Section, near: number): Held[] {
  const { profile } = pad;
  const { origin, direction } = section;
  switch (profile?.kind) {
    case 'hollow': {
      // The foot of its middle on the cut; a cut that passes beside it takes hold of nothing.
      const x = (profile.x - origin[0]) * direction[0] + (profile.y - origin[1]) * direction[1];
      const off = Math.hypot(origin[0] + direction[0] * x - profile.x, origin[1] + direction[1] * x - profile.y);
      if (off > Math.min(profile.width, profile.length) / 4) return [];
      const to = (by: number, along: number): PadProfile => ({
        ...profile,
        by: least(by),
        x: Math.round(profile.x + direction[0] * along),
        y: Math.round(profile.y + direction[1] * along),
      });
      return [{ key: 'hollow', label: 'Hollow, how deep', x, value: profile.by, moved: to }];
    }
    case 'dip':
    case 'rise': {
      const x = alongCut(section, profile.y);
      if (x === null) return [];
      const label = profile.kind === 'dip' ? 'Dip, how deep' : 'Rise, how high';
      const to = (by: number, along: number): PadProfile => ({
        ...profile,
        by: least(by),
        y: Math.round(profile.y + direction[1] * along),
      });
      return [{ key: profile.kind, label, x, value: profile.by, moved: to }];
    }
    case 'side':
      return profile.points.flatMap((point, i): Held[] => {
        const x = alongCut(section, near + point.at);
        if (x === null) return [];
        const [before, after] = [profile.points[i - 1]?.at ?? -1, profile.points[i + 1]?.at ?? Infinity];
        const to = (height: number, along: number): PadProfile => ({
          ...profile,
          points: profile.points.map((item, k) =>
            k === i
              ? {
                  at: Math.min(after - 1, Math.max(before + 1, Math.round(item.at + direction[1] * along))),
                  height: Math.min(pad.thickness, Math.max(0, Math.round(height))),
                }
              : item,
          ),
        });
        return [{ key: `side ${i}`, label: `Point ${i + 1} of the side`, x, value: point.height, moved: to }];
      });
    default:
      return [];
  }
}

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
        // Up makes a rise higher and a hollow shallower.
        const sign = pad.profile.kind === 'hollow' || pad.profile.kind === 'dip' ? -1 : 1;
        return heldOf(pad, section, Math.min(...outline.map(([, y]) => y)))
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
