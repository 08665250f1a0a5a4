import { describe, expect, it } from 'vitest';
import { WAYS } from '../cover';
import { problemsOf } from '../document';
import { KINDS, newPiece, type Piece } from '../piece';
import { planPiece, type Plan } from '../plan';

/** What must come before what, whoever works: [earlier, later, why]. Keys as they begin. */
const BEFORE: [string, string, string][] = [
  ['strip', 'board', 'the board is looked at once it is bare'],
  ['board', 'foam', 'nothing is cut for a board that is not sound'],
  ['board', 'deck', 'webbing is stretched over a frame that holds'],
  ['deck', 'hessian', 'hessian lies on the webbing'],
  ['hessian', 'spray-', 'padding lies on the hessian'],
  ['foam', 'spray-', 'what is sprayed has been cut'],
  ['spray-crown', 'glue-crown', 'glue first'],
  ['spray-main', 'glue-main', 'glue first'],
  ['glue-crown', 'glue-main', 'a crown pad lies below'],
  ['glue-main', 'glue-topper', 'a topper lies on top'],
  ['glue-main', 'trim-main', 'trimmed once the glue holds'],
  ['pocket-', 'glue-main', 'carved on the bench, not on the board'],
  ['patch-', 'glue-main', 'patched on the bench, not on the board'],
  ['kept-', 'glue-main', 'old foam is cleaned before it is laid'],
  ['glue-main', 'wadding', 'wadding goes over the foam'],
  ['wadding', 'tack', 'the cover goes over the wadding'],
  ['channels', 'cloth', 'a quilted panel is cut once it is quilted'],
  ['cloth', 'welts', 'welts come out of what the pieces leave'],
  ['cloth', 'sew', 'what is sewn has been cut'],
  ['welts', 'sew', 'a welt is sewn into its seam'],
  ['sew', 'tack', 'sewn before it is pulled on'],
  ['sew', 'zip', 'the zip goes into a sewn band'],
  ['tack', 'staple', 'centres first, with temporary ones'],
  ['staple', 'corners', 'corners last'],
  ['staple', 'trim', 'trimmed once it holds'],
  ['rivet', 'trim', 'trimmed once it holds'],
  ['corners', 'trim', 'trimmed once the corners hold'],
  ['trim', 'dust', 'the dust cover hides the trimmed edge'],
  ['dust', 'measure', 'measured when it is done'],
];

function orderOf({ steps }: Plan): string[] {
  return steps.map(({ key }) => key);
}

function inOrder(plan: Plan, said: string): void {
  const keys = orderOf(plan);
  expect(new Set(keys).size, `${said}: a step twice`).toBe(keys.length);
  for (const [earlier, later, why] of BEFORE) {
    const of = (stem: string): number[] =>
      keys.flatMap((key, i) => (key === stem || (stem.endsWith('-') && key.startsWith(stem)) ? [i] : []));
    const [first, then] = [of(earlier), of(later)];
    if (first.length === 0 || then.length === 0) continue;
    // Of several, all of the earlier come before the last of the later, and none of the later before the first.
    expect(Math.max(...first), `${said}: ${earlier} before ${later}: ${why}`).toBeLessThan(Math.max(...then));
    if (!later.endsWith('-')) expect(Math.max(...first), `${said}: ${earlier} before ${later}: ${why}`).toBeLessThan(Math.min(...then));
  }
  expect(keys.at(-1), said).toBe('measure');
}

/** Whoever works by it sees whole minutes, a sentence, and a caution where a blade, glue, a staple or a needle is in hand. */
const DANGEROUS: [RegExp, RegExp][] = [
  [/^(foam|trim-|pocket-|patch-)/, /[Kk]nives/],
  [/^spray-/, /flammable/],
  [/^(staple|tack|corners|dust|hessian)$/, /[Ss]taples/],
  [/^(sew|welts|channels|zip)$/, /needle/],
  [/^rivet$/, /rivets/],
  [/^deck$/, /tension/],
  [/^strip$/, /mould, pests/],
  [/^measure$/, /fire/],
];

