import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  // The database's native part and the threads are loaded, not bundled.
  serverExternalPackages: ['better-sqlite3', 'libsql', 'piscina', '@node-rs/argon2'],
  devIndicators: false,
  // A photo of 20 MB comes through whole; what is larger is refused by its own route, with words.
  experimental: { proxyClientMaxBodySize: '21mb' },
  // `npm test` checks types once, in a step of its own.
  typescript: { ignoreBuildErrors: true },
};

export default config;
