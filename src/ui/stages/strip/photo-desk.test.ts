import { describe, expect, it } from 'vitest';
import { defaultsOf, STRIP_ITEM, type StripItem, type StripRecord } from '@/core/piece';
import { NO_STRIP } from '@/core/strip';
import { pinsOf } from '@/ui/kit/pinned-photo';
import { photosOf, withoutPhoto } from './photo-desk';

const photo = (letter: string): string => `${letter.repeat(64)}.jpg`;
const item = (id: string, name: string, photos: string[]): StripItem => ({
  ...defaultsOf<StripItem>(STRIP_ITEM),
  id,
  what: 'strap',
  name,
  where: '',
  again: 'refit',
  photos,
});
const pin = (id: string, on: string) => ({ id, photo: photo(on), x: 0.2, y: 0.7, text: id });

const strip: StripRecord = {
  ...NO_STRIP,
  photos: [photo('a'), photo('b')],
  items: [item('s-1', 'Carrying strap', [photo('c'), photo('a')]), item('s-2', '', [photo('d')])],
  pins: [pin('n-1', 'c'), pin('n-2', 'a'), pin('n-3', 'c')],
};

describe('photos of a strip record', () => {
  it('are those of the whole first, then of each thing, each once, with what it is of', () => {
    expect(photosOf(strip)).toEqual([
      { name: photo('a'), of: 'the whole' },
      { name: photo('b'), of: 'the whole' },
      { name: photo('c'), of: 'Carrying strap' },
      { name: photo('d'), of: 'straps' },
    ]);
  });

  it('keep their pins, numbered over all photos as they were put', () => {
    expect(pinsOf(strip.pins!, photo('c')).map(({ number, id }) => [number, id])).toEqual([
      [1, 'n-1'],
      [3, 'n-3'],
    ]);
    expect(pinsOf(strip.pins!, photo('d'))).toEqual([]);
  });

  it('one that is taken out goes from wherever it is, with its pins and nothing else', () => {
    const rest = withoutPhoto(strip, photo('a'));
    expect(photosOf(rest).map(({ name }) => name)).toEqual([photo('b'), photo('c'), photo('d')]);
    expect(rest.pins!.map(({ id }) => id)).toEqual(['n-1', 'n-3']);
    expect(withoutPhoto(NO_STRIP, photo('a'))).toEqual(NO_STRIP);
  });
});
