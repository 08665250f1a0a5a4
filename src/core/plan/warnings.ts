import { stretchedIn } from '../base';
import { surfaceStep, type Fineness, type Model } from '../padding';
import { clothWarnings, wayOf, type CoverPlan, shortAt } from '../cover';
import type { CutPlan } from '../foam-cutting';
import { FASTENERS } from '../fastening';
import { nearestMade } from '../foam';
import { ruleOf, unusual } from '../house';
import { COURSES, DECK, defaultsOf, fieldAt, foamOf, FRAME, kindOf, saidCorner } from '../piece';
import type { SitPlan } from '../seat-check';
import { goesBack, oldStaples, staysIn, tooThick } from '../strip';
import { wholeUp } from '../ties';
import { sayLength as shown, type Warn, type Warning } from '../warning';
import { hardwareWarnings, panelWarning, roomWarning, unlikelyWarnings } from './fit-warnings';
import { byHarm } from './mends';
import type { Planner } from './planner';
import { boardStep, cornersStep, coverStep, cutStep, fasteningOf, foamStep, panelsStep, wrapsStep } from './steps';

/** Under this the fingers have nothing to hold, mm (trade default: warn when grip < 25). */
const LEAST_GRIP = 25;

/** A main pad thinner than this is none, mm. */
const LEAST_MAIN = 10;

/** Puts warnings down in the order they are made. */
function collected(warn: (warn: Warn) => void): Warning[] {
  const found: Warning[] = [];
  warn((code, where, message, mend) => void found.push({ code, where, message, ...(mend ? { mend } : {}) }));
  return found;
}

/** What the base itself gives cause to say: its board, the wall it hangs on, its edges. */
export function baseWarnings(model: Model): Warning[] {
  const { base, strip } = model.piece;
  return collected((warn) => {
    const board = boardStep(model);
    if (board.verdict === 'soft' || board.verdict === 'breaks') {
      const cures = [
        board.thickness ? `${board.thickness} mm of the same board would do` : '',
        board.rib ? `a rib of ${board.rib.width} × ${board.rib.height} mm across the middle would carry it` : '',
      ].filter(Boolean);
      warn(
        board.verdict === 'breaks' ? 'board-breaks' : 'board-soft',
        'base.board.thickness',
        `${board.words} ${cures.length > 0 ? `${capital(cures.join('; '))}.` : 'No board of this kind on sale is strong enough; use another, or support it all over.'}`,
        board.thickness ? { says: `Take ${board.thickness} mm`, path: 'base.board.thickness', value: board.thickness } : undefined,
      );
    }
    if (board.verdict === 'slack') {
      const value = defaultsOf(DECK).give;
      warn('deck-slack', 'base.deck.give', board.words, { says: `Stretch it to ${value} mm`, path: 'base.deck.give', value });
    }
    const { courses } = base;
    if (courses && !stretchedIn(base) && !courses.glued && courses.layers === 1 && !base.frame) {
      const value = { ...defaultsOf(FRAME), ribs: 2 };
      warn('courses-loose', 'base.courses.glued', 'Courses that are not glued fall apart: battens across the joints hold them.', {
        says: 'A frame with two ribs',
        path: 'base.frame',
        value,
      });
    }
    const panels = panelsStep(model);
    const asked = model.piece.panels;
    const rating = panels ? wholeUp(panels.needed / panels.cleats) : 0;
    if (panels && !panels.holds)
      warn(
        'panels-too-heavy',
        'panels.rating',
        `${panels.mounting === 'joined' ? 'The joined panels need' : 'Each panel needs'} ${Math.ceil(panels.needed)} kg of cleats (4 × weight); the ${panels.cleats} that fit hold ${panels.rated} kg. Take cleats that carry more.`,
        { says: `Cleats of ${rating} kg`, path: 'panels.rating', value: rating },
      );
    if (panels && panels.holds && asked && panels.cleats > asked.cleats)
      warn(
        'cleats-added',
        'panels.cleats',
        `${asked.cleats} cleats hold ${asked.cleats * asked.rating} kg; ${panels.mounting === 'joined' ? 'the joined panels need' : 'each panel needs'} ${Math.ceil(panels.needed)} kg (4 × weight). ${panels.cleats} are planned.`,
        { says: `${panels.cleats} cleats`, path: 'panels.cleats', value: panels.cleats },
      );
    for (const { edge, visible, trim, fasten, against, strip: lip } of base.edges ?? []) {
      if (!visible && trim > 0) warn('trim-not-seen', 'base.edges', `The ${edge.name} edge is not seen: its trim can be left off.`);
      if (!fasten && visible && !against && !lip)
        warn('edge-loose', 'base.edges', `The ${edge.name} edge is seen and not fastened: finish its cover against a hard-edge strip.`);
    }
    for (const staple of oldStaples(strip, base.board.thickness, model.rule('stapleClear')))
      if (staple.tooLong) warn('old-staple-long', 'strip', staple.words);
    if (staysIn(strip) && model.piece.pads.length > 0 && model.piece.pads.every(({ kept }) => !kept))
      warn(
        'foam-stays',
        'pads',
        'At Strip the foam stays in, and the padding is planned all new: it would be bought and glued a second time.',
      );
    hardwareWarnings(model, warn);
    unlikelyWarnings(model, warn);
  });
}

