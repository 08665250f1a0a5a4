'use client';

import { createContext, useContext, useMemo } from 'react';
import { createStore, useStore, type StoreApi } from 'zustand';
import { bounds } from '@/core/outline';
import { padOffsets } from '@/core/padding';
import { applyOverrides, checkRule, type HouseRules, type RuleReader } from '@/core/house';
import { checkDocument } from '@/core/document';
import { afterMeasuring, ownRules, wallInStep, type Pad, type Piece, type Problem } from '@/core/piece';
import type { SheetPlan, SheetView, SitView } from '@/core/plan';
import type { ChosenLengths, SizeGroup, SizeLine } from '@/core/sizes';
import type { Tick } from '@/data/bench';
import { createSaver, savingOf, type Saver, type SaverMeans, type Saving } from './saving/saver';
import type { PieceRecord, StaleSave } from '@/data/pieces';
import { at, withAt } from './drawn/path';
import { FIRST_VIEW } from './stage';

/** What is looked at, and how. */
export type Looks = {
  stage: string;
  round: boolean;
  /** the photo instead of the plan */
  tracing: string | null;
  /** which view of the stage */
  look: string;
  /** the place of the edge that is pointed at */
  pointed: number;
  /** which wave of fasteners is followed, from 0; null shows all of them */
  wave: number | null;
  /** the size whose reason is looked for, by its key */
  why: string | null;
  /** groups of sizes that were unfolded */
  unfolded: readonly SizeGroup[];
  keys: boolean;
  /** the dialog for printing is open */
  printing: boolean;
  /** the sizes are drawn out, where they have no column of their own */
  drawer: boolean;
};

/** What the workers made of the piece. */
export type Worked = {
  view: SheetView | null;
  problems: Problem[];
  settled: boolean;
  /** the sizes that the answer line is read from, what the whole plan's inspection finds, whether all of it came to rest, and its piece */
  answer: { of: Piece; lines: SizeLine[]; findings: SheetView['findings']; settled: boolean } | null;
  /** a question that was not answered, and the field that was changed before it */
  stuck: { message: string; at: string | null } | null;
  /** the sitting, and the piece that sat under it */
  sit: { view: SitView | null; of: Piece | null; running: boolean; wrong: string | null };
};

/** What the sheet shows and can do. */
export type SheetState = Saving &
  Looks &
  Worked & {
    id: string;
    house: HouseRules;
    ticks: Tick[];
    nextSerial: string;
    /** what is bought by the lays that were chosen for the piece as it was opened */
    chosen: { of: Piece; lengths: ChosenLengths };
    /** why a drag is not followed */
    dragMessage: string | null;
    /** the field that was changed last, by its path */
    lastField: string | null;
    /** changes the piece, or says what is wrong with the change */
    apply: (next: Piece) => string | null;
    /** the same for one field, by its path; null and undefined take an optional field out or leave it empty; which measurement was typed, where it is part of the field */
    put: (path: string, value: unknown, typed?: string) => string | null;
    /** sets a house rule for this piece alone, or takes it back with null */
    override: (key: string, value: number | null) => string | null;
    /** a drag or a nudge: what cannot be is not followed, and said */
    follow: (next: Piece, live: boolean) => void;
    show: (looks: Partial<Looks>) => void;
    /** opens a stage, in the view it opens with where none is named */
    goTo: (stage: string, view?: string) => void;
    setTicks: (ticks: Tick[]) => void;
    saver: Saver;
  };

export type SheetStore = StoreApi<SheetState>;

const NONE: ChosenLengths = {};

/** What a sheet is opened with. */
export type SheetStart = {
  record: PieceRecord;
  /** a save that came too late and still waits for a choice */
  stale: StaleSave | null;
  house: HouseRules;
  ticks: Tick[];
  nextSerial: string;
  stage: string;
  /** which view of it */
  view?: string;
  /** what is bought of its rolls by lays that were chosen */
  chosen?: ChosenLengths;
};

/** What is wrong with a changed piece, the field itself first, or null. */
export function wrongWith(next: Piece, house: HouseRules, path: string | null = null): string | null {
  const checked = checkDocument(next, house);
  if (!('problems' in checked)) return null;
  const item = path === null ? undefined : checked.problems.find((problem) => problem.path === path);
  return (item ?? checked.problems[0]!).message;
}

/** How much wider than its board a piece is covered, as the plan of it says, mm; undefined where there is none. */
function dressOf(plan: SheetPlan | undefined): number | undefined {
  return plan && plan.room.covered.width - bounds(plan.outline.points).width;
}

