'use client';

import { line } from 'd3';
import { useState } from 'react';
import { along, type CrownChoice, type CrownWish, type Profile } from '@/core/inverse-crown';
import { foamOf } from '@/core/piece';
import { Dialog } from '@/ui/kit/dialog';
import { Figure } from '@/ui/kit/fields/figure';
import { ChoiceField, FigureField, LengthField } from '@/ui/kit/fields/fields';
import { Wrong } from '@/ui/kit/fields/lists';
import { useLength } from '@/ui/kit/settings';
import { useJob } from '@/ui/kit/worker/use-job';
import { usePiece, usePlan, useSheet } from '@/ui/sheet/store';

const PROFILES: { id: Profile['kind']; name: string }[] = [
  { id: 'parabolic', name: 'Parabolic' },
  { id: 'round', name: 'Round' },
  { id: 'flat-topped', name: 'Flat-topped' },
  { id: 'off-centre', name: 'Off centre' },
  { id: 'saddle', name: 'Saddle: falls to the sides' },
  { id: 'drawn', name: 'Drawn' },
];

const DRAWN = [1, 0.97, 0.88, 0.7, 0.42, 0];

function profileOf(kind: Profile['kind'], drawn: number[], off: [number, number]): Profile {
  if (kind === 'drawn') return { kind, shares: drawn };
  if (kind === 'off-centre') return { kind, x: off[0], y: off[1] };
  return { kind };
}

/** The wished profile from its highest place to the rim; a drawn one is moved by its points. */
function ProfileSketch({ profile, drawn, onDrawn }: { profile: Profile; drawn: number[]; onDrawn: (shares: number[]) => void }) {
  const [w, h] = [260, 70];
  const path = line<number>()
    .x((u) => 10 + u * w)
    .y((u) => 10 + (1 - along(profile, u)) * h)(Array.from({ length: 41 }, (_, i) => i / 40));
  return (
    <div>
      <svg viewBox={`0 0 ${w + 20} ${h + 22}`} className="w-full max-w-80" aria-hidden>
        <path d={`M10 ${h + 10} H${w + 10}`} stroke="var(--ink)" strokeWidth={0.8} />
        <path d={path ?? ''} fill="none" stroke="var(--cover-line)" strokeWidth={2.2} />
        {profile.kind === 'drawn' &&
          drawn.map((share, i) => (
            <circle key={i} cx={10 + (i / (drawn.length - 1)) * w} cy={10 + (1 - share) * h} r={4} fill="var(--chalk)" />
          ))}
        <text x={10} y={h + 20} fontSize={9} fill="var(--ink)">
          highest
        </text>
        <text x={w + 10} y={h + 20} fontSize={9} textAnchor="end" fill="var(--ink)">
          rim
        </text>
      </svg>
      {profile.kind === 'drawn' && (
        <div className="flex gap-2">
          {drawn.map((share, i) => (
            <input
              key={i}
              type="range"
              min={0}
              max={100}
              aria-label={`Height at ${Math.round((100 * i) / (drawn.length - 1))} % of the way to the rim`}
              aria-valuetext={`${Math.round(share * 100)} % of the crown`}
              className="w-10 accent-(--color-secondary)"
              value={Math.round(share * 100)}
              onChange={(event) => onDrawn(drawn.map((s, k) => (k === i ? Number(event.target.value) / 100 : s)))}
            />
          ))}
        </div>
      )}
    </div>
  );
}

/** One way to make the crown: its pads, and how near it comes once covered. */
function Choice({ choice, onUse }: { choice: CrownChoice; onUse: () => void }) {
  const piece = usePiece();
  const say = useLength();
  const pads = choice.pads.filter((pad) => pad.role === 'crown');
  return (
    <li className="py-2 text-sm flex gap-3" data-choice={choice.kind}>
      <div className="flex-1">
        <p className="font-semibold">{choice.name}</p>
        <p>{pads.map((pad) => `${say(pad.thickness)} ${foamOf(piece, pad.material)?.name.toLowerCase() ?? ''}`).join(' + ')}</p>
        <p>
          Covered crown <Figure says={say(choice.crown)} />, {say(Math.abs(choice.miss))} {choice.miss < 0 ? 'under' : 'over'}; profile
          within <Figure says={say(choice.worst)} />.{' '}
          {choice.showThrough.reads
            ? `Its step reads through: a bend of ${Math.round(1000 / choice.showThrough.curvature)} mm radius.`
            : 'No step reads through.'}{' '}
          {choice.sold ? 'As sold.' : 'To be slit or carved.'}
        </p>
        {!choice.meets && (
          <p className="text-error">{choice.converged ? 'Not within a millimetre of the crown you set.' : 'Not worked out.'}</p>
        )}
      </div>
      <button type="button" className="btn btn-sm btn-outline self-start" disabled={!choice.meets} onClick={onUse}>
        Use
      </button>
    </li>
  );
}

