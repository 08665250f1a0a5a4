import { expect, it } from 'vitest';
import { verdictOf } from '.';

const sat = { loader: 'seated' as const, mass: 85, sink: 31.4, leastLeft: 19.3, bottoms: false, edgeFelt: false, converged: true };

it('a sitting in one line: who, how far, how much is left, and whether the edge is felt', () => {
  expect(verdictOf(sat)).toBe('85 kg: sinks 31 mm, 19 mm left, edge not felt');
  expect(verdictOf({ ...sat, edgeFelt: true })).toContain('edge felt');
  expect(verdictOf({ ...sat, bottoms: true, leastLeft: 4 })).toBe('85 kg: sinks 31 mm, bottoms out with 4 mm left, edge not felt');
  expect(verdictOf({ ...sat, loader: 'leaning' })).toMatch(/^85 kg, .*: sinks/);
  expect(verdictOf({ ...sat, converged: false })).toContain('no verdict');
});
