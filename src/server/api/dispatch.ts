import { database } from '../../data/database';
import { FROM, mayNot, whoIs } from '../entrance/entrance';
import { answer, Refusal } from '../http';
import { checkBody } from './body';
import { METHODS, type Method, type Route, type Routes } from './route';
import { ROUTES } from './routes';

const isParam = (part: string): boolean => part.startsWith('{');

/** Where a request belongs: its route, and the parts of its address that the route's path leaves open. */
export type Found = { route: Partial<Record<Method, Route>>; params: Record<string, string> };

/**
 * The route of a path; one that is written out comes before one that leaves the same part open.
 *
 * @param path parts between the slashes, as they came
 * @param [routes] by path
 */
export function routeAt(path: readonly string[], routes: Routes = ROUTES): Found | null {
  let best: (Found & { open: number }) | null = null;
  for (const [pattern, route] of Object.entries(routes)) {
    const wanted = pattern.slice(1).split('/');
    if (wanted.length !== path.length || !wanted.every((part, i) => isParam(part) || part === path[i])) continue;
    const params = Object.fromEntries(wanted.flatMap((part, i) => (isParam(part) ? [[part.slice(1, -1), path[i]!]] : [])));
    const open = Object.keys(params).length;
    if (!best || open < best.open) best = { route, params, open };
  }
  return best;
}

/**
 * Keeps somebody from what is not for them: who has not come in from everything but the door, and everybody from what their role may
 * not do; what changes something and does not say who may is the owner's.
 *
 * @param who asks, from `whoIs`
 * @param route what is asked for
 * @param method how
 * @throws Refusal 401 or 403
 */
export function authorise(who: ReturnType<typeof whoIs>, route: Pick<Route, 'may' | 'door'>, method: Method): void {
  if (route.door) return;
  if (!who) throw new Refusal(401, 'Sign in first: the page /enter asks for your passcode.');
  const why = mayNot(who, route.may ?? (method === 'get' ? 'apprentice' : 'owner'));
  if (why) throw new Refusal(403, why);
}

/**
 * Answers a request by its route: who asks, then what is sent, is looked at before the route's own work.
 *
 * @param request the request
 * @param path parts of its address between the slashes, as they came
 */
export function dispatch(request: Request, path: readonly string[]): Promise<Response> {
  return answer(async () => {
    const found = routeAt(path);
    if (!found) throw new Refusal(404, 'There is nothing at this address.');
    const method = METHODS.find((name) => name === request.method.toLowerCase().replace('head', 'get'));
    const route = method && found.route[method];
    if (!route) throw new Refusal(405, `Nothing here answers to ${request.method.slice(0, 20)}.`);
    // On the workshop's own machine nobody is asked who they are, and a database that cannot be read keeps nothing from being said.
    if (request.headers.get(FROM)) authorise(whoIs(database(), request.headers), route, method);
    await checkBody(request, route);
    return route.handle({ request, params: found.params });
  });
}
