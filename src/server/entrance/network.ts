import QRCode from 'qrcode';
import { database } from '../../data/database';
import { listMembers, type Member } from '../../data/members';
import { isOnNetwork, setOnNetwork } from '../../data/settings';
import { eventLog } from '../event-log';
import { readObject, Refusal } from '../http';
import { lanAddresses } from './entrance';

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
  if (!door) throw new Refusal(409, 'Another server carries this application: open it to the network there.');
  try {
    await door.set(on === true);
  } catch (error) {
    await door.set(false).catch(() => undefined);
    if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw error;
    throw new Refusal(409, 'Another program uses this port on the network. Stop it, or start Fovea on another port.');
  }
  setOnNetwork(database(), on === true);
  eventLog().info(on === true ? 'The workshop was opened to the network' : 'The workshop was shut to the network');
  return readMembers();
}

/** Opens the workshop to the network where it was open before the last stop. */
export async function openAtStart(): Promise<void> {
  if (isOnNetwork(database())) await network()?.set(true);
}
