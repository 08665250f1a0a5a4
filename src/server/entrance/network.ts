import { existsSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import QRCode from 'qrcode';
import { database, dataFolder } from '../../data/database';
import { listMembers, type Member } from '../../data/members';
import { eventLog } from '../event-log';
import { readObject, Refusal } from '../http';
import { lanAddresses } from './entrance';

/** Stands in the workshop's folder while it is open to the network; no backup has it, so that none opens another machine. */
const flag = (): string => join(dataFolder(), 'on-network');

/** The server's door to the network (scripts/network.mjs). */
type Network = { set: (on: boolean) => Promise<void>; isOpen: () => boolean };

/** The one of this process; none where another server carries the application. */
const network = (): Network | undefined => (globalThis as { foveaNetwork?: Network }).foveaNetwork;

/** Whether and where the workshop is on the network, and who may come in. */
export type OnNetwork = { members: Member[]; open: boolean; address: string | null; qr: string | null };

/** GET /api/members: who may come in, and where. */
export async function readMembers(): Promise<Response> {
  const [address] = lanAddresses();
  const qr = address ? await QRCode.toString(`http://${address}/`, { type: 'svg', margin: 1 }) : null;
  const open = network()?.isOpen() ?? address !== undefined;
  return Response.json({ members: listMembers(database()), open, address: address ?? null, qr } satisfies OnNetwork);
}

/** PUT /api/network: opens the workshop to the network or shuts it; it stays so after a restart. */
export async function putNetwork(request: Request): Promise<Response> {
  const { on } = await readObject(request);
  const door = network();
  if (!door) throw new Refusal(409, 'Another server carries this application: turn network access on there.');
  try {
    await door.set(on === true);
  } catch (error) {
    await door.set(false).catch(() => undefined);
    if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw error;
    throw new Refusal(409, 'Another program uses this port on the network. Stop it, or start Fovea on another port.');
  }
  if (on === true) writeFileSync(flag(), '');
  else rmSync(flag(), { force: true });
  eventLog().info(on === true ? 'Network access was turned on' : 'Network access was turned off');
  return readMembers();
}

/** Opens the workshop to the network where it was open before the last stop. */
export async function openAtStart(): Promise<void> {
  if (existsSync(flag())) await network()?.set(true);
}
