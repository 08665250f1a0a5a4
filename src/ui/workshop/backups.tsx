import { Archive, Download, RotateCcw, Upload } from 'lucide-react';
import { useState } from 'react';
import type { KeptBackup } from '@/data/backup';
import { send, UNREACHED, type Answer } from '@/ui/kit/api';
import { Dialog } from '@/ui/kit/dialog';
import { FilePick } from '@/ui/kit/file-pick';
import { Instant } from './instant';

const sizeOf = (bytes: number): string => (bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1e6).toFixed(1)} MB`);

/** What is to be put back: a backup of the list, or a file from elsewhere. */
type Chosen = KeptBackup | File;

type PutBack = { pieces: number; log: number; photos: number; before: string | null };

async function sendFile(file: File): Promise<Answer<PutBack>> {
  const response = await fetch('/api/restore?replace=1', { method: 'POST', headers: { 'content-type': 'application/gzip' }, body: file });
  return { ok: response.ok, status: response.status, data: (await response.json()) as PutBack & { message?: string } };
}

const putBack = (chosen: Chosen): Promise<Answer<PutBack>> =>
  chosen instanceof File ? sendFile(chosen) : send<PutBack>('POST', `/api/backups/${chosen.name}`);

const counted = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;

/** Asks before the workshop of today is replaced. */
function Confirm({ chosen, busy, onPut, onClose }: { chosen: Chosen; busy: boolean; onPut: () => void; onClose: () => void }) {
  return (
    <Dialog title="Put this backup back?" onClose={onClose}>
      <p className="mb-2">{chosen instanceof File ? chosen.name : <Instant at={chosen.madeAt} />}</p>
      <p className="mb-4">
        It replaces every piece, tick, photo and house rule. Fovea backs up today’s workshop first, so you can put that back the same way.
        Close Fovea on the other tablets first.
      </p>
      <div className="flex gap-3 justify-end">
        <button type="button" className="btn btn-outline font-normal" onClick={onClose} disabled={busy}>
          Cancel
        </button>
        <button type="button" className="btn btn-primary" onClick={onPut} disabled={busy}>
          {busy ? 'Putting it back…' : 'Put back'}
        </button>
      </div>
    </Dialog>
  );
}

/** The workshop's backups, and what is done with them. */
function useBackups(first: KeptBackup[]) {
  const [backups, setBackups] = useState(first);
  const [busy, setBusy] = useState<'making' | 'putting' | null>(null);
  const [status, setStatus] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const work = async <T,>(what: 'making' | 'putting', ask: () => Promise<Answer<T>>, done: (data: T) => void | Promise<void>) => {
    setWrong(null);
    setStatus('');
    setBusy(what);
    try {
      const answer = await ask();
      if (answer.ok) await done(answer.data);
      else setWrong(answer.data.message ?? UNREACHED);
    } catch {
      setWrong(UNREACHED);
    }
    setBusy(null);
  };
  const look = async () => {
    const response = await fetch('/api/backups');
    if (response.ok) setBackups(((await response.json()) as { backups: KeptBackup[] }).backups);
  };
  const make = () =>
    work(
      'making',
      () => send<KeptBackup>('POST', '/api/backups'),
      (made) => {
        setBackups([made, ...backups.filter(({ name }) => name !== made.name)]);
        setStatus('Backed up');
      },
    );
  const put = (chosen: Chosen) =>
    work(
      'putting',
      () => putBack(chosen),
      async ({ pieces, log, photos }) => {
        setStatus(`Put back: ${counted(pieces, 'piece')}, ${counted(log, 'finished job')}, ${counted(photos, 'photo')}`);
        await look();
      },
    );
  return { backups, busy, status, wrong, make, put };
}

/** Backups: made daily by themselves and on request, put back from here. */
export function Backups({ first }: { first: KeptBackup[] }) {
  const { backups, busy, status, wrong, make, put } = useBackups(first);
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const button = 'btn btn-sm btn-outline font-normal';
  return (
    <section aria-label="Backups" className="mb-6">
      <h2 className="font-display text-lg">Backups</h2>
      <p className="text-sm mb-2">
        Everything in one file: pieces with their whole history, ticks, the log, house rules and photos. Fovea makes one a day while it
        runs. A backup on this machine is lost with the machine: keep a copy elsewhere. To move to another machine, bring that copy in
        there.
      </p>
      <div className="flex flex-wrap items-center gap-3 mb-2">
        <button type="button" className="btn btn-primary" onClick={() => void make()} disabled={busy !== null}>
          <Archive size={16} aria-hidden /> Back up now
        </button>
        <FilePick label="Backup to put back" accept=".gz,.tgz,application/gzip" className="btn btn-outline font-normal" onPick={setChosen}>
          <Upload size={16} aria-hidden /> Bring in a backup
        </FilePick>
        <span role="status" className="text-sm">
          {busy === 'making' ? 'Making a backup…' : status}
        </span>
      </div>
      {wrong && (
        <p role="alert" className="text-error mb-2">
          {wrong}
        </p>
      )}
      {backups.length === 0 && <p>None yet.</p>}
      <ul>
        {backups.map((backup) => (
          <li key={backup.name} className="border-t border-base-content/20 py-1.5 flex flex-wrap items-center gap-x-4 gap-y-1">
            <span className="flex-1">
              <Instant at={backup.madeAt} />
            </span>
            <span className="text-sm tabular-nums">{sizeOf(backup.size)}</span>
            <a href={`/api/backups/${backup.name}`} className={button} download>
              <Download size={14} aria-hidden /> Download
            </a>
            <button type="button" className={button} onClick={() => setChosen(backup)}>
              <RotateCcw size={14} aria-hidden /> Put back
            </button>
          </li>
        ))}
      </ul>
      {chosen && (
        <Confirm
          chosen={chosen}
          busy={busy === 'putting'}
          onPut={() => void put(chosen).then(() => setChosen(null))}
          onClose={() => setChosen(null)}
        />
      )}
    </section>
  );
}
