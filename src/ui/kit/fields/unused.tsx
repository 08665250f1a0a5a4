'use client';

/** Says of a figure typed before the page was loaded again that nothing reckons with it yet. */
export function Unused({ onUse }: { onUse: () => void }) {
  return (
    <p className="text-warning" data-unused>
      Typed before the reload, not used yet.
      <button type="button" className="btn btn-xs btn-outline font-normal ml-2" onClick={onUse}>
        Use it
      </button>
    </p>
  );
}
