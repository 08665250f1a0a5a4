import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';

type Locked = { version?: string; resolved?: string; integrity?: string; hasInstallScript?: boolean; link?: boolean; inBundle?: boolean };
const { packages } = JSON.parse(readFileSync('package-lock.json', 'utf8')) as { packages: Record<string, Locked> };
const locked = Object.entries(packages).filter(([path, { inBundle }]) => path !== '' && !inBundle);

it('every package that is installed is the one that was locked, and comes from nowhere in particular', () => {
  expect(locked.length).toBeGreaterThan(200);
  for (const [path, { integrity, resolved, link }] of locked) {
    expect(integrity, path).toMatch(/^sha512-/);
    expect([path, resolved, link]).toEqual([path, undefined, undefined]);
  }
});

it('no package but those that must runs anything when it is installed', () => {
  const scripts = locked.filter(([, item]) => item.hasInstallScript).map(([path]) => path.split('node_modules/').at(-1));
  expect([...new Set(scripts)].sort()).toEqual(['better-sqlite3', 'esbuild']);
});
