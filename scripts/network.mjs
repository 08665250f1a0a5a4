import { createServer } from 'node:http';
import { networkInterfaces } from 'node:os';

/** How often the machine's addresses are looked at again, ms: a router may give it another. */
const FOLLOWED = 60_000;

/** The addresses of this machine on its networks. */
export const machineAddresses = () =>
  Object.values(networkInterfaces())
    .flat()
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);

/**
 * The door to the network: shut until it is opened, and then a listener on each address of the machine, beside the one that
 * listens to the machine itself.
 *
 * @param options `limits` and `answer` of the server, its `port`, by what `names` a server in front may call it; `addresses` of the machine
 */
export function createNetwork({ limits, answer, port, names = [], addresses = machineAddresses }) {
  const listeners = new Map();
  let open = false;
  const tell = () => {
    // The entrance knows the workshop by these.
    process.env.FOVEA_LAN = [...[...listeners.keys()].map((address) => `${address}:${port}`), ...names].join(',');
  };
  const listen = (address) =>
    new Promise((done, failed) => {
      const server = createServer(limits, answer);
      server.once('error', failed);
      server.listen(port, address, () => {
        listeners.set(address, server);
        done();
      });
    });
  const close = (address) => {
    const server = listeners.get(address);
    listeners.delete(address);
    server.close();
    server.closeAllConnections();
  };
  const step = async () => {
    const wanted = open ? addresses() : [];
    for (const address of [...listeners.keys()]) if (!wanted.includes(address)) close(address);
    try {
      for (const address of wanted) if (!listeners.has(address)) await listen(address);
    } finally {
      tell();
    }
  };
  // One after the other: two at once would both listen on one address.
  let last = Promise.resolve();
  const follow = () => (last = last.catch(() => undefined).then(step));
  tell();
  // What cannot be listened to now is tried again.
  setInterval(() => void follow().catch(() => undefined), FOLLOWED).unref();
  return {
    /** Opens or shuts it; rejects where the port is taken on an address. */
    set: async (on) => {
      open = on;
      await follow();
    },
    isOpen: () => open,
    /** Where it is open: host and port. */
    addresses: () => [...listeners.keys()].map((address) => `${address}:${port}`),
  };
}
