'use client';

import { useState } from 'react';
import { send, UNREACHED } from '@/ui/kit/api';

/** The door of a workshop on the network: a passcode opens it. */
export function Enter() {
  const [passcode, setPasscode] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const enter = async () => {
    setBusy(true);
    try {
      const answer = await send('POST', '/api/enter', { passcode });
      if (answer.ok) return window.location.assign('/');
      setWrong(answer.data.message ?? 'Wrong passcode.');
    } catch {
      setWrong(UNREACHED);
    }
    setBusy(false);
  };
  return (
    <main className="p-10 max-w-md">
      <h1 className="font-display text-2xl mb-3">Sign in</h1>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void enter();
        }}
      >
        <label htmlFor="passcode" className="block mb-1">
          Your passcode
        </label>
        <input
          id="passcode"
          autoComplete="current-password"
          autoCapitalize="none"
          spellCheck={false}
          className="w-full px-3 py-3 text-xl tracking-wide border border-base-content/40 rounded-sm bg-base-100"
          value={passcode}
          aria-invalid={wrong !== null}
          onChange={(event) => {
            setWrong(null);
            setPasscode(event.target.value);
          }}
        />
        {wrong && (
          <p role="alert" className="text-error mt-1">
            {wrong}
          </p>
        )}
        <button type="submit" className="btn btn-primary w-full h-12 mt-3" disabled={busy || passcode.trim() === ''}>
          Sign in
        </button>
      </form>
      <p className="text-sm mt-3">The owner of the workshop gives you one. On the workshop’s own machine you need none.</p>
    </main>
  );
}
