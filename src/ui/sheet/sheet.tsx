'use client';

import { ChevronDown, ChevronUp, Rotate3d } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useEffect, useState } from 'react';
import { ruleOf } from '@/core/house';
import { inUnit } from '@/core/length';
import { schemaAt } from '@/core/piece';
import { newId } from '@/ui/kit/new-id';
import { send } from '@/ui/kit/api';
import { useSettings } from '@/ui/kit/settings';
import { sheetWorker, solvingWorker } from '@/ui/kit/worker/workers';
import { placeOf, STAGES, stageOf } from '@/ui/stages';
import { ConflictDialog } from './saving/conflict-dialog';
import { Guide } from '@/ui/guide/guide';
import { PrintDialog } from '@/ui/print/print-dialog';
import { KeysDialog } from './keys-dialog';
import { Notes } from './notes';
import { PieceField } from './fields/piece-field';
import { PlanDrawing } from './drawn/plan-drawing';
import { RuleField } from './fields/rule-field';
import { SectionDrawing } from './drawn/section-drawing';
import { AnswerLine } from './answer-line';
import { SheetHeader, StageTabs } from './sheet-header';
import { Sizes } from './sizes';
import { stageView, type Drawing, type Stage, type StageView } from './stage';
import { createSheetStore, SheetContext, usePiece, useSheet, useSheetStore, type SheetStart } from './store';
import { useSheetKeys } from './use-sheet-keys';
import { keepSeen } from './saving/seen';
import { keepSat, keepViewed } from './viewer';

// The three-dimensional library is large and wanted by few: it comes when it is asked for.
const roundView = () => import('@/ui/round/round-view').then((module) => module.RoundView);
const RoundView = dynamic(roundView, { ssr: false });

/** The field that a refusal is about stands beside it: what is asked can be answered there. */
function MendingField({ at }: { at: string }) {
  const piece = usePiece();
  const rule = ruleOf(/^overrides\.(.+)$/.exec(at)?.[1] ?? '');
  // A figure that may be left empty is one too.
  const type = rule ? null : [schemaAt(at, piece)?.type].flat()[0];
  if (!rule && type !== 'number' && type !== 'integer') return null;
  return (
    <div className="w-64 shrink-0" data-mending={at}>
      {rule ? <RuleField at={rule.key} label={rule.label} /> : <PieceField at={at} compact />}
    </div>
  );
}

/** What cannot be: of the piece as it is, of a drag, of what the worker could not do. */
function Refusals() {
  const { unit } = useSettings();
  const problem = useSheet((state) => state.problems[0] ?? null);
  const drag = useSheet((state) => state.dragMessage);
  // What has no field of its own to stand beside is said here.
  const stuck = useSheet((state) => (state.stuck && state.stuck.at === null ? state.stuck.message : null));
  return [problem?.message, drag, stuck].map((message, i) =>
    message ? (
      <div key={i} className="px-4 py-1 text-sm border-b border-error flex items-start gap-4">
        <p role="alert" className="text-error flex-1 py-1">
          {inUnit(message, unit)}
        </p>
        {i === 0 && <MendingField at={problem!.path} />}
      </div>
    ) : null,
  );
}

/** A stage with nothing of its own in the middle shows the drawing as it is. */
const Plain: NonNullable<StageView['Main']> = ({ children }) => children;

/** Plan and section, or the piece in the round. */
function Drawn({ view, drawing }: { view: StageView; drawing: Drawing }) {
  const round = useSheet((state) => state.round);
  const settled = useSheet((state) => state.settled);
  const show = useSheet((state) => state.show);
  const Main = view.Main ?? Plain;
  const { Beside } = drawing;
  const alone = !round && drawing.alone;
  return (
    <div className="flex-1 min-h-0 flex flex-col" data-settled={settled}>
      <div className="flex-1 min-h-0 p-1 flex flex-col relative">
        {round ? (
          <RoundView />
        ) : (
          <Main>
            <PlanDrawing drawing={drawing} sits={Boolean(view.sitter)} />
          </Main>
        )}
        <button
          type="button"
          className="absolute right-2 top-1 btn btn-sm btn-ghost font-normal"
          aria-pressed={round}
          // Fetched while the hand is on its way: opened, it is there.
          onPointerEnter={() => void roundView()}
          onFocus={() => void roundView()}
          onClick={() => show({ round: !round })}
        >
          <Rotate3d size={16} aria-hidden /> {round ? 'Flat' : '3D'}
        </button>
      </div>
      {!alone && (
        <div className="min-h-[8.5rem] border-t border-base-content/25 p-1 flex" style={{ height: `${drawing.section}%` }}>
          {Beside && <Beside />}
          <div className="flex-1 min-w-0 h-full">
            <SectionDrawing sits={Boolean(view.sitter)} />
          </div>
        </div>
      )}
    </div>
  );
}

function Middle({ view }: { view: StageView }) {
  const viewed = useSheet((state) => state.view !== null);
  const problems = useSheet((state) => state.problems.length);
  const { Main, drawing } = view;
  return (
    <div className="min-h-0 min-w-0 flex flex-col upright:flex-1">
      <Refusals />
      {!viewed && problems === 0 && (
        <p className="p-6 text-sm" role="status">
          Calculating…
        </p>
      )}
      {viewed && drawing && <Drawn view={view} drawing={drawing} />}
      {!drawing && Main && <Main>{null}</Main>}
    </div>
  );
}

