'use client';

import { useEffect, useState } from 'react';
import { figuresFor, readerOf, type HouseRules } from '@/core/house';
import { kindOf, type Piece } from '@/core/piece';
import { usualSitting } from '@/core/seat-check';
import { LengthField } from '@/ui/kit/fields/fields';
import { useLength } from '@/ui/kit/settings';
import { useJob } from '@/ui/kit/worker/use-job';

/** Nobody wants to sit on less than a board, or on more than a mattress, mm. */
const WANTED = [3, 250] as const;
/** Typing settles before anything is sat on, ms. */
const SETTLES = 300;

/**
 * The height wanted under the sitter, and the main pad that gives it, of what is sold. It is looked for again whenever
 * what was typed changes.
 *
 * @param plain the piece as it is begun
 * @param house the workshop's rules
 */
export function useSatOn(plain: Piece, house: HouseRules) {
  const [wanted, setWanted] = useState<number | null>(null);
  const [asked, setAsked] = useState<string | null>(null);
  const { start, stop, running, done, answer, wrong } = useJob('height');
  const sat = Boolean(kindOf(plain.kind).traits.sat);
  // A name changes nothing of how it is sat on.
  const key = wanted === null || !sat ? null : JSON.stringify([{ ...plain, name: '' }, wanted]);
  useEffect(() => {
    if (key === null) {
      stop();
      return;
    }
    const later = setTimeout(() => {
      setAsked(key);
      const [piece, height] = JSON.parse(key) as [Piece, number];
      start({ piece: { ...piece, name: plain.name }, house, wanted: height });
    }, SETTLES);
    return () => clearTimeout(later);
    // Only what is asked decides when it is asked again.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  const known = key !== null && asked === key && !running && (done === 1 || wrong !== null);
  const found = known && !wrong ? answer : null;
  const built = found && (found.sold ?? found);
  const piece: Piece = built
    ? { ...plain, pads: plain.pads.map((pad) => (pad.role === 'main' ? { ...pad, thickness: built.thickness } : pad)) }
    : plain;
  return {
    sat,
    wanted,
    setWanted,
    looking: key !== null && !known,
    none: known && !found && !wrong,
    wrong: known ? wrong : null,
    built,
    piece,
  };
}

/** Where the height as sat on is typed, and what it comes to. */
export function SatOnField({ satOn, house, piece }: { satOn: ReturnType<typeof useSatOn>; house: HouseRules; piece: Piece }) {
  const say = useLength();
  if (!satOn.sat) return null;
  const { wanted, setWanted, looking, none, wrong, built } = satOn;
  const { mass } = usualSitting(piece, readerOf(figuresFor(house, piece.overrides))('sitMass'));
  return (
    <>
      <LengthField
        label="Seat height, loaded"
        name="new height as sat on"
        value={wanted}
        hint={`over the board, under ${mass} kg; left empty, the usual pad`}
        onCommit={(mm) => {
          if (!(mm >= WANTED[0] && mm <= WANTED[1])) return `A height of ${WANTED[0]} to ${WANTED[1]} mm`;
          setWanted(mm);
          return null;
        }}
      />
      {wanted !== null && (
        <p className="text-xs py-0.5" role="status" data-sat-on>
          {looking && 'Building the pad and checking the sit…'}
          {wrong}
          {none && 'No thickness of the usual foam gives that height under this sitter: start, and choose another foam on Padding.'}
          {built && (
            <>
              Main pad {say(built.thickness)}: {say(Math.round(built.unloadedHeight))} unloaded, {say(Math.round(built.loadedHeight))}{' '}
              loaded
              {built.bottoms ? '; but it bottoms out, take a firmer foam on Padding' : ''}.{' '}
            </>
          )}
          <button type="button" className="underline cursor-pointer" onClick={() => setWanted(null)}>
            Take the usual pad
          </button>
        </p>
      )}
    </>
  );
}
