import { expect, it } from 'vitest';
import { parseMass } from '.';

it.each([
  ['85', 85],
  ['85 kg', 85],
  ['92,5kg', 92.5],
  ['15 st', 95.3],
  ['15st 4', 97.1],
  ['15 stone 4 lb', 97.1],
  ['190 lb', 86.2],
  ['-3', -3],
])('a weight said as %s is %s kg', (text, kg) => expect(parseMass(text)).toBe(kg));

it.each(['', 'heavy', '15 sticks', 'st', '1 2 3'])('“%s” is no weight', (text) => expect(parseMass(text)).toBeNull());
