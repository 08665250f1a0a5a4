import { renderToStaticMarkup } from 'react-dom/server';
import { afterAll, beforeAll, expect, it, vi } from 'vitest';
import { WAYS } from '@/core/cover';
import { documentSchema, problemsOf } from '@/core/document';
import { FASTENERS } from '@/core/fastening';
import { newChairSeat, type Piece } from '@/core/piece';
import { createPlanner, planPiece, sheetView } from '@/core/plan';
import { sizesOf } from '@/core/sizes';
import { nextOf } from '@/ui/floor/next';
import { KeysDialog } from '@/ui/sheet/keys-dialog';
import { StageTabs } from '@/ui/sheet/sheet-header';
import { Sizes } from '@/ui/sheet/sizes';
import { createSheetStore, SheetContext, type SheetStore } from '@/ui/sheet/store';
import { partsOf } from '@/ui/sheet/viewer';
import { stageOf, STAGES } from '../stages';
import { RunSheet } from '../stages/bench/run-sheet';
import { CoverPanel } from '../stages/cover/cover-panel';
import { draped } from './draped';
import { pegs } from './pegs';
import { admire } from './stage';
import { QUICK } from '../../testing/quick';

// The run sheet goes on to the log once a job is finished: here nobody goes anywhere.
vi.mock('next/navigation', () => ({ useRouter: () => ({ push: () => undefined }) }));

/** A way, a fastener and a stage from one file each, and a line in their lists: nothing else is told of them. */
beforeAll(() => {
  WAYS.push(draped);
  FASTENERS.push(pegs);
  STAGES.push(admire);
});
afterAll(() => {
  WAYS.pop();
  FASTENERS.pop();
  STAGES.pop();
});

const piece: Piece = { ...newChairSeat(), count: 2, covering: { way: 'draped' } };

function store(): SheetStore {
  const record = { id: 'p', revision: 1, updatedAt: '', canUndo: false, canRedo: false, piece };
  const made = createSheetStore(
    { record, stale: null, house: {}, ticks: [], nextSerial: '', stage: 'admire' },
    {
      send: () => Promise.reject(new Error('nobody is there')),
      storage: { getItem: () => null, setItem: () => undefined, removeItem: () => undefined },
      wait: () => Promise.resolve(),
      newId: () => 'save-1',
    },
  );
  const parts = partsOf(stageOf('admire'), ['Cover']);
  const answer = sheetView({ piece, house: {}, parts }, createPlanner());
  if ('view' in answer) made.setState({ view: answer.view, settled: true });
  // A page that is drawn to text is drawn as it begins.
  made.getInitialState = made.getState;
  return made;
}

const drawn = (element: React.ReactElement, from = store()): string =>
  renderToStaticMarkup(<SheetContext value={from}>{element}</SheetContext>).replace(/<[^>]+>/g, '|');

it('are taken by the document and named by its printed schema', () => {
  expect(problemsOf(piece)).toEqual([]);
  expect(JSON.stringify(documentSchema())).toContain('"draped"');
});

it('are found in the plan and on the run sheet', () => {
  const plan = planPiece(piece, {}, QUICK);
  expect(plan.cover).toMatchObject({ method: 'draped', name: 'Draped' });
  expect(plan.cover.suits.find(({ way }) => way === 'draped')).toMatchObject({ fit: 'suits' });
  expect(plan.steps.map(({ key }) => key)).toEqual(expect.arrayContaining(['drape', 'pegs']));
  expect(plan.fixing.fasteners.find(({ id }) => id === 'pegs')).toMatchObject({
    count: plan.corners.length,
    toBuy: plan.corners.length * 3,
  });
});

it('are found among the sizes', () => {
  const plan = planPiece(piece, {}, QUICK);
  expect(sizesOf(plan, piece, {}).find(({ key }) => key === 'fastener.pegs')).toMatchObject({
    label: 'Pegs for the set',
    group: 'Fastening',
  });
  expect(drawn(<Sizes first={admire.sizes} />)).toContain('Pegs for the set');
});

it('are found in the form', () => {
  const form = drawn(<CoverPanel />);
  expect(form).toContain('Draped');
  expect(form).toContain('It hangs as it likes.');
  expect(form).toContain('Lip');
  expect(form).not.toContain('Border width');
});

it('a stage is found on its tab, among the keys, on the floor, and with its own panel', () => {
  expect(drawn(<StageTabs />)).toContain('Admire');
  expect(drawn(<StageTabs />)).toContain('nothing said of it');
  expect(drawn(<KeysDialog onClose={() => undefined} />)).toContain('Admire');
  expect(nextOf({ piece, lacks: null, step: null, serial: null })).toEqual({
    words: 'Admire: nothing said of it',
    stage: 'admire',
  });
  const { Panel } = stageOf('admire');
  expect(
    renderToStaticMarkup(
      <SheetContext value={store()}>
        <Panel />
      </SheetContext>,
    ),
  ).toContain(`value="${piece.name}"`);
});

it('their steps are ticked on the run sheet, piece by piece, and fold away once all are done', () => {
  const sheet = store();
  const answer = sheetView({ piece, house: {}, parts: partsOf(stageOf('bench'), []) }, createPlanner());
  if (!('view' in answer)) throw new Error('it is planned');
  sheet.setState({ view: answer.view });
  const row = (key: string): string => {
    const html = renderToStaticMarkup(
      <SheetContext value={sheet}>
        <RunSheet />
      </SheetContext>,
    );
    return new RegExp(`<li data-step="${key}".*?</li>`).exec(html)?.[0] ?? '';
  };
  for (const key of ['drape', 'pegs']) {
    expect(row(key).match(/type="checkbox"/g)).toHaveLength(piece.count);
    expect(row(key)).not.toContain('checked');
    sheet.getState().setTicks([...sheet.getState().ticks, { unit: 1, step: key }]);
    expect(row(key).match(/checked=""/g)).toHaveLength(1);
    sheet.getState().setTicks([...sheet.getState().ticks, { unit: 2, step: key }]);
    expect(row(key)).toContain('data-done');
  }
});