/** Pads that sheets do not make up as they are, each with the thickness that they do. */
function thicknessWarnings(model: Model, warn: Warn): void {
  const { pads } = model.piece;
  for (const [i, { pad: id, exact, layers, made, material, materialName, pair }] of foamStep(model).entries()) {
    if (exact) continue;
    const at = pads.findIndex((pad) => pad.id === id);
    const item = pads[at] ?? null;
    // What is sold makes up the thick end of a wedge.
    const end = item && !pair && (item.wedge ?? 0) > item.thickness ? 'wedge' : 'thickness';
    const near = item && nearestMade(made, foamOf(model.piece, material)?.sold ?? []);
    const value = near === null ? 0 : (item![end] ?? 0) + near - made;
    const over = layers.reduce((sum, layer) => sum + layer, 0) - made;
    warn(
      'thickness-not-sold',
      `pads.${item ? at : i}.thickness`,
      `${materialName} is not sold to make ${shown(made)}: buy ${layers.join(' + ')} mm and slit off ${shown(over)}.`,
      value > 0 ? { says: `Take ${shown(value)}`, path: `pads.${at}.${end}`, value } : undefined,
    );
  }
}

/** What the stack and the cover pulled over it give cause to say. */
export function buildWarnings(model: Model, fineness: Fineness = 'full'): Warning[] {
  const { piece } = model;
  return collected((warn) => {
    if (!piece.pads.some((pad) => pad.role === 'main')) warn('no-main-pad', 'pads', 'No main pad yet: the cover would lie on the board.');
    thicknessWarnings(model, warn);
    padWarnings(model, warn);
    roomWarning(model, fineness, warn);
    panelWarning(model, fineness, warn);
    const surface = surfaceStep(model, fineness);
    if (!surface.converged)
      warn(
        'not-at-rest',
        'surface',
        'The cover could not be worked out over this stack. Do not cut from these figures. Pull less, or take a firmer foam.',
      );
    if (surface.showThrough.reads)
      warn(
        'shows-through',
        'pads',
        `The step of the ${surface.showThrough.pad ?? ''} pad reads through the cover (it bends with a radius of ${Math.round(1000 / surface.showThrough.curvature)} mm above it): feather its rim, or lay a thicker pad over it.`,
      );
  });
}

function padWarnings({ piece, pads }: Model, warn: Warn): void {
  // On webbing there is no board to feel, and a loose pad goes past its board's edge or has none.
  const hard = !stretchedIn(piece.base) && !wayOf(piece.covering.way).loose;
  pads.forEach(({ pad, offset, foam }, i) => {
    if (pad.role === 'main' && offset <= 0 && hard && kindOf(piece.kind).traits.sat)
      warn(
        'edge-not-buried',
        `pads.${i}.offset`,
        offset === 0
          ? 'The pad is flush with the board: its hard edge may be felt through the cover.'
          : `The pad is ${shown(-offset)} short of the board: its hard edge lies bare under the cover.`,
      );
    if (foam.type === 'slow-recovery' && pad.role === 'main')
      warn(
        'slow-main-pad',
        `pads.${i}.material`,
        'Slow-recovery foam returns slowly and supports little on its own; use it as a topper at most.',
      );
    if (pad.role === 'crown' && piece.pads.slice(0, i).some((below) => below.role === 'main'))
      warn('crown-on-top', `pads.${i}`, 'The crown pad lies on the main pad: its step will read through. Move it below.');
  });
}

/** What a sitting gives cause to say. */
export function sitWarnings(sit: SitPlan | null): Warning[] {
  return collected((warn) => {
    if (sit?.bottoms) warn('bottoms-out', 'sit', sit.why.bottoms ?? 'It bottoms out.');
    if (sit?.edgeFelt) warn('edge-felt', 'sit', sit.why.edge ?? 'The board’s edge is felt.');
  });
}

