import { createServer, type RequestListener } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { createNetwork, type Network } from '../../../scripts/network.mjs';

/** Linux answers on all of 127.x: one of them stands for the machine's address on its network. */
const ADDRESS = '127.0.0.7';

let port: number;
let server: ReturnType<typeof createServer>;
let network: Network;
let addresses: string[];

const answer: RequestListener = (_request, response) => response.end('here');
const reached = async (host = ADDRESS): Promise<boolean> =>
  fetch(`http://${host}:${port}/`).then(
    (response) => response.ok,
    () => false,
  );

beforeEach(async () => {
  server = createServer(answer);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  port = (server.address() as AddressInfo).port;
  addresses = [ADDRESS];
  network = createNetwork({ limits: {}, answer, port, names: ['bench.house'], addresses: () => addresses });
});

afterEach(async () => {
  await network.set(false);
  server.close();
  delete process.env.FOVEA_LAN;
});

describe('the door to the network', () => {
  it('is shut until it is opened, opens beside the machine’s own address, and shuts again', async () => {
    expect(await reached()).toBe(false);
    await network.set(true);
    expect(await reached()).toBe(true);
    expect(await reached('127.0.0.1')).toBe(true);
    expect(process.env.FOVEA_LAN).toBe(`${ADDRESS}:${port},bench.house`);
    await network.set(false);
    expect(await reached()).toBe(false);
    expect(await reached('127.0.0.1')).toBe(true);
    expect(process.env.FOVEA_LAN).toBe('bench.house');
  });

  it('follows the machine to another address', async () => {
    await network.set(true);
    addresses = ['127.0.0.8'];
    await network.set(true);
    expect(await reached()).toBe(false);
    expect(await reached('127.0.0.8')).toBe(true);
  });

  it('says that another program has the port', async () => {
    const other = createServer(answer);
    await new Promise<void>((done) => other.listen(port, ADDRESS, done));
    await expect(network.set(true)).rejects.toMatchObject({ code: 'EADDRINUSE' });
    expect(network.addresses()).toEqual([]);
    other.close();
  });
});
