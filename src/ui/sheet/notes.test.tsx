import { renderToStaticMarkup } from 'react-dom/server';
import { expect, it } from 'vitest';
import type { Finding } from '@/core/inspection';
import { newChairSeat } from '@/core/piece';
import { createPlanner, sheetView } from '@/core/plan';
import { Notes } from './notes';
import { createSheetStore, SheetContext, type SheetStore } from './store';

const piece = newChairSeat();
const answer = sheetView({ piece, house: {}, parts: ['cover', 'fixing'] }, createPlanner());
if (!('view' in answer)) throw new Error('The chair cannot be planned');
const { view } = answer;

/** The sheet of a chair whose inspection has found something. */
function sheetWith(findings: Finding[]): SheetStore {
  const record = { id: 'p-1', revision: 1, updatedAt: '', canUndo: false, canRedo: false, piece };
  const made = createSheetStore(
    { record, stale: null, house: {}, ticks: [], nextSerial: '', stage: 'cover' },
    {
      send: () => new Promise(() => undefined),
      storage: { getItem: () => null, setItem: () => undefined, removeItem: () => undefined },
      wait: () => new Promise(() => undefined),
      newId: () => 'save-1',
    },
  );
  made.setState({ view: { ...view, findings }, settled: true });
  made.getInitialState = made.getState;
  return made;
}

const drawn = (findings: Finding[]): string =>
  renderToStaticMarkup(
    <SheetContext value={sheetWith(findings)}>
      <Notes />
    </SheetContext>,
  );

it('a sound plan has nothing to be told', () => {
  expect(view.findings).toEqual([]);
  expect(drawn([])).toBe('');
});

it('a plan that is wrong says so in red, with what is wrong and the piece as a file', () => {
  const finding = (n: number): Finding => ({
    check: 'reach',
    part: 'Cover',
    place: `station ${n}`,
    by: -4,
    says: `At station ${n}, 4 mm short`,
  });
  const page = drawn([1, 2, 3, 4, 5, 6].map(finding));
  expect(page).toContain('role="alert"');
  expect(page).toContain('Do not cut: this plan is wrong');
  expect(page).toContain('At station 4, 4 mm short.');
  expect(page).not.toContain('At station 5');
  expect(page).toContain('and 2 more');
  expect(page).toContain('href="/api/pieces/p-1/export"');
});

it('what is dragged is not inspected: its settled plan is', () => {
  const rough = sheetView({ piece, house: {}, parts: ['cover'], preview: true }, createPlanner());
  expect('view' in rough && rough.view.findings).toEqual([]);
});
