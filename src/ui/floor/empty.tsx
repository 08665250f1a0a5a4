'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { send, UNREACHED } from '@/ui/kit/api';
import { FilePick } from '@/ui/kit/file-pick';
import { beginGuide } from '@/ui/guide/guide';

/** A backup that the page brings in is no larger, bytes. */
const LARGEST = 20_000_000;

/** What an empty workshop begins with: looking around, a first piece, or what there is already. */
export function Empty({ onWrong }: { onWrong: (message: string | null) => void }) {
  const router = useRouter();
  const [busy, setBusy] = useState<string | null>(null);
  const work = async (what: string, does: () => Promise<{ ok: boolean; data: { message?: string } }>) => {
    onWrong(null);
    setBusy(what);
    try {
      const answer = await does();
      if (answer.ok) router.refresh();
      else onWrong(answer.data.message ?? 'It failed; nothing was changed.');
    } catch {
      onWrong(UNREACHED);
    }
    setBusy(null);
  };
  const restore = async (file: File) => {
    if (file.size > LARGEST)
      return onWrong(
        `${file.name} is larger than 20 MB: copy it into the workshop’s folder, under backups, and put it back on the page Workshop.`,
      );
    await work('backup', async () => {
      const response = await fetch('/api/restore', { method: 'POST', headers: { 'content-type': 'application/gzip' }, body: file });
      return { ok: response.ok, data: (await response.json()) as { message?: string } };
    });
  };
  const one = 'border-t-2 border-base-content/40 pt-3 flex flex-col gap-2';
  return (
    <section aria-label="An empty workshop" className="py-4">
      <p className="font-display text-xl mb-5">The floor is empty</p>
      <div className="grid gap-8 md:grid-cols-3">
        <div className={one}>
          <h2 className="font-semibold">Look around first</h2>
          <p className="text-sm flex-1">
            The fittings of a small observatory lodge: chairs, stools, a headboard, a saddle. Change anything.
          </p>
          <button
            type="button"
            className="btn btn-outline w-fit"
            disabled={busy !== null}
            onClick={() => void work('demo', () => send('POST', '/api/demo'))}
          >
            {busy === 'demo' ? 'Laying it out…' : 'Lay out the demo workshop'}
          </button>
        </div>
        <div className={one}>
          <h2 className="font-semibold">A first piece of your own</h2>
          <p className="text-sm flex-1">
            A tape and five minutes: five short steps lead from the board to the sheet for the wall. Leave them at any time.
          </p>
          <Link href="/new" className="btn btn-primary w-fit" onClick={() => beginGuide()}>
            Begin with a guide
          </Link>
        </div>
        <div className={one}>
          <h2 className="font-semibold">What you have already</h2>
          <p className="text-sm flex-1">Bring a whole workshop over from another machine. Import, above, takes single pieces.</p>
          <FilePick
            label="Backup to bring in"
            accept=".gz,.tgz,application/gzip"
            className="btn btn-outline w-fit"
            onPick={(file) => void restore(file)}
          >
            {busy === 'backup' ? 'Looking it through…' : 'Bring in a backup'}
          </FilePick>
        </div>
      </div>
    </section>
  );
}
