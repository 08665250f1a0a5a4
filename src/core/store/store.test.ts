import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { newPiece } from '../piece';
import { checkDocument } from '../document';
import {
  clothInStore,
  clothToStore,
  foamToStore,
  readStoreCsv,
  shelf,
  sizesAsked,
  takenCloth,
  WARE_KINDS,
  withStoreFoam,
  writeStoreCsv,
} from '.';

const wares = shelf();
const named = (name: string) => wares.find((ware) => ware.name === name)!;

describe('what a piece takes from the store', () => {
  it('a cloth with all its figures, pulled and laid as before; a striped or napped one is smoothed only', () => {
    const seat = newPiece('chair-seat');
    const { cloth } = named('Striped wool, dusk');
    const taken = takenCloth({ ...seat.cloth, pull: 'taut', direction: 'across' }, cloth!);
    expect(taken).toMatchObject({ name: 'Striped wool, dusk', repeatAcross: 84, pull: 'smooth', direction: 'across' });
    expect(checkDocument({ ...seat, cloth: taken })).toHaveProperty('piece');
    const velvet = takenCloth({ ...seat.cloth, direction: 'any' }, named('Night-blue velvet').cloth!);
    expect(velvet.direction).toBe('along');
    expect(takenCloth({ ...seat.cloth, pull: 'firm' }, named('Plain wool').cloth!).pull).toBe('firm');
  });

  it('says where a piece’s cloth differs from the store’s of that name, and puts the piece’s own into it', () => {
    const { cloth } = named('Plain wool');
    expect(clothInStore(cloth!, wares)!.differs).toEqual([]);
    expect(clothInStore({ ...cloth!, name: ' plain WOOL', stretchWeft: 9, colour: 'rain' }, wares)!.differs).toEqual(['stretchWeft']);
    // What it costs is what the store says today, not what it was put in with.
    const dearer = wares.map((ware) => (ware.name === 'Plain wool' ? { ...ware, price: 44 } : ware));
    expect(clothInStore(cloth!, dearer)).toMatchObject({ differs: ['price'], cloth: { price: 44 } });
    const item = { ...cloth!, name: 'Attic tweed', weight: 510 };
    expect(clothInStore(item, wares)).toBeNull();
    const retained = { ...clothToStore(item), id: 'x' };
    expect(clothInStore(item, [...wares, retained])!.differs).toEqual([]);
  });

  it('a foam of the workshop’s own goes into the store from one piece and into the next from there', () => {
    const foams = [{ id: 'own-1', name: 'Old stock', type: 'polyether' as const, density: 33, ifd25: 180, supportFactor: 2, sold: [50] }];
    const ware = foamToStore({ foams }, 'own-1', 50)!;
    const next = newPiece('chair-seat');
    const { piece, material } = withStoreFoam(next, ware);
    const built = { ...piece, pads: piece.pads.map((pad) => (pad.role === 'main' ? { ...pad, material } : pad)) };
    expect(checkDocument(built)).toHaveProperty('piece');
    // Taken twice it is there once, and one that ships takes nothing along.
    expect(withStoreFoam(piece, ware).piece.foams).toHaveLength(1);
    expect(withStoreFoam(next, named('Seating, firm, 50 mm'))).toEqual({ piece: next, material: 'seat-firm' });
    expect(foamToStore({}, 'nobody', 50)).toBeNull();
  });
});

describe('the store as a table', () => {
  it('reads what it wrote, whatever stands between the columns, and asks of every kind what it is bought by', () => {
    for (const delimiter of [',', ';', '\t']) {
      const { data } = Papa.parse<string[]>(writeStoreCsv('wares', wares.slice(0, 3)), { skipEmptyLines: true });
      expect(readStoreCsv('wares', Papa.unparse(data, { delimiter }))).toEqual(
        readStoreCsv('wares', writeStoreCsv('wares', wares.slice(0, 3))),
      );
    }
    const all = readStoreCsv('wares', writeStoreCsv('wares', wares));
    all.forEach(({ id, row }, k) =>
      expect({ ...row, id }).toMatchObject({ id: wares[k]!.id, price: wares[k]!.price, sold: wares[k]!.sold }),
    );
    for (const { id, sold } of WARE_KINDS) expect(new Set(sizesAsked({ kind: id, sold })).size).toBe(sizesAsked({ kind: id, sold }).length);
  });

  it('says by row and column what is wrong, and never takes half a table', () => {
    const wrong: [string, RegExp][] = [
      ['name,colour\nx,y', /colour/],
      ['', /first line/],
      ['name,price\nGlue,lots', /Row 2, price/],
      ['name,price\nGlue,1,2', /more cells/],
      ['name\u0000,price', /not text/],
      ['kind,name,cloth.coated\ncloth,x,maybe', /say yes or no/],
    ];
    for (const [text, says] of wrong) expect(() => readStoreCsv('wares', text), text).toThrow(says);
    expect(() => readStoreCsv('stock', 'ware,flaws\nx,[1')).toThrow(/Row 2, flaws/);
  });
});
