import { edgeNamed } from '../../core/outline';
import {
  CHAIR_PARTS,
  COVER_END,
  defaultsOf,
  EDGE_FACT,
  LOOSE,
  newPiece,
  type CoverEnd,
  type EdgeFact,
  type Loose,
  type Piece,
  type StripItem,
} from '../../core/piece';
import { NO_STRIP } from '../../core/strip';
import { stripItem } from '../strip-item';
import { mainPad, minutes, piece, rollLength, type Job } from './job';

const loose = (change: Partial<Loose>): Loose => ({ ...defaultsOf<Loose>(LOOSE), id: 'l-1', name: 'Back cushion', ...change });

const ended = (name: string): EdgeFact => ({
  ...defaultsOf<EdgeFact>(EDGE_FACT),
  edge: edgeNamed(name),
  end: defaultsOf<CoverEnd>(COVER_END),
});

const off = (part: StripItem['part'], name: string): StripItem => stripItem(`s-${name.toLowerCase().replaceAll(' ', '-')}`, { name, part });

const cut = (plan: Parameters<Job['figures'][number]['of']>[0], id: string) => plan.cover.pieces.find((piece) => piece.id === id)!;
const bench: Piece = newPiece('bench');

/** What real jobs have beside the plain ones: loose things, cloth that ends in sight, pockets, parts of one chair. */
export const FINER_POINTS: Job[] = [
  {
    id: 'bay-cushions',
    title: 'The reading bay’s back cushion and head roll',
    inputs: 'Corner seat as it starts; a cushion of 450 × 400, 150 thick, and a roll of 400, Ø 160; fibre in cases; zips; two loops each.',
    piece: piece('corner-seat', {
      name: 'Reading bay',
      loose: [
        loose({ kind: 'cushion', length: 450, height: 400, thick: 150 }),
        loose({ id: 'l-2', kind: 'roll', name: 'Head roll', length: 400, thick: 160 }),
      ],
    }),
    figures: [
      {
        what: 'cushion panel, width',
        of: (plan) => cut(plan, 'l-1-panel').width,
        least: 490,
        most: 525,
        why: '450 finished, an inch or so for its thickness, twelve of seam on either side',
      },
      {
        what: 'cushion, filling in grams',
        of: (plan) => plan.cover.loose[0]!.fill * 1000,
        least: 350,
        most: 600,
        why: 'a pound of fibre makes a back cushion, more makes a bolster of it',
      },
      {
        what: 'roll, body round it',
        of: (plan) => cut(plan, 'l-2-body').height,
        least: 515,
        most: 545,
        why: 'a diameter of 160 is 503 round, and the seam',
      },
      rollLength(1300, 2600, 'the seat’s metre and a half and what the cushions fit in beside it'),
    ],
    order: ['board', 'foam', 'cloth', 'staple', 'trim', 'loose-sew-l-1', 'loose-fill-l-1', 'loose-hang-l-1', 'loose-sew-l-2', 'measure'],
    buys: ['cloth.length', 'lining.length', 'loose.fill', 'loose.zip', 'loose.knobs', 'staple.count'],
  },
  {
    id: 'finished-ends',
    title: 'A hall bench whose ends are seen from below the stair',
    inputs: '1200 × 400; the cloth ends 4 above the board’s lower edge at both ends, 15 turned under, gimp pins.',
    piece: piece('bench', { name: 'Stair bench', base: { edges: [...(bench.base.edges ?? []), ended('left'), ended('right')] } }),
    figures: [
      {
        what: 'cover, width',
        of: (plan) => cut(plan, 'cover').width,
        least: 1340,
        most: 1420,
        why: '1200 of board, 90 down either end less what the pull rounds off, and 15 to turn under instead of return and hand',
      },
      {
        what: 'gimp pins in one end',
        of: (plan) => plan.cover.ends[0]!.length / 40 + 1,
        least: 9,
        most: 13,
        why: 'every inch and a half along 400',
      },
      minutes(70, 240, 'a bench, and ten minutes for each end'),
    ],
    order: ['board', 'foam', 'cloth', 'staple', 'end-left', 'end-right', 'trim', 'dust'],
    buys: ['cloth.length', 'foam.sheets', 'staple.count', 'end.left', 'end.right'],
  },
  {
    id: 'two-pockets',
    title: 'An observer’s chair with a pocket for the seat bones and one for the tail bone',
    inputs: '450 / 390 × 420; 60 firm; a pocket of 230 × 150 and one of 90 × 70 behind it, edges blended over 25.',
    piece: piece('chair-seat', {
      name: 'Observer’s chair',
      pads: mainPad('chair-seat', {
        thickness: 60,
        pocket: { x: 0, y: -10, width: 230, length: 150, deep: 22, blend: 25, material: 'resilient-medium' },
        patches: [{ x: 0, y: 120, width: 90, length: 70, deep: 25, blend: 20, material: 'resilient-medium' }],
      }),
    }),
    figures: [
      {
        what: 'foam left under the pocket',
        of: (plan) => 60 - plan.foam.find(({ insertOf }) => insertOf)!.thickness,
        least: 30,
        most: 45,
        why: 'less than an inch and a bit is felt through',
      },
      {
        what: 'inserts to cut',
        of: (plan) => plan.foam.filter(({ insertOf }) => insertOf).length,
        least: 2,
        most: 2,
        why: 'one for each pocket',
      },
      { what: 'sinks under 85 kg', of: (plan) => plan.sit?.sink ?? NaN, least: 15, most: 62, why: 'it is sat into, not sat through' },
    ],
    order: ['board', 'foam', 'pocket-main', 'pocket-main-2', 'glue-main', 'wadding', 'cloth', 'staple', 'trim'],
    buys: ['cloth.length', 'foam.sheets', 'staple.count'],
  },
  {
    id: 'chair-in-parts',
    title: 'The inside back of the director’s chair, with the parts round it',
    inputs:
      '560 × 510 in its frame; taken apart from the outside in: dust cover, outside back, outside arms, inside back, inside arms, deck.',
    piece: piece('tight-seat', {
      name: 'Director’s chair, inside back',
      strip: {
        ...NO_STRIP,
        part: 'inside-back',
        items: [...CHAIR_PARTS].reverse().map(({ id, name }) => off(id === 'inside-back' ? null : id, `Old ${name.toLowerCase()}`)),
      },
    }),
    figures: [minutes(70, 260, 'the panel itself, and putting its neighbours back')],
    order: [
      'strip',
      'part-deck',
      'part-inside-arms',
      'cloth',
      'staple',
      'part-wings',
      'part-outside-arms',
      'part-outside-back',
      'part-trim',
      'part-below',
      'measure',
    ],
    never: ['part-inside-back'],
    buys: ['cloth.length', 'staple.count', 'deck.webbing'],
  },
  {
    id: 'old-cover-back',
    title: 'A saloon chair whose old needlework goes back on',
    inputs: '450 / 390 × 420; the needlework is 610 × 590 edge to edge, its turnings hold 6 on either side; new foam under it.',
    piece: piece('chair-seat', {
      name: 'Saloon chair, old needlework',
      strip: {
        ...NO_STRIP,
        items: [stripItem('s-1', { what: 'cover', name: 'Needlework', again: 'refit' })],
        cover: [{ id: 'o-1', name: 'Cover', width: 610, height: 590, back: { letOut: 6 } }],
      },
    }),
    figures: [
      {
        what: 'the foam may be thicker by',
        of: (plan) => plan.strip.back[0]!.thicker!,
        least: 0,
        most: 20,
        why: 'it closes with a finger to spare: more and the old foam was another',
      },
      { what: 'cloth to buy, mm', of: (plan) => plan.cut.cloth.length, least: 0, most: 0, why: 'the old one goes on' },
      minutes(35, 160, 'a seat without the cutting, ten minutes for beating and mending'),
    ],
    order: ['strip', 'board', 'foam', 'glue-main', 'wadding', 'old-cover', 'staple', 'trim', 'dust'],
    never: ['cloth', 'refit-s-1'],
    buys: ['foam.sheets', 'wadding.length', 'staple.count'],
  },
  {
    id: 'three-sided-border',
    title: 'A guest room headboard bordered on three sides, its bottom behind the mattress',
    inputs: 'Bordered board as it starts; border of 100 on the sides and the top, none at the bottom; in stages.',
    piece: piece('headboard-bordered', {
      name: 'Guest room headboard',
      covering: { ...newPiece('headboard-bordered').covering, border: 100, borders: 'three' },
    }),
    figures: [
      {
        what: 'side border, cut length',
        of: (plan) => cut(plan, 'border-1').height,
        least: 1030,
        most: 1090,
        why: 'a metre of board from the top edge to the bottom one, and a hand to pull at both ends',
      },
      {
        what: 'lip strip',
        of: (plan) => plan.cover.seams.find(({ id }) => id === 'inner')!.length,
        least: 3050,
        most: 3130,
        why: '1300 across the top and 900 down either side: none along the bottom',
      },
    ],
    order: ['board', 'lip-strips', 'cloth', 'sew', 'inner-panel', 'border-tack', 'border-foam', 'border-pull', 'band-tack', 'staple'],
    buys: ['cloth.length', 'lip', 'card', 'cord', 'staple.count'],
  },
  {
    id: 'wedges-from-packets',
    title: 'Six raked dome seats: wedges in pairs, backed foam stretched over',
    inputs:
      '450 / 390 × 420; main pad 50 in front and 70 behind, cut in pairs; 5 mm backed foam over all instead of wadding; crown pads from packets of 10, 400 × 400.',
    piece: piece('chair-seat', {
      name: 'Dome seat, raked',
      count: 6,
      wadding: 'backed-5',
      pads: mainPad('chair-seat', { thickness: 50, wedge: 70, pair: true }).map((pad) =>
        pad.role === 'crown' ? { ...pad, packet: { width: 400, length: 400, each: 10 } } : pad,
      ),
    }),
    figures: [
      {
        what: 'blocks for six wedges',
        of: (plan) => plan.foam.find(({ pair }) => pair)!.count / plan.foam.find(({ pair }) => pair)!.layers.length,
        least: 3,
        most: 3,
        why: 'one cut through a block of 120 makes two',
      },
      {
        what: 'packets of crown pads',
        of: (plan) => plan.cut.foam.layouts.find(({ packets }) => packets !== null)!.packets!,
        least: 1,
        most: 1,
        why: 'six pads of 394 × 370, one from each piece',
      },
      rollLength(1600, 3000, 'two seats beside each other, three rows'),
    ],
    order: ['board', 'foam', 'form-main', 'glue-main', 'wadding', 'cloth', 'staple', 'trim'],
    buys: ['cloth.length', 'foam.sheets', 'foam.packets.1', 'wadding.length', 'wadding.staples', 'staple.count'],
  },
];
