import { spawn, type ChildProcess } from 'node:child_process';

/**
 * Starts a stand-in as a process of its own and waits until it says that it listens.
 *
 * @param name of its file
 * @param env where it listens, and how it behaves
 */
export async function standIn(name: string, env: Record<string, string>): Promise<ChildProcess> {
  const child = spawn('node', ['--import', 'tsx', `src/stand-ins/${name}.ts`], {
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((resolve, reject) => {
    child.stdout!.once('data', () => resolve());
    child.once('exit', () => reject(new Error(`The ${name} stand-in ended at once`)));
  });
  return child;
}