/** What the cover gives cause to say. */
export function coverWarnings(model: Model, fineness: Fineness = 'full'): Warning[] {
  const stations = wrapsStep(model, fineness);
  // Where somebody has cut the cloth short on purpose, that is no news.
  const short = stations.filter(
    (station) => !station.ends && station.grip < LEAST_GRIP && shortAt(model.piece, station.part, model.rule('grip')) === 0,
  );
  const { cover } = coverStep(model, fineness);
  return [
    ...collected((warn) => {
      if (cover.nearer) nearerWarning(cover.nearer, warn);
      oldCoverWarnings(model, cover, warn);
      uncutWarning(model, fineness, warn);
      if (short.length > 0)
        warn(
          'grip-short',
          `station ${short[0]!.id}`,
          `The pull allowance is only ${shown(short[0]!.grip)} at ${short.length === stations.length ? 'every station' : `${short.length} stations`}; under ${LEAST_GRIP} mm the fingers slip.`,
        );
    }),
    ...clothWarnings(model, cover),
  ];
}

/** An old cover that goes on again and is too small for the build. */
function oldCoverWarnings({ piece }: Model, { pieces }: CoverPlan, warn: Warn): void {
  const main = piece.pads.findIndex(({ role }) => role === 'main');
  for (const back of goesBack(piece, pieces)) {
    if (back.closes) continue;
    const at = (piece.strip?.cover ?? []).findIndex(({ id }) => id === back.id);
    const less = tooThick(back);
    const value = main < 0 ? 0 : piece.pads[main]!.thickness - less;
    const thinner =
      less > 0 && value >= LEAST_MAIN ? { says: `Take a main pad of ${shown(value)}`, path: `pads.${main}.thickness`, value } : undefined;
    warn(
      'old-cover-short',
      `strip.cover.${at}.width`,
      `The old ${back.name.toLowerCase()} goes on again. ${back.words} Let its seams out, pad less, or make a new one.`,
      thinner ?? { says: 'Make a new one', path: `strip.cover.${at}.back`, value: null },
    );
  }
}

/** So much more turned under makes room for a cut, mm. */
const MORE_UNDER = 10;

/** An inside corner whose cut would come too near cloth that is seen: it gets none. */
function uncutWarning(model: Model, fineness: Fineness, warn: Warn): void {
  const [corner] = cornersStep(model, fineness).filter(({ inside, cut, way }) => inside && cut === null && way === 'cut in');
  if (!corner) return;
  const value = model.rule('return') + MORE_UNDER;
  warn(
    'no-room-to-cut',
    'overrides.return',
    `${capital(saidCorner(model.piece.kind, corner.edge))}: no room for a cut ${shown(model.rule('cornerCutStop'))} clear of cloth that is seen. Turn more cloth under.`,
    { says: `Turn ${shown(value)} under`, path: 'overrides.return', value },
  );
}

/** A seam that was brought nearer the edge: until that is what is wanted, it is said. */
function nearerWarning({ field, name, asked, taken }: NonNullable<CoverPlan['nearer']>, warn: Warn): void {
  const figures = typeof asked === 'number' && typeof taken === 'number';
  warn(
    'seam-too-deep',
    `covering.${field}`,
    `The ${name} would cross itself ${figures ? `${asked} mm in` : 'there'}: planned with the seam ${figures ? `${taken} mm in` : taken === 'below' ? 'below the edge' : 'on the edge'}; your hand adjustments are ignored.`,
    {
      says: figures ? `Take ${taken} mm` : `Lay it ${taken === 'below' ? 'below the edge' : 'on the edge'}`,
      path: `covering.${field}`,
      value: taken,
    },
  );
}

/** From how many blocks side by side a pad would fit on its sheets, the fewest; nothing where none would. */
function blocksThatFit(model: Model, label: string, { sheetWidth, sheetLength }: CutPlan['foam']): Warning['mend'] {
  const { pads } = model.piece;
  const at = pads.findIndex(({ id }) => id === label);
  const cut = foamStep(model).find(({ pad }) => pad === label);
  if (at < 0 || !cut) return undefined;
  const most = fieldAt('pads.0.blocks').range?.[1] ?? 1;
  for (let blocks = (pads[at]!.blocks ?? 1) + 1; blocks <= most; blocks++) {
    const [width, height] = [cut.width / blocks, cut.height];
    if ((width <= sheetWidth && height <= sheetLength) || (height <= sheetWidth && width <= sheetLength))
      return { says: `Join it from ${blocks} blocks`, path: `pads.${at}.blocks`, value: blocks };
  }
  return undefined;
}

/** Rolls beside the cloth, each with the house rule of its width. */
const OTHER_ROLLS = [
  ['wadding', 'waddingRoll'],
  ['lining', 'waddingRoll'],
  ['dustCover', 'dustRoll'],
  ['film', 'filmRoll'],
  ['waterproof', 'filmRoll'],
  ['backedFoam', 'waddingRoll'],
] as const;

