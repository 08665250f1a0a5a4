'use client';

import { Upload } from 'lucide-react';
import { useState } from 'react';
import { baseOutline, flatten } from '@/core/outline';
import { firstProfile, formOf, PAD_FORMS, type PadForm, type PadProfile } from '@/core/pad-forms';
import { thinnest, type Pad } from '@/core/piece';
import { ChoiceField } from '@/ui/kit/fields/fields';
import { FilePick } from '@/ui/kit/file-pick';
import { AddOne, Item, Wrong } from '@/ui/kit/fields/lists';
import { useLength } from '@/ui/kit/settings';
import { readFile } from '@/ui/kit/read-file';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { useField, usePiece } from '@/ui/sheet/store';

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

/** The points of a form, each told from the near edge. */
function Rows({ profile, at, rows: { key, columns, noun } }: { profile: PadProfile; at: string; rows: NonNullable<PadForm['rows']> }) {
  const [, put] = useField(`${at}.profile`);
  const rows = (profile as unknown as Record<string, readonly { at: number }[]>)[key]!;
  const putRows = (next: readonly { at: number }[]) => put({ ...profile, [key]: next });
  const last = rows.at(-1)!;
  const gap = last.at - rows.at(-2)!.at;
  return (
    <>
      {rows.map((_, i) => (
        <Item
          key={i}
          title={`${noun} ${i + 1}`}
          what={`${noun.toLowerCase()} ${i + 1}`}
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
        {noun}
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
  const form = profile && formOf(profile);
  const offered = PAD_FORMS.filter(({ id, scan }: Pick<PadForm, 'id' | 'scan'>) => scan !== 'only' || profile?.kind === id);
  const start = (kind: string) => {
    const board = flatten(baseOutline(piece.base.shape, piece.base.notches), 0.5);
    return kind === 'level' ? null : firstProfile(kind, pad, board);
  };
  return (
    <>
      <ChoiceField
        label="Top shape"
        value={profile?.kind ?? 'level'}
        options={[{ id: 'level', name: 'Level' }, ...offered]}
        onChange={(kind) => (kind === profile?.kind ? null : put(start(kind)))}
        {...(profile ? { hint: `${say(Math.max(0, thinnest(pad)))} where it is thinnest` } : {})}
      />
      {form?.fields.map((key) => (
        <PieceField key={key} at={`${at}.profile.${key}`} />
      ))}
      {profile && form?.rows && <Rows profile={profile} at={at} rows={form.rows} />}
      {form?.scan && <ScanIn at={at} />}
    </>
  );
}
