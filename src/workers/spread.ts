/** The least of a port that a spread needs: a worker's own, or a test's. */
export type SpreadPort = {
  postMessage: (message: unknown) => void;
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- a port's own handler is bound to the port
  onmessage: ((event: any) => void) | null;
};

/** Asked of a helper, and what it answers. */
type Errand<T> = { round: number; n: number; task: T };
type Done<R> = { round: number; n: number; result: R };

/** Each helper has this many in hand, so that it need not wait for the next. */
const IN_HAND = 2;
/** A helper that has not answered by then is not waited for, ms: what it had is done here after all. */
const PATIENCE = 400;

/** Rounds are counted: what comes back too late belongs to no later one. */
let rounds = 0;

/** Lets messages in. */
const breathe = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));

/**
 * Works through independent tasks together with helpers: each takes the next that nobody has. What a helper does not
 * bring back is done here.
 *
 * @param tasks plain data
 * @param work one task
 * @param ports to the helpers, each of which serves with the same work
 * @param [pace.inHand] how many a helper has in hand: one where each takes long
 * @param [pace.patience] a helper that has not answered so long after the last is begun is not waited for, ms
 */
export async function spread<T, R>(
  tasks: readonly T[],
  work: (task: T) => R,
  ports: readonly SpreadPort[],
  { inHand = IN_HAND, patience = PATIENCE }: { inHand?: number; patience?: number } = {},
): Promise<R[]> {
  const round = ++rounds;
  const results = new Array<R | undefined>(tasks.length);
  const done = new Uint8Array(tasks.length);
  let next = 0;
  let left = tasks.length;
  const take = (n: number, result: R): void => {
    if (done[n]) return;
    done[n] = 1;
    results[n] = result;
    left -= 1;
  };
  const send = (port: SpreadPort): void => {
    if (next < tasks.length) port.postMessage({ round, n: next, task: tasks[next++]! } satisfies Errand<T>);
  };
  for (const port of ports) {
    port.onmessage = ({ data }: { data: unknown }) => {
      const { round: value, n, result } = data as Done<R>;
      if (value !== round) return;
      take(n, result);
      send(port);
    };
    for (let k = 0; k < inHand; k++) send(port);
  }
  while (next < tasks.length) {
    const n = next++;
    take(n, work(tasks[n]!));
    if (ports.length > 0) await breathe();
  }
  const until = Date.now() + patience;
  while (left > 0 && Date.now() < until) await breathe();
  for (const port of ports) port.onmessage = null;
  for (let n = 0; n < tasks.length; n++) if (!done[n]) take(n, work(tasks[n]!));
  return results as R[];
}

/**
 * Serves one that spreads its work: every task that comes is done and brought back.
 *
 * @param port to it
 * @param work one task
 */
export function serve<T, R>(port: SpreadPort, work: (task: T) => R): void {
  port.onmessage = ({ data }: { data: unknown }) => {
    const { round, n, task } = data as Errand<T>;
    port.postMessage({ round, n, result: work(task) } satisfies Done<R>);
  };
}
