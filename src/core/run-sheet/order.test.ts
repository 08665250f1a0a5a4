import { describe, expect, it } from 'vitest';
import { WAYS } from '../cover';
import { problemsOf } from '../document';
import { KINDS, newPiece, type Piece } from '../piece';
import { planPiece, type Plan } from '../plan';
import { seededRandom } from '../../testing/seeded-random';
import { STEP_PLACES, type Step } from '.';
import { QUICK } from '../../testing/quick';
import { thisWeek } from '../../testing/runs';
import { weekly } from '../../testing/weekly';

/** What must come before what, whoever works: [earlier, later, why]. Keys as they begin. */
const BEFORE: [string, string, string][] = [
  ['strip', 'board', 'the board is looked at once it is bare'],
  ['board', 'foam', 'nothing is cut for a board that is not sound'],
  ['board', 'deck', 'webbing is stretched over a frame that holds'],
  ['deck', 'hessian', 'hessian lies on the webbing'],
  ['hessian', 'spray-', 'padding lies on the hessian'],
  ['foam', 'spray-', 'what is sprayed has been cut'],
  ['foam', 'rim-', 'a rim is worked on what has been cut'],
  ['rim-crown', 'glue-crown', 'under the main pad nobody carves any more'],
  ['trim-main', 'rim-main', 'what is trimmed is rounded after it'],
  ['rim-', 'wadding', 'wadding goes over the worked rim'],
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
  ['zip', 'sew', 'its band is whole before it is joined to the panels'],
  ['cloth', 'zip', 'its band has been cut'],
  ['measure', 'hang', 'nobody labels the back of what hangs'],
  ['tack', 'staple', 'centres first, with temporary ones'],
  ['board', 'button-holes', 'a board that is sound is drilled'],
  ['button-holes', 'spray-', 'under foam nobody drills'],
  ['glue-', 'button-wells', 'wells are cut in foam that lies'],
  ['button-wells', 'wadding', 'wadding is parted over them'],
  ['cloth', 'button-cover', 'buttons are covered with what is left'],
  ['button-cover', 'buttons', 'bare buttons are not drawn in'],
  ['tack', 'buttons', 'nothing draws on a cover that lies loose'],
  ['buttons', 'staple', 'edges are pulled once the buttons have taken their cloth'],
  ['buttons', 'tacks', 'edges are pulled once the buttons have taken their cloth'],
  ['buttons', 'corners', 'corners last'],
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

function inOrder(plan: Plan, text: string): void {
  const keys = orderOf(plan);
  expect(new Set(keys).size, `${text}: a step twice`).toBe(keys.length);
  for (const [earlier, later, why] of BEFORE) {
    const of = (stem: string): number[] =>
      keys.flatMap((key, i) => (key === stem || (stem.endsWith('-') && key.startsWith(stem)) ? [i] : []));
    const [first, then] = [of(earlier), of(later)];
    if (first.length === 0 || then.length === 0) continue;
    // Of several, all of the earlier come before the last of the later, and none of the later before the first.
    expect(Math.max(...first), `${text}: ${earlier} before ${later}: ${why}`).toBeLessThan(Math.max(...then));
    if (!later.endsWith('-')) expect(Math.max(...first), `${text}: ${earlier} before ${later}: ${why}`).toBeLessThan(Math.min(...then));
  }
  expect(keys.at(-1), text).toBe(keys.includes('hang') ? 'hang' : 'measure');
}

/** One of the orders that the graph of a run sheet allows, at random: of what can be done, anything is done next. */
function randomOrder(steps: readonly Step[], roll: () => number): Step[] {
  const left = [...steps];
  const done = new Set<string>();
  const order: Step[] = [];
  while (left.length > 0) {
    const can = left.filter(({ after }) => after.every((key) => done.has(key)));
    if (can.length === 0) throw new Error(`nothing can be done next of ${left.map(({ key }) => key).join(', ')}`);
    const next = can[Math.floor(roll() * can.length)]!;
    left.splice(left.indexOf(next), 1);
    done.add(next.key);
    order.push(next);
  }
  return order;
}

/** However the work is shared out, what the graph allows can be worked in; its own order is one of them. */
function anyOrder(plan: Plan, text: string, roll: () => number): void {
  const listed = new Set<string>();
  for (const { key, after, open, place } of plan.steps) {
    for (const before of after) expect(listed.has(before), `${text}: ${key} needs ${before}, which no earlier step made`).toBe(true);
    listed.add(key);
    if (open !== undefined) expect(key, text).toMatch(/^spray-/);
    if (place) expect(STEP_PLACES.map(({ id }) => id)).toContain(place);
  }
  for (let k = 0; k < 3; k++) inOrder({ ...plan, steps: randomOrder(plan.steps, roll) }, `${text}, in a random order`);
}

/** Whoever works by it sees whole minutes, a sentence, and a caution where a blade, glue, a staple or a needle is in hand. */
const DANGEROUS: [RegExp, RegExp][] = [
  [/^(foam|trim-|pocket-|patch-|button-wells)/, /[Kk]nives/],
  [/^button-holes$/, /drills/],
  [/^buttons$/, /children/],
  [/^spray-/, /flammable/],
  [/^(staple|tack|corners|dust|hessian)$/, /[Ss]taples/],
  [/^(sew|welts|channels|zip)$/, /needle/],
  [/^rivet$/, /rivets/],
  [/^deck$/, /tension/],
  [/^strip$/, /mould, pests/],
  [/^measure$/, /fire/],
];

function safe({ steps }: Plan, text: string): void {
  for (const { key, name, detail, minutes, wait, caution = '' } of steps) {
    expect(name.length, `${text} ${key}`).toBeGreaterThan(2);
    expect(detail, `${text} ${key}`).not.toMatch(/undefined|NaN|null|\s{2}|\.\.(?!\.)|,\s*[.;]/);
    expect(Number.isInteger(minutes) && minutes >= 1, `${text} ${key}: ${minutes} minutes`).toBe(true);
    expect(Number.isInteger(wait) && wait >= 0, `${text} ${key}`).toBe(true);
    for (const [which, words] of DANGEROUS) if (which.test(key)) expect(caution, `${text} ${key}`).toMatch(words);
    if (caution) expect(caution, `${text} ${key}`).toContain('ollow your local rules');
  }
}

const planned = (piece: Piece): Plan => planPiece(piece, {}, QUICK);

describe('the run sheet of every kind in every way it can be covered', () => {
  it.each(thisWeek(KINDS, 3).map(({ id }) => id))('%s: in an order one can work in, with its cautions', (id) => {
    let tried = 0;
    const roll = seededRandom(17);
    for (const way of WAYS) {
      const plain = newPiece(id);
      const piece: Piece = { ...plain, covering: { ...plain.covering, way: way.id } };
      if (problemsOf(piece).length > 0) continue;
      const plan = planned(piece);
      inOrder(plan, `${id}, ${way.name}`);
      anyOrder(plan, `${id}, ${way.name}`, roll);
      safe(plan, `${id}, ${way.name}`);
      tried += 1;
    }
    expect(tried).toBeGreaterThan(5);
  });

  weekly(2)('and so with everything at once: stripped, webbing, an old patched pad, a pocket, linings, a welt', () => {
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
      anyOrder(plan, way, seededRandom(3));
      safe(plan, way);
      const keys = orderOf(plan);
      expect(keys).toEqual(
        expect.arrayContaining(['strip', 'finding-mould', 'kept-main', 'patch-main', 'pocket-topper', 'welts', 'refit-s-2']),
      );
    }
  });

  it.each(['staples', 'tacks', 'screws', 'cord', 'glue'] as const)('and so with deep buttons, the cover held by %s', (holdId) => {
    const chair = newPiece('chair-seat');
    const buttons = { columns: 2, rows: 2, spacing: 120, depth: 22, size: 22 };
    const piece: Piece = { ...chair, covering: { ...chair.covering, way: 'buttoned', buttons, held: holdId } };
    expect(problemsOf(piece)).toEqual([]);
    const plan = planned(piece);
    inOrder(plan, holdId);
    anyOrder(plan, holdId, seededRandom(5));
    if (holdId === 'staples') safe(plan, holdId);
    expect(orderOf(plan)).toEqual(expect.arrayContaining(['button-holes', 'button-cover', 'button-wells', 'buttons']));
    expect(orderOf(plan).indexOf('buttons')).toBe(orderOf(plan).indexOf('tack') + 1);
  });

  it('a check of its own: a sheet out of order is found', () => {
    const plan = planned(newPiece('chair-seat'));
    const swapped = { ...plan, steps: [...plan.steps.slice(0, -2), plan.steps.at(-1)!, plan.steps.at(-2)!] };
    expect(() => inOrder(swapped, 'swapped')).toThrow();
    const glued = plan.steps.findIndex(({ key }) => key === 'spray-main');
    const early = [plan.steps[glued + 1]!, ...plan.steps.filter((_, i) => i !== glued + 1)];
    expect(() => inOrder({ ...plan, steps: early }, 'glued before it is sprayed')).toThrow();
    // A graph without what the piece stands on lets a cover be pulled on before it is sewn.
    const boxed = planned(newPiece('round-seat'));
    const loose = boxed.steps.map((step) => (step.strand === 'piece' ? { ...step, after: step.after.slice(0, 1) } : step));
    const found = [1, 2, 3, 4, 5].filter((seed) => {
      try {
        anyOrder({ ...boxed, steps: loose }, 'loose', seededRandom(seed));
        return false;
      } catch {
        return true;
      }
    });
    expect(found.length).toBeGreaterThan(2);
  });
});
