/** Runs once when the server starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { keepWatch } = await import('./server/backups');
  keepWatch();
}
