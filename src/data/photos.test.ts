import { mkdirSync, readdirSync, utimesSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { eachInItsOwn } from '../testing/workshop';
import { sweepPhotos } from './photos';

const at = eachInItsOwn();

it('photos that were half written when the application stopped are swept out, those under way are not', () => {
  const photos = join(at.folder, 'photos');
  mkdirSync(photos, { recursive: true });
  for (const name of ['a.jpg', 'a.jpg.7.part', 'b.jpg.8.part']) writeFileSync(join(photos, name), 'x');
  utimesSync(join(photos, 'a.jpg.7.part'), new Date(0), new Date(0));
  sweepPhotos(photos);
  expect(readdirSync(photos).sort()).toEqual(['a.jpg', 'b.jpg.8.part']);
});
