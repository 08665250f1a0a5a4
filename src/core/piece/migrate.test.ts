import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { checkDocument, documentSchema, parseDocument } from '../document';
import { planPiece } from '../plan';
import { migrate, newChairSeat, VERSION, type Piece } from '.';
import { QUICK } from '../../testing/quick';

const FIXTURES = 'src/core/piece/fixtures';

describe('a document of an older form', () => {
  // Files of every form there was, as they were written: “1-name.json” is of form 1.
  it.each(readdirSync(FIXTURES))('%s still opens, and plans to finite figures', (file) => {
    const text = readFileSync(`${FIXTURES}/${file}`, 'utf8');
    const old = JSON.parse(text) as { schema: string; name: string; count: number; pads: unknown[] };
    expect(old.schema).toBe(`fovea.piece/${file.split('-')[0]}`);
    const piece = parseDocument(text);
    expect(piece.schema).toBe(`fovea.piece/${VERSION}`);
    // What did not change its form is the very same.
    expect(piece).toMatchObject({ name: old.name, count: old.count, pads: old.pads });
    const plan = planPiece(piece, {}, QUICK);
    expect(Number.isFinite(plan.cut.cloth.length)).toBe(true);
    // It is written in today's form, and read again as it is.
    expect(parseDocument(JSON.stringify(piece))).toEqual(piece);
  });

  it('has its edges and corners as values, its nails and corrections as they are said today', () => {
    const today: Piece = {
      ...newChairSeat(),
      base: {
        ...newChairSeat().base,
        notches: [
          { id: 'n-1', at: { kind: 'corner', name: 'back left' }, width: 40, depth: 45 },
          { id: 'n-2', at: { kind: 'edge', name: 'front', along: 12 }, width: 30, depth: 20 },
        ],
        edges: [{ edge: { kind: 'edge', name: 'back' }, fasten: false, visible: true, against: true, strip: null, trim: 0 }],
      },
      covering: {
        way: 'nail-edged',
        nails: { pitch: 25, head: 11, small: null },
        corrections: [
          { id: 'c-1', piece: 'cover', what: 'width', where: null, by: 4, note: '', day: '2026-11-20' },
          { id: 'c-2', piece: 'cover', what: 'height', where: { kind: 'edge', name: 'left' }, by: 4, note: '', day: '2026-11-20' },
        ],
      },
    };
    const { base, covering } = today;
    const first = {
      ...today,
      schema: 'fovea.piece/1',
      base: {
        ...base,
        notches: [
          { ...base.notches![0]!, at: { kind: 'corner', corner: 'back left corner' } },
          { ...base.notches![1]!, at: { kind: 'edge', edge: 'front', along: 12 } },
        ],
        edges: [{ ...base.edges![0]!, edge: 'back' }],
      },
      covering: {
        ...covering,
        nails: { ...covering.nails, small: 0 },
        corrections: [
          { ...covering.corrections![0]!, where: 'all' },
          { ...covering.corrections![1]!, where: 'left' },
        ],
      },
    };
    expect(migrate(first)).toEqual({ data: today });
    const { covering: _none, ...bare } = first;
    void _none;
    expect((migrate(bare) as { data: Piece }).data.covering).toEqual({ way: 'pull-over' });
  });

  it('of a form that is still to come is left alone, with a word', () => {
    const checked = checkDocument({ ...newChairSeat(), schema: `fovea.piece/${VERSION + 1}` });
    expect(checked).toMatchObject({ problems: [{ path: 'schema', message: expect.stringContaining('newer') }] });
  });

  it('that is nothing of the kind is refused, whatever it is', () => {
    for (const data of [null, 3, 'piece', [], { schema: 7 }, { schema: 'fovea.piece/one' }, { schema: 'fovea.piece/0' }])
      expect(checkDocument(data)).toHaveProperty('problems');
  });

  it('the printed schema names every way of covering and stands by itself', () => {
    const schema = JSON.parse(JSON.stringify(documentSchema())) as {
      properties: { covering: { properties: { way: { enum: string[] } } } };
    };
    expect(schema.properties.covering.properties.way.enum).toContain('saddle-set');
    expect(JSON.stringify(schema)).not.toContain('"$ref"');
  });
});