type Off = [right: number, behind: number];

/** Where the highest place lies, as a share of half the board. */
function OffFields({ off, onOff }: { off: Off; onOff: (off: Off) => void }) {
  const id = useSheet((state) => state.id);
  return (['Right of the middle', 'Behind the middle'] as const).map((label, i) => (
    <FigureField
      key={label}
      label={label}
      name={`${id} wish off ${i}`}
      value={Math.round(off[i]! * 100)}
      suffix="%"
      hint="of half the board"
      onCommit={(percent) => {
        if (Math.abs(percent) > 70) return 'At most 70 % of the way to the edge';
        onOff(i === 0 ? [percent / 100, off[1]] : [off[0], percent / 100]);
        return null;
      }}
    />
  ));
}

/** Starts the search and shows how far it is. */
function Search({ job, wish }: { job: ReturnType<typeof useJob<'wish'>>; wish: CrownWish }) {
  const piece = usePiece();
  const house = useSheet((state) => state.house);
  return (
    <div className="flex items-center gap-3 my-2">
      <button type="button" className="btn btn-sm btn-primary" disabled={job.running} onClick={() => job.start({ piece, house, wish })}>
        Find the pads
      </button>
      {job.running && (
        <>
          <progress className="progress w-32" value={job.done} aria-label="Trials done" />
          <button type="button" className="btn btn-sm btn-ghost font-normal" onClick={job.stop}>
            Stop
          </button>
        </>
      )}
    </div>
  );
}

/** The crown as it should be once covered; the pads for it, in ways that can be compared. */
export function WishDialog({ onClose }: { onClose: () => void }) {
  const piece = usePiece();
  const id = useSheet((state) => state.id);
  const apply = useSheet((state) => state.apply);
  const crown = usePlan()?.surface.crown ?? 15;
  const job = useJob('wish');
  const [height, setHeight] = useState(Math.max(5, Math.round(crown)));
  const [kind, setKind] = useState<Profile['kind']>('parabolic');
  const [drawn, setDrawn] = useState(DRAWN);
  const [off, setOff] = useState<Off>([0, 0.3]);
  const [message, setMessage] = useState<string | null>(null);
  const profile = profileOf(kind, drawn, off);
  const use = (choice: CrownChoice) => {
    const wrong = apply({ ...piece, pads: choice.pads });
    setMessage(wrong);
    if (!wrong) onClose();
  };
  const choices = job.answer;
  return (
    <Dialog title="Set finished crown" onClose={onClose}>
      <p className="text-sm mb-2">
        Type the crown you want once it is covered. Fovea builds the pads higher by what the pull takes away, and solves them again.
      </p>
      <LengthField
        label="Crown, covered"
        name={`${id} wish`}
        value={height}
        onCommit={(mm) => {
          if (!(mm >= 2 && mm <= 150)) return 'Type a crown of 2 to 150 mm';
          setHeight(mm);
          return null;
        }}
      />
      <ChoiceField label="Profile" value={kind} options={PROFILES} onChange={setKind} />
      {kind === 'off-centre' && <OffFields off={off} onOff={setOff} />}
      <ProfileSketch profile={profile} drawn={drawn} onDrawn={setDrawn} />
      <Search job={job} wish={{ height, profile }} />
      <Wrong message={job.wrong ?? message} />
      {choices?.length === 0 && <p className="text-sm">No pad stack reaches this crown on this board.</p>}
      {choices && choices.length > 0 && (
        <ul className="divide-y divide-base-content/25 border-y border-base-content/25">
          {choices.map((choice) => (
            <Choice key={choice.kind} choice={choice} onUse={() => use(choice)} />
          ))}
        </ul>
      )}
      <div className="text-right mt-3">
        <button type="button" className="btn btn-sm btn-ghost font-normal" onClick={onClose}>
          Close
        </button>
      </div>
    </Dialog>
  );
}