/** What laying the set out gives cause to say. */
export function cutWarnings(model: Model, planner: Planner, fineness: Fineness = 'full'): Warning[] {
  const cut = cutStep(model, planner, fineness);
  return collected((warn) => {
    for (const layout of cut.foam.layouts)
      if (layout.tooLarge.length > 0)
        warn(
          'pad-larger-than-sheet',
          'cut.foam',
          `The ${layout.tooLarge.join(', ')} pad does not fit on a ${cut.foam.sheetWidth} × ${cut.foam.sheetLength} mm sheet; it must be joined. It is bought in the parts that it would be joined from.`,
          blocksThatFit(model, layout.tooLarge[0]!, cut.foam),
        );
    const { board } = cut;
    const [widest, longest] = (['boardSheetWidth', 'boardSheetLength'] as const).map((key) => ruleOf(key)!.sensible[1]);
    if (board && board.tooLarge.length > 0)
      warn(
        'board-larger-than-sheet',
        'base.board.made',
        `The board is larger than a sheet of ${shown(board.width)} × ${shown(board.length)}: it is bought in the parts that it would be joined from.`,
        board.width < widest! || board.length < longest!
          ? {
              says: `Take a sheet of ${shown(widest!)} × ${shown(longest!)}`,
              path: 'overrides',
              value: { ...model.piece.overrides, boardSheetWidth: widest, boardSheetLength: longest },
            }
          : { says: 'Put it together from planks', path: 'base.courses', value: defaultsOf(COURSES) },
      );
    const joined = coverStep(model, fineness).cover.seams.filter(({ id }) => id.startsWith('width-')).length;
    if (joined > 0)
      warn(
        'joined-widths',
        'cloth.rollWidth',
        `The cover is wider than a roll of ${shown(model.piece.cloth.rollWidth)}: it is joined from ${joined + 1} widths. A wider cloth saves the seams.`,
      );
    if (cut.cloth.tooLarge.length > 0)
      warn(
        'cloth-too-narrow',
        'cloth.rollWidth',
        `The cover does not fit on a roll ${shown(model.piece.cloth.rollWidth)} wide; turn it on the roll, or use a wider cloth.`,
      );
    for (const [roll, key] of OTHER_ROLLS) {
      const laid = cut[roll];
      const widest = ruleOf(key)!.sensible[1];
      if (laid && laid.tooLarge.length > 0)
        warn(
          'roll-too-narrow',
          `overrides.${key}`,
          `${laid.tooLarge.join(', ')}: wider than its roll of ${shown(laid.width)}. It is counted in parts that are joined.${roll === 'waterproof' || roll === 'film' ? ' A join lets water through.' : ''}`,
          laid.width < widest ? { says: `Take a roll of ${shown(widest)}`, path: `overrides.${key}`, value: widest } : undefined,
        );
    }
    if (cut.second && cut.second.tooLarge.length > 0)
      warn(
        'cloth-too-narrow',
        'second.rollWidth',
        `${cut.second.tooLarge.join(', ')} does not fit on the second cloth’s roll, ${shown(cut.second.width)} wide; turn it on the roll, or use a wider cloth.`,
      );
  });
}

/** What fastening gives cause to say. */
export function fixWarnings(model: Model, fineness: Fineness = 'full'): Warning[] {
  const fastening = fasteningOf(model, fineness);
  return FASTENERS.filter((fastener) => fastener.used(fastening)).flatMap((fastener) => fastener.warnings?.(fastening) ?? []);
}

/** House rules that were set otherwise for this piece, and unusually. */
export function ruleWarnings({ piece }: Model): Warning[] {
  return Object.entries(piece.overrides).flatMap(([key, value]): Warning[] => {
    // What its kind starts from is usual for it.
    const remark = kindOf(piece.kind).start.overrides?.[key] === value ? null : unusual(key, value);
    return remark
      ? [{ code: 'override-unusual', where: `overrides.${key}`, message: `${ruleOf(key)!.label}: ${value} for this piece. ${remark}.` }]
      : [];
  });
}

/**
 * Everything about a plan that a practitioner would want to be told before cutting.
 *
 * @param model the built piece
 * @param planner for pieces of the set that differ
 * @param fineness how finely
 * @param sit what the sitter found, where it was asked for
 */
export function planWarnings(model: Model, planner: Planner, fineness: Fineness, sit: SitPlan | null): Warning[] {
  return byHarm([
    ...buildWarnings(model, fineness),
    ...sitWarnings(sit),
    ...cutWarnings(model, planner, fineness),
    ...baseWarnings(model),
    ...fixWarnings(model, fineness),
    ...coverWarnings(model, fineness),
    ...ruleWarnings(model),
  ]);
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}
