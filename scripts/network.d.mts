import type { RequestListener, ServerOptions } from 'node:http';

export type Network = { set: (on: boolean) => Promise<void>; isOpen: () => boolean; addresses: () => string[] };
export function machineAddresses(): string[];
export function createNetwork(options: {
  limits: ServerOptions;
  answer: RequestListener;
  port: number;
  names?: string[];
  addresses?: () => string[];
}): Network;
