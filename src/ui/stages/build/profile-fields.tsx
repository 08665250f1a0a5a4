'use client';

import { Upload } from 'lucide-react';
import { useState } from 'react';
import { baseOutline, flatten } from '@/core/outline';
import { firstProfile, PROFILES, thinnest, type Pad, type PadProfile } from '@/core/piece';
import { ChoiceField } from '@/ui/kit/fields';
import { FilePick } from '@/ui/kit/file-pick';
import { AddOne, Item, Wrong } from '@/ui/kit/lists';
import { useLength } from '@/ui/kit/settings';
import { readFile } from '@/ui/kit/read-file';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { useField, usePiece } from '@/ui/sheet/store';

/** What is typed of each form, in the order of the hand. */
const FIELDS = {
  hollow: ['by', 'width', 'length', 'x', 'y'],
  dip: ['by', 'length', 'y'],
  rise: ['by', 'length', 'y'],
  side: ['faired'],
  read: [],
  scanned: [],
} as const satisfies Record<PadProfile['kind'], readonly string[]>;

type Props = { pad: Pad; at: string };

/** Brings a moulded pad's scan in: its highest place is as thick as the pad was measured. */
function ScanIn({ at }: { at: string }) {
  const [, put] = useField(`${at}.profile`);
  const [text, setSaid] = useState<string | null>(null);
  const take = async (file: File) => {
    const answer = await readFile({ name: file.name, bytes: await file.arrayBuffer(), up: 'z' });
    const map = answer.scan?.mould;
    setSaid(
      map ? put({ kind: 'scanned', map: { ...map, name: file.name.slice(0, 100) } }) : (answer.problem ?? 'There is no scan in this file'),
    );
  };
  return (
    <>
      <FilePick label="Scan of the pad to bring in" accept=".stl" onPick={(file) => void take(file)}>
        <Upload size={14} aria-hidden /> Scan of the pad (STL)
      </FilePick>
      <Wrong message={text} />
    </>
  );
}

/** The rows of a side or of readings, each told from the near edge. */
function Rows({ profile, at }: { profile: Extract<PadProfile, { kind: 'side' | 'read' }>; at: string }) {
  const [, put] = useField(`${at}.profile`);
  const rows: readonly { at: number }[] = profile.kind === 'side' ? profile.points : profile.rows;
  const key = profile.kind === 'side' ? 'points' : 'rows';
  const columns = profile.kind === 'side' ? ['at', 'height'] : ['at', 'middle', 'side'];
  const word = profile.kind === 'side' ? 'point' : 'reading';
  const putRows = (next: readonly { at: number }[]) => put({ ...profile, [key]: next });
  const last = rows.at(-1)!;
  const gap = last.at - rows.at(-2)!.at;
  return (
    <>
      {rows.map((_, i) => (
        <Item
          key={i}
          title={`${word === 'point' ? 'Point' : 'Reading'} ${i + 1}`}
          what={`${word} ${i + 1}`}
          {...(rows.length > 2 ? { onTakeOut: () => putRows(rows.filter((__, k) => k !== i)) } : {})}
        >
          {columns.map((column) => (
            <PieceField key={column} compact at={`${at}.profile.${key}.${i}.${column}`} />
          ))}
        </Item>
      ))}
      <AddOne
        onClick={() => putRows([...rows.slice(0, -1), { ...rows.at(-2)!, ...last, at: Math.round((last.at - gap / 2) * 10) / 10 }, last])}
      >
        {word === 'point' ? 'Point' : 'Reading'}
      </AddOne>
    </>
  );
}

/** The form of a pad's top: level, hollowed, dipped, raised, cut to a line on its side, or moulded and read. */
export function ProfileFields({ pad, at }: Props) {
  const piece = usePiece();
  const say = useLength();
  const [, put] = useField(`${at}.profile`);
  const { profile } = pad;
  const offered = PROFILES.filter(({ id }) => id !== 'scanned' || profile?.kind === id);
  const start = (kind: string) => {
    const board = flatten(baseOutline(piece.base.shape, piece.base.notches), 0.5);
    return kind === 'level' || kind === 'scanned' ? null : firstProfile(kind as Exclude<PadProfile['kind'], 'scanned'>, pad, board);
  };
  return (
    <>
      <ChoiceField
        label="Its top"
        value={profile?.kind ?? 'level'}
        options={[{ id: 'level', name: 'Level' }, ...offered]}
        onChange={(kind) => (kind === profile?.kind ? null : put(start(kind)))}
        {...(profile ? { hint: `${say(Math.max(0, thinnest(pad)))} where it is thinnest` } : {})}
      />
      {profile && FIELDS[profile.kind].map((key) => <PieceField key={key} at={`${at}.profile.${key}`} />)}
      {(profile?.kind === 'side' || profile?.kind === 'read') && <Rows profile={profile} at={at} />}
      {(profile?.kind === 'read' || profile?.kind === 'scanned') && <ScanIn at={at} />}
    </>
  );
}
