'use client';

export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="p-10">
      <h1 className="font-display text-2xl mb-2">Something went wrong</h1>
      <p className="mb-4">Everything saved is still there, and what was typed is kept in this browser.</p>
      <button type="button" className="btn btn-primary" onClick={reset}>
        Try again
      </button>
    </main>
  );
}
