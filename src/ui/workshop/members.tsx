'use client';

import { useEffect, useState } from 'react';
import { ROLES, type Role } from '@/core/house';
import type { Member } from '@/data/members';
import { send, UNREACHED } from '@/ui/kit/api';
import { ChoiceField } from '@/ui/kit/fields/fields';

type Known = { members: Member[]; open: boolean; address: string | null; qr: string | null };

/** Everybody who may come in, and how they are let in and out. */
function useMembers() {
  const [known, setKnown] = useState<Known | null>(null);
  const [listed, setTold] = useState<{ name: string; passcode: string } | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const look = async (): Promise<void> => {
    const response = await fetch('/api/members').catch(() => null);
    if (response?.ok) setKnown((await response.json()) as Known);
    else setWrong(UNREACHED);
  };
  useEffect(() => {
    // Asked once the page is there: what it shows hangs on nothing before.
    const timer = setTimeout(() => void look());
    return () => clearTimeout(timer);
  }, []);
  const change = async (method: 'POST' | 'DELETE', body: object): Promise<boolean> => {
    setWrong(null);
    try {
      const answer = await send<{ name?: string; passcode?: string }>(method, '/api/members', body);
      if (!answer.ok) setWrong(answer.data.message ?? 'Nothing was changed.');
      else if (answer.data.passcode) setTold({ name: answer.data.name!, passcode: answer.data.passcode });
      await look();
      return answer.ok;
    } catch {
      setWrong(UNREACHED);
      return false;
    }
  };
  const open = async (on: boolean): Promise<void> => {
    setWrong(null);
    try {
      const answer = await send<Known>('PUT', '/api/network', { on });
      if (answer.ok) setKnown(answer.data);
      else setWrong(answer.data.message ?? UNREACHED);
    } catch {
      setWrong(UNREACHED);
    }
  };
  return { known, member: listed, wrong, change, open };
}

/** Whether the workshop is on the network, with the risks of it. */
function Door({ known, onOpen }: { known: Known; onOpen: (on: boolean) => void }) {
  const risk =
    'Nothing is encrypted: anybody on the network can read what passes. Use it only on your own network, never on a guest network.';
  if (!known.open)
    return (
      <div className="mb-3">
        <p className="text-sm mb-2">
          Only this machine can open the workshop now. With network access, tablets and phones on the same network can too, each with a
          passcode. {risk}
        </p>
        <button type="button" className="btn btn-outline font-normal" onClick={() => onOpen(true)}>
          Turn on network access
        </button>
      </div>
    );
  return (
    <div className="flex flex-wrap gap-5 items-start mb-3">
      {/* The picture is drawn by the workshop itself, from its own address. */}
      {known.qr && <div className="w-32 bg-white p-1" dangerouslySetInnerHTML={{ __html: known.qr }} />}
      <div className="text-sm max-w-xl flex flex-col gap-2 items-start">
        <p>
          {known.address ? (
            <>
              Tablets on the same network open <strong>http://{known.address}</strong>, or scan the code.
            </>
          ) : (
            'This machine is on no network now. Fovea can be opened from others once it joins one.'
          )}{' '}
          {risk}
        </p>
        <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => onOpen(false)}>
          Turn off network access
        </button>
      </div>
    </div>
  );
}

/** Who may come in over the network. */
export function Members() {
  const { known, member: listed, wrong, change, open } = useMembers();
  const [name, setName] = useState('');
  const [role, setRole] = useState<Role>('hand');
  if (!known) return null;
  return (
    <section aria-label="Network access" className="mb-6">
      <h2 className="font-display text-lg">Network access</h2>
      <Door known={known} onOpen={(on) => void open(on)} />
      {listed && (
        <p role="status" className="mb-2 border-l-4 border-primary pl-3">
          Passcode for {listed.name}: <strong className="text-lg tracking-wide">{listed.passcode}</strong>. Fovea shows it only once: read
          it out or write it down.
        </p>
      )}
      {wrong && (
        <p role="alert" className="text-error mb-2">
          {wrong}
        </p>
      )}
      <ul>
        {known.members.map((member) => (
          <li key={member.id} className="border-t border-base-content/20 py-1.5 flex items-center gap-4">
            <span className="flex-1">{member.name}</span>
            <span className="text-sm">{ROLES.find(({ id }) => id === member.role)!.name}</span>
            <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => void change('DELETE', { id: member.id })}>
              Remove
            </button>
          </li>
        ))}
      </ul>
      <form
        className="flex items-start gap-3 border-t border-base-content/20 pt-2"
        onSubmit={(event) => {
          event.preventDefault();
          void change('POST', { name, role }).then((ok) => ok && setName(''));
        }}
      >
        <label className="text-sm flex-1 flex items-center gap-2">
          Name
          <input
            className="grow px-2 py-1 border border-base-content/40 rounded-sm bg-base-100 text-base"
            value={name}
            maxLength={40}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <div>
          <ChoiceField label="Role" value={role} options={ROLES} hint={ROLES.find(({ id }) => id === role)!.may} onChange={setRole} />
        </div>
        <button type="submit" className="btn btn-outline font-normal" disabled={name.trim() === ''}>
          Give access
        </button>
      </form>
    </section>
  );
}
