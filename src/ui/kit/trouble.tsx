/** Why the workshop cannot be opened, and what to do about it: nothing else is shown until it can. */
export function Trouble({ title, cure, backup }: { title: string; cure: string; backup: string | null }) {
  return (
    <main className="p-10 max-w-3xl" role="alert">
      <h1 className="font-display text-2xl mb-2">{title}</h1>
      <p className="mb-3">{cure}</p>
      <p className="mb-3">
        {backup
          ? `The last good backup is of ${backup.slice(0, 10)}, ${backup.slice(11, 16)} (world time).`
          : 'There is no backup in the workshop’s folder.'}
      </p>
      <p className="mb-3">What was typed in a page and not saved is kept in that browser, and saved when the workshop is back.</p>
      {/* A plain link: the page is to be asked for anew. */}
      <a href="/" className="btn btn-primary">
        Try again
      </a>
    </main>
  );
}
