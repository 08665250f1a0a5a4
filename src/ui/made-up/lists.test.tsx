import { readFileSync } from 'node:fs';
import Ajv2020 from 'ajv/dist/2020.js';
import { renderToStaticMarkup } from 'react-dom/server';
import { afterAll, beforeAll, expect, it, vi } from 'vitest';
import { needsOf } from '@/core/buying';
import { problemsOf } from '@/core/document';
import { FASTENERS } from '@/core/fastening';
import { printedPages } from '@/core/formats/pdf';
import { baseOutline, flatten } from '@/core/outline';
import { firstProfile } from '@/core/pad-forms';
import { rimOf } from '@/core/pad-rims';
import { KINDS, newPiece, type Piece, type PieceKind } from '@/core/piece';
import { createPlanner, planPiece } from '@/core/plan';
import { sizesOf } from '@/core/sizes';
import { PadFields } from '@/ui/stages/padding/pad-fields';
import { createSheetStore, SheetContext, type SheetStore } from '@/ui/sheet/store';
import { pegs } from './pegs';

// A line more in each list, as whoever adds a kind, a pad's form, a rim or a ware writes it: nothing else is changed.
vi.mock('@/core/piece/kinds/list', async (original) => {
  const { KINDS: kinds } = await original<typeof import('@/core/piece/kinds/list')>();
  return { KINDS: [...kinds, (await import('./perch')).perch] };
});
vi.mock('@/core/pad-forms/list', async (original) => {
  const { PAD_FORMS } = await original<typeof import('@/core/pad-forms/list')>();
  return { PAD_FORMS: [...PAD_FORMS, (await import('./terraced')).terraced] };
});
vi.mock('@/core/pad-rims/list', async (original) => {
  const { PAD_RIMS } = await original<typeof import('@/core/pad-rims/list')>();
  return { PAD_RIMS: [...PAD_RIMS, (await import('./chamfered')).chamfered] };
});
vi.mock('@/core/wares/list', async (original) => {
  const lists = await original<typeof import('@/core/wares/list')>();
  return { ...lists, WARE_KINDS: [...lists.WARE_KINDS, { id: 'peg', name: 'Pegs', measure: 'count', sold: 'box' }] };
});
// The document's check is made ahead of time from the same schema: here it is made now.
vi.mock('@/core/document/validator', async () => {
  const { PIECE } = await import('@/core/piece');
  return {
    validate: new Ajv2020({ allErrors: true, discriminator: true, strict: false }).compile(JSON.parse(JSON.stringify(PIECE)) as object),
  };
});

const bought = { ...pegs, used: () => true, ware: { kind: 'peg' as never, name: 'Pegs' } };
beforeAll(() => void FASTENERS.push(bought));
afterAll(() => void FASTENERS.pop());

const planner = createPlanner();
const plain = (): Piece => newPiece('perch' as PieceKind);

function store(piece: Piece): SheetStore {
  const record = { id: 'p', revision: 1, updatedAt: '', canUndo: false, canRedo: false, piece };
  const made = createSheetStore(
    { record, stale: null, house: {}, ticks: [], nextSerial: '', stage: 'padding' },
    {
      // Nobody answers: a save that is refused at once would be tried again at once, for ever.
      send: () => new Promise(() => undefined),
      storage: { getItem: () => null, setItem: () => undefined, removeItem: () => undefined },
      wait: () => Promise.resolve(),
      newId: () => 'save-1',
    },
  );
  made.getInitialState = made.getState;
  return made;
}

const drawn = (from: SheetStore): string =>
  renderToStaticMarkup(
    <SheetContext value={from}>
      <PadFields pad={from.getState().piece.pads[0]!} index={0} open onOpen={() => undefined} />
    </SheetContext>,
  ).replace(/<[^>]+>/g, '|');

/** A perch with a terraced pad and a chamfered rim, chosen in its form as somebody would choose them. */
function chosen(): Piece {
  const sheet = store(plain());
  expect(drawn(sheet)).toContain('In two terraces');
  expect(drawn(sheet)).toContain('Chamfered');
  const board = flatten(baseOutline(plain().base.shape), 0.5);
  expect(sheet.getState().put('pads.0.profile', firstProfile('terraced', { thickness: 30 }, board))).toBeNull();
  expect(sheet.getState().put('pads.0.edge', rimOf({ kind: 'chamfered' }).first(30))).toBeNull();
  return sheet.getState().piece;
}

it('a kind, a form of a pad and a rim are offered, chosen in the page, and typed into', () => {
  expect(KINDS.map(({ id }) => id as string)).toContain('perch');
  const form = drawn(store(chosen()));
  expect(form).toContain('Lower terrace');
  expect(form).toContain('Chamfer');
});

it('are taken by the document, each within its own limits', () => {
  const piece = chosen();
  expect(problemsOf(piece)).toEqual([]);
  const [pad] = piece.pads;
  const wrong = { ...piece, pads: [{ ...pad!, edge: { kind: 'chamfered', width: 500 } }] };
  expect(problemsOf(wrong).map(({ path }) => path)).toEqual(['pads.0.edge.width']);
});

it('are planned, worked at their steps, listed among the sizes, bought and printed', async () => {
  const piece = chosen();
  const plan = planPiece(piece, {}, { planner, sits: false, coarse: true });
  const level = planPiece(plain(), {}, { planner, sits: false, coarse: true });
  // In the middle, where the step is, the cover lies between the two.
  expect(level.surface.height - plan.surface.height).toBeGreaterThan(1);
  const detail = (start: string): string => plan.steps.find(({ key }) => key.startsWith(start))?.detail ?? '';
  expect(detail('form-')).toContain('Saw the far half 10 mm lower.');
  expect(detail('rim-')).toContain('Chamfer it over 12 mm.');
  const sizes = sizesOf(plan, piece, {});
  expect(sizes.map(({ label }) => label)).toEqual(expect.arrayContaining(['Terrace of the main pad', 'Pegs for the set']));
  const needs = needsOf([{ id: 'p', piece, plan }], [], {});
  expect(needs.find(({ kind }) => kind === ('peg' as never))?.amount).toBe(plan.fixing.fasteners.find(({ id }) => id === 'pegs')!.toBuy);
  const font = (face: string) => readFileSync(`node_modules/@expo-google-fonts/fira-sans/${face}/FiraSans_${face}.ttf`);
  const job = {
    plan,
    piece,
    house: {},
    unit: 'mm' as const,
    paper: 'a4' as const,
    fonts: { regular: font('400Regular'), bold: font('600SemiBold') },
  };
  const { pages } = await printedPages(job as never, { parts: ['job', 'run'] });
  const words = pages.flatMap(({ marks }) => marks.flatMap((mark) => (mark.kind === 'words' ? [mark.words] : []))).join(' ');
  expect(words).toContain('Terrace of the main pad');
  expect(words).toMatch(/Saw the far half\s+10 mm lower/);
  expect(words).toContain('Pegs');
});