/** One store for one sheet: the piece, what was made of it, what is looked at, and every way to change it. */
export function createSheetStore(
  { record, stale, house, ticks, nextSerial, stage, view = FIRST_VIEW, chosen = NONE }: SheetStart,
  means: Omit<SaverMeans, 'onChange'>,
): SheetStore {
  return createStore<SheetState>()((set, get) => {
    const saver = createSaver(record, stale, { ...means, onChange: set });
    const change = (changed: Piece, path: string | null, typed = path): string | null => {
      const next = afterMeasuring(saver.latest(), wallInStep(saver.latest(), changed, dressOf(get().view?.plan)), typed);
      const wrong = wrongWith(next, house, path);
      if (wrong) return wrong;
      set({ lastField: path, dragMessage: null });
      saver.change(next);
      return null;
    };
    return {
      ...savingOf(record, stale),
      id: record.id,
      house,
      ticks,
      nextSerial,
      chosen: { of: record.piece, lengths: chosen },
      stage,
      round: false,
      tracing: null,
      look: view,
      pointed: 0,
      wave: null,
      unfolded: [],
      printing: false,
      drawer: false,
      keys: false,
      view: null,
      problems: [],
      settled: false,
      answer: null,
      why: null,
      stuck: null,
      sit: { view: null, of: null, running: false, wrong: null },
      dragMessage: null,
      lastField: null,
      saver,
      apply: (next) => change(next, null),
      put: (path, value, typed = path) => change(withAt(saver.latest(), path, value), path, typed),
      override: (key, value) => {
        const { [key]: _own, ...overrides } = saver.latest().overrides;
        void _own;
        const wrong = value === null ? null : checkRule(key, value);
        return (
          wrong ?? change({ ...saver.latest(), overrides: value === null ? overrides : { ...overrides, [key]: value } }, `overrides.${key}`)
        );
      },
      follow: (changed, live) => {
        const next = afterMeasuring(saver.latest(), wallInStep(saver.latest(), changed, dressOf(get().view?.plan)));
        const wrong = wrongWith(next, house);
        set({ dragMessage: wrong, lastField: null });
        if (!wrong) saver.change(next, { live });
        else if (!live) saver.change(saver.latest());
      },
      show: (looks) => set(looks),
      goTo: (next, view = FIRST_VIEW) => {
        if (get().stage === next && get().look === view) return;
        set({ stage: next, look: view, drawer: false });
        // A stage is a place to come back to, and so is each of its views.
        window.history.pushState(null, '', `?stage=${next}${view === FIRST_VIEW ? '' : `&view=${view}`}`);
      },
      setTicks: (next) => set({ ticks: next }),
    };
  });
}

/** Hands the sheet's store to everything on it. */
export const SheetContext = createContext<SheetStore | null>(null);

/** The store itself, for who asks outside of drawing. */
export function useSheetStore(): SheetStore {
  const store = useContext(SheetContext);
  if (!store) throw new Error('Only within a sheet');
  return store;
}

/** Something of the sheet, drawn anew when it changes. */
export function useSheet<T>(pick: (state: SheetState) => T): T {
  return useStore(useSheetStore(), pick);
}

/** The piece. */
export const usePiece = (): Piece => useSheet((state) => state.piece);

/** What is bought of its rolls by lays that were chosen: until the piece is changed. */
export const useChosenLengths = (): ChosenLengths => useSheet(({ piece, chosen }) => (piece === chosen.of ? chosen.lengths : NONE));

/** How much wider than its board the piece is covered, mm; undefined until it was worked out. */
export const useDress = (): number | undefined => useSheet(({ view }) => dressOf(view?.plan));

/** What was worked out for it, once it was. */
export const usePlan = (): SheetPlan | null => useSheet((state) => state.view?.plan ?? null);

/** Reads the house rules as they hold for this piece. */
export function useRule(): RuleReader {
  const house = useSheet((state) => state.house);
  const overrides = useSheet((state) => state.piece.overrides);
  const glue = useSheet((state) => state.piece.glue);
  const cutWith = useSheet((state) => state.piece.cutWith);
  return useMemo(
    () => applyOverrides(house, ownRules({ overrides, ...(glue ? { glue } : {}), ...(cutWith ? { cutWith } : {}) })),
    [house, overrides, glue, cutWith],
  );
}

/** A field's value and a way to change it. */
export function useField<T = unknown>(path: string): [value: T, put: (value: T | undefined) => string | null] {
  const value = useSheet((state) => at(state.piece, path)) as T;
  const put = useSheet((state) => state.put);
  return [value, (next) => put(path, next)];
}

/** How far each pad stands beyond the board (+) or short of it (−), mm: of the piece as it is, or of other pads. */
export function usePadOffsets(other?: readonly Pad[]): number[] {
  const { pads } = usePiece();
  const rule = useRule();
  return padOffsets(other ?? pads, { overhang: rule('overhang'), crownInset: rule('crownInset') });
}