/** What is typed and chosen at a stage: beside the drawing, or a sheet from below where the page is upright. */
function StagePanel({ stage, view }: { stage: Stage; view: StageView }) {
  const [open, setOpen] = useState(true);
  const { Panel } = view;
  return (
    <section
      aria-label={stage.name}
      className={`overflow-y-auto px-3 py-2 border-r border-base-content/25 upright:border-r-0 upright:border-t-2 upright:border-base-content/60 upright:max-h-[44%] upright:shrink-0`}
    >
      <div className="flex items-center">
        <h2 className="font-display text-lg">{stage.name}</h2>
        <button
          type="button"
          className="btn btn-sm btn-ghost font-normal ml-auto hidden upright:inline-flex"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
        >
          {open ? <ChevronDown size={18} aria-hidden /> : <ChevronUp size={18} aria-hidden />} {open ? 'Fold away' : 'Fields'}
        </button>
      </div>
      {stage.draws && (
        <p className="hidden phone:block text-sm text-warning mb-1">
          Drawing needs a larger screen. You can type sizes here; run sheet, bench and photos work as usual.
        </p>
      )}
      <div className={`upright:columns-[20rem] upright:gap-6 upright:[&>*]:break-inside-avoid ${open ? '' : 'upright:hidden'}`}>
        <Panel />
      </div>
    </section>
  );
}

/** Back and forward go to the stage and view that their address names; one that names none is the stage that was opened first. */
function useStageOfAddress(): void {
  const store = useSheetStore();
  const [first] = useState(() => store.getState());
  useEffect(() => {
    const onMove = () => {
      const asked = new URLSearchParams(window.location.search);
      const { stage, view } = placeOf(
        asked.get('stage') ?? first.stage,
        asked.get('view') ?? (asked.has('stage') ? undefined : first.look),
      );
      store.getState().show({ stage: stage.id, look: view });
    };
    window.addEventListener('popstate', onMove);
    return () => window.removeEventListener('popstate', onMove);
  }, [store, first]);
}

function Opened() {
  const stage = stageOf(useSheet((state) => state.stage));
  const view = stageView(
    stage,
    useSheet((state) => state.look),
  );
  const viewed = useSheet((state) => state.view !== null);
  const keys = useSheet((state) => state.keys);
  const goTo = useSheet((state) => state.goTo);
  const drawer = useSheet((state) => state.drawer);
  const printing = useSheet((state) => state.printing);
  const id = useSheet((state) => state.id);
  const conflict = useSheet((state) => state.conflict);
  const show = useSheet((state) => state.show);
  const saver = useSheet((state) => state.saver);
  const store = useSheetStore();
  useSheetKeys();
  useStageOfAddress();
  useEffect(() => {
    saver.resume();
    const stops = [keepViewed(store, sheetWorker(), STAGES), keepSat(store, solvingWorker(), STAGES), keepSeen(store, send)];
    return () => stops.forEach((stop) => stop());
  }, [store, saver]);
  return (
    <main
      className="flex flex-col min-h-0 h-[calc(100vh-3rem)] phone:h-[calc(100dvh-5rem)]"
      data-bare={view.sizes.length === 0 || undefined}
    >
      <SheetHeader />
      <StageTabs />
      <AnswerLine />
      <div className="flex-1 min-h-0 overflow-hidden relative grid grid-rows-[minmax(0,1fr)] grid-cols-[minmax(15rem,17rem)_minmax(0,1fr)_minmax(16rem,19rem)] drawer:grid-cols-[17rem_minmax(0,1fr)] upright:flex upright:flex-col-reverse">
        <StagePanel key={stage.id} stage={stage} view={view} />
        <Middle view={view} />
        <aside
          id="sizes"
          className={`overflow-y-auto border-l border-base-content/25 pb-6 drawer:absolute drawer:inset-y-0 drawer:right-0 drawer:w-80 drawer:max-w-[85vw] drawer:z-20 drawer:bg-base-100 drawer:border-l-2 drawer:border-base-content/60 ${drawer ? '' : 'drawer:hidden'}`}
        >
          {viewed && !view.sitter && <Notes />}
          {viewed && <Sizes first={view.sizes} />}
        </aside>
      </div>
      <Guide stage={stage.id} goTo={goTo} />
      {conflict && <ConflictDialog conflict={conflict} onSettle={(choice) => void saver.settle(choice)} />}
      {keys && <KeysDialog onClose={() => show({ keys: false })} />}
      {printing && <PrintDialog id={id} onClose={() => show({ printing: false })} />}
    </main>
  );
}

/** What the browser lends to who saves. */
const browser = () => ({
  send: send as Parameters<typeof createSheetStore>[1]['send'],
  storage: localStorage,
  wait: (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms)),
  // A tablet on the network has no secure context, and with it no maker of UUIDs.
  newId,
});

/** On the server there is nothing to save with: the page is drawn once. */
const nowhere = () => ({
  send: () => Promise.reject(new Error('not in the browser')),
  storage: { getItem: () => null, setItem: () => undefined, removeItem: () => undefined },
  wait: () => Promise.resolve(),
  newId: () => '',
});

/** The work space of a piece: stages, plan, section and sizes, always in step. */
export function Sheet(start: SheetStart) {
  // An address may name a stage that there is not: the sheet opens all the same.
  const { stage, view } = placeOf(start.stage, start.view);
  const known = { ...start, stage: stage.id, view };
  const [store] = useState(() => createSheetStore(known, typeof window === 'undefined' ? nowhere() : browser()));
  return (
    <SheetContext value={store}>
      <Opened />
    </SheetContext>
  );
}