function safe({ steps }: Plan, said: string): void {
  for (const { key, name, detail, minutes, wait, caution = '' } of steps) {
    expect(name.length, `${said} ${key}`).toBeGreaterThan(2);
    expect(detail, `${said} ${key}`).not.toMatch(/undefined|NaN|null|\s{2}|\.\.(?!\.)|,\s*[.;]/);
    expect(Number.isInteger(minutes) && minutes >= 1, `${said} ${key}: ${minutes} minutes`).toBe(true);
    expect(Number.isInteger(wait) && wait >= 0, `${said} ${key}`).toBe(true);
    for (const [which, words] of DANGEROUS) if (which.test(key)) expect(caution, `${said} ${key}`).toMatch(words);
    if (caution) expect(caution, `${said} ${key}`).toContain('ollow your local rules');
  }
}

const planned = (piece: Piece): Plan => planPiece(piece, {}, { sits: false, coarse: true });

describe('the run sheet of every kind in every way it can be covered', () => {
  it.each(KINDS.map(({ id }) => id))('%s: in an order one can work in, with its cautions', (id) => {
    let tried = 0;
    for (const way of WAYS) {
      const plain = newPiece(id);
      const piece: Piece = { ...plain, covering: { ...plain.covering, way: way.id } };
      if (problemsOf(piece).length > 0) continue;
      const plan = planned(piece);
      inOrder(plan, `${id}, ${way.name}`);
      safe(plan, `${id}, ${way.name}`);
      tried += 1;
    }
    expect(tried).toBeGreaterThan(5);
  });

  it('and so with everything at once: stripped, webbing, an old patched pad, a pocket, linings, a welt', () => {
    const chair = newPiece('chair-seat');
    const pocket = { x: 0, y: 0, width: 160, length: 140, deep: 12, material: 'resilient-medium' };
    const full: Piece = {
      ...chair,
      count: 4,
      wadding: 'wadding-200',
      base: { ...chair.base, opening: { width: 520, depth: null, clear: 2 } },
      pads: [
        chair.pads[0]!,
        { ...chair.pads[1]!, kept: 'turned', hardnessLeft: 75, trim: false, pocket },
        { id: 'topper', role: 'topper', material: 'resilient-medium', thickness: 25, offset: null, edge: { kind: 'square' }, pocket },
      ],
      strip: {
        items: [
          {
            id: 's-1',
            what: 'fastener',
            name: 'Staples',
            where: '',
            count: 80,
            crown: 10,
            leg: 8,
            thickness: 0,
            again: 'replace',
            photos: [],
          },
          {
            id: 's-2',
            what: 'screw',
            name: 'Four screws',
            where: 'from below',
            count: 4,
            crown: 0,
            leg: 30,
            thickness: 0,
            again: 'refit',
            photos: [],
          },
        ],
        findings: ['mould', 'glued-foam'],
        press: null,
        cover: [],
        tasks: [],
      },
      covering: {
        ...chair.covering,
        liner: true,
        slipFilm: true,
        waterproof: true,
        welt: { cord: 6, cut: 'as-it-bends', upper: true, lower: true, double: true },
      },
    };
    expect(problemsOf(full)).toEqual([]);
    for (const way of ['pull-over', 'boxed', 'bordered'] as const) {
      const plan = planned({ ...full, covering: { ...full.covering, way } });
      inOrder(plan, way);
      safe(plan, way);
      const keys = orderOf(plan);
      expect(keys).toEqual(
        expect.arrayContaining(['strip', 'finding-mould', 'kept-main', 'patch-main', 'pocket-topper', 'welts', 'refit-s-2']),
      );
    }
  });

  it('a check of its own: a sheet out of order is found', () => {
    const plan = planned(newPiece('chair-seat'));
    const swapped = { ...plan, steps: [...plan.steps.slice(0, -2), plan.steps.at(-1)!, plan.steps.at(-2)!] };
    expect(() => inOrder(swapped, 'swapped')).toThrow();
    const glued = plan.steps.findIndex(({ key }) => key === 'spray-main');
    const early = [plan.steps[glued + 1]!, ...plan.steps.filter((_, i) => i !== glued + 1)];
    expect(() => inOrder({ ...plan, steps: early }, 'glued before it is sprayed')).toThrow();
  });
});
