'use client';

import { FileJson, Keyboard, Printer, Redo2, Rotate3d, Undo2 } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { modelOf } from '@/core/build';
import { applyOverrides, checkRule, type HouseRules } from '@/core/house';
import { inUnit } from '@/core/length';
import { checkPiece, PieceProblems, type BaseShape, type Piece } from '@/core/piece';
import { usualSitting } from '@/core/sit';
import { OutlineEditor } from '@/ui/base/outline-editor';
import { ReachAnswer } from '@/ui/cover/plan-cover';
import { CoverLooks, CoverView, type CoverLook } from '@/ui/cover/cover-views';
import { TracingBoard } from '@/ui/base/tracing';
import { useSettings } from '@/ui/kit/settings';
import type { Tick } from '@/data/bench';
import type { PieceRecord, StaleSave } from '@/data/pieces';
import { RunSheet } from '@/ui/bench/run-sheet';
import { ConflictDialog } from './conflict-dialog';
import { CutView } from './cut-view';
import { FixPanel } from './fix-panel';
import { KeysDialog } from './keys-dialog';
import { PlanDrawing } from './plan-drawing';
import { SectionDrawing } from './section-drawing';
import { Slip } from './slip';
import { StagePanel } from './stage-panel';
import { lacking, STAGE_NAMES, STAGES, type Stage } from './stages';
import { usePiece, type SaveStatus } from './use-piece';
import { StripList } from '@/ui/strip/strip-list';
import { useSit } from '@/ui/sit/use-sit';
import { useView } from './use-view';

// The three-dimensional library is large and wanted by few: it comes when it is asked for.
const RoundView = dynamic(() => import('@/ui/round/round-view').then((module) => module.RoundView), { ssr: false });

const STATUS: Record<SaveStatus, string> = {
  saved: 'Saved',
  saving: 'Saving…',
  offline: 'Not saved: the workshop cannot be reached. Kept here and tried again.',
  refused: 'Not saved',
  conflict: 'Changed elsewhere',
};

type Props = {
  record: PieceRecord;
  /** a save that came too late and still waits for a choice */ stale: StaleSave | null;
  house: HouseRules;
  ticks: Tick[];
  nextSerial: string;
  start: Stage;
};

/** What is wrong with a changed piece that was not wrong before, or null. */
function wrongWith(next: Piece, house: HouseRules): string | null {
  const problem = checkPiece(next)[0];
  if (problem) return problem.message;
  try {
    modelOf(next, house);
    return null;
  } catch (error) {
    if (error instanceof PieceProblems) return error.problems[0]!.message;
    throw error;
  }
}

/** The work space of a piece: stages, plan, section and slip, always in step. */
export function Sheet({ record, stale, house, ticks: initialTicks, nextSerial, start }: Props) {
  const { unit } = useSettings();
  const handle = usePiece(record, stale);
  const { piece, change } = handle;
  const { view, problems, settled } = useView(piece, house);
  const [stage, setStage] = useState<Stage>(start);
  const [round, setRound] = useState(false);
  const sit = useSit(piece, house, (stage === 'sit' || round) && settled && piece.pads.length > 0);
  const [ticks, setTicks] = useState(initialTicks);
  const [keys, setKeys] = useState(false);
  const [paper, setPaper] = useState<'a4' | 'letter'>('a4');
  const [dragMessage, setDragMessage] = useState<string | null>(null);
  const [tracing, setTracing] = useState(false);
  const [look, setLook] = useState<CoverLook>('plan');
  const [pointed, setPointed] = useState(0);
  const houseOf = useMemo(() => applyOverrides(house, piece.overrides), [house, piece.overrides]);

  const apply = (next: Piece): string | null => {
    const wrong = wrongWith(next, house);
    if (!wrong) change(next);
    return wrong;
  };
  /** A drag or a nudge: what cannot be is simply not followed, and said. */
  const follow = (next: Piece, live: boolean) => {
    const wrong = wrongWith(next, house);
    setDragMessage(wrong);
    if (!wrong) change(next, { live });
    else if (!live) change(handle.latest.current);
  };
  const goTo = (next: Stage) => {
    setStage(next);
    window.history.replaceState(null, '', `?stage=${next}`);
  };

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
      if (event.key === '?' && !typing) setKeys(true);
      else if (event.key === 'r' && !typing && !event.ctrlKey && !event.metaKey) setRound((now) => !now);
      else if (event.altKey && /^[1-8]$/.test(event.key)) {
        event.preventDefault();
        goTo(STAGES[Number(event.key) - 1]!);
      } else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !typing) {
        event.preventDefault();
        void (event.shiftKey ? handle.redo() : handle.undo());
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });

  const applyRef = useRef(apply);
  useEffect(() => {
    applyRef.current = apply;
  });
  // The outline editor keeps hundreds of points on the screen: what it is handed must not change with every render.
  const applyDrawn = useCallback(
    (shape: BaseShape) => applyRef.current({ ...handle.latest.current, base: { ...handle.latest.current.base, shape } }),
    [handle.latest],
  );
  const panel = { piece, pieceId: record.id, house, sit, houseOf, apply, plan: view?.plan ?? null, tracing, onTracing: setTracing };
  const drawn = stage === 'base' || stage === 'build' || stage === 'sit' || stage === 'cover' || stage === 'fix';
  return (
    <main className="flex flex-col min-h-0 h-[calc(100vh-3rem)]">
      <div className="flex items-center gap-3 px-4 py-1.5 border-b border-base-content/25">
        <h1 className="font-display text-lg truncate">{piece.name}</h1>
        {piece.count > 1 && <span className="text-sm whitespace-nowrap">set of {piece.count}</span>}
        <span
          role="status"
          className={`text-sm truncate ${handle.status === 'saved' || handle.status === 'saving' ? 'text-base-content/75' : 'text-error font-semibold'}`}
          data-save={handle.status}
        >
          {STATUS[handle.status]}
          {handle.message && `: ${handle.message}`}
        </span>
        <div className="ml-auto flex items-center gap-1">
          <button
            type="button"
            className="p-2 rounded-sm hover:bg-base-200 disabled:opacity-30"
            disabled={!handle.canUndo}
            aria-label="Undo"
            onClick={() => void handle.undo()}
          >
            <Undo2 size={18} aria-hidden />
          </button>
          <button
            type="button"
            className="p-2 rounded-sm hover:bg-base-200 disabled:opacity-30"
            disabled={!handle.canRedo}
            aria-label="Redo"
            onClick={() => void handle.redo()}
          >
            <Redo2 size={18} aria-hidden />
          </button>
          <button type="button" className="p-2 rounded-sm hover:bg-base-200" aria-label="Keys" onClick={() => setKeys(true)}>
            <Keyboard size={18} aria-hidden />
          </button>
          <a className="btn btn-sm btn-ghost font-normal" href={`/api/pieces/${record.id}/export`} download>
            <FileJson size={16} aria-hidden /> Export
          </a>
          <select
            aria-label="Paper"
            className="border border-base-content/40 rounded-sm text-sm py-1 px-1 bg-base-100"
            value={paper}
            onChange={(event) => setPaper(event.target.value as 'a4' | 'letter')}
          >
            <option value="a4">A4</option>
            <option value="letter">Letter</option>
          </select>
          <a className="btn btn-sm btn-primary" href={`/api/pieces/${record.id}/print?paper=${paper}`} download>
            <Printer size={16} aria-hidden /> Print
          </a>
        </div>
      </div>
      <nav aria-label="Stages" className="flex px-4 border-b border-base-content/25 gap-1 overflow-x-auto">
        {STAGES.map((name, i) => {
          const lack = lacking(name, piece);
          return (
            <button
              key={name}
              type="button"
              aria-current={stage === name ? 'step' : undefined}
              className={`px-3 py-1.5 text-sm cursor-pointer border-b-3 whitespace-nowrap ${stage === name ? 'border-primary font-semibold' : 'border-transparent hover:bg-base-200'}`}
              onClick={() => goTo(name)}
            >
              {i + 1}. {STAGE_NAMES[name]}
              {lack && <span className="text-xs font-normal text-warning"> ({lack})</span>}
            </button>
          );
        })}
      </nav>
      <div className="flex-1 min-h-0 overflow-hidden grid grid-rows-[minmax(0,1fr)] grid-cols-[minmax(15rem,17rem)_minmax(0,1fr)_minmax(16rem,19rem)] max-lg:grid-cols-[14rem_minmax(0,1fr)_14rem]">
        <section key={stage} aria-label={STAGE_NAMES[stage]} className="overflow-y-auto px-3 py-2 border-r border-base-content/25">
          <h2 className="font-display text-lg">{STAGE_NAMES[stage]}</h2>
          <StagePanel stage={stage} {...panel} />
          {view && (stage === 'fix' || stage === 'cut' || stage === 'bench') && <FixPanel plan={view.plan} stage={stage} />}
        </section>
        <div className="min-h-0 min-w-0 flex flex-col">
          {problems.length > 0 && (
            <p role="alert" className="px-4 py-1 text-sm text-error border-b border-error">
              {inUnit(problems[0]!.message, unit)}
            </p>
          )}
          {dragMessage && (
            <p role="alert" className="px-4 py-1 text-sm text-error">
              {inUnit(dragMessage, unit)}
            </p>
          )}
          {!view && problems.length === 0 && (
            <p className="p-6 text-sm" role="status">
              Working it out…
            </p>
          )}
          {view && drawn && (
            <div className="flex-1 min-h-0 flex flex-col" data-settled={settled}>
              <div className={`flex-1 min-h-0 p-1 flex flex-col relative ${stage === 'cover' && look === 'plan' ? 'pt-8' : ''}`}>
                {round ? (
                  <RoundView view={view} sit={sit.view} name={piece.name} />
                ) : stage === 'base' && tracing && piece.base.trace ? (
                  <TracingBoard
                    piece={piece}
                    onTrace={(trace) => apply({ ...handle.latest.current, base: { ...handle.latest.current.base, trace } })}
                  />
                ) : stage === 'base' && piece.base.shape.type === 'drawn' ? (
                  <OutlineEditor piece={piece} shape={piece.base.shape} words={view.plan.base.words} apply={applyDrawn} />
                ) : stage === 'cover' && look !== 'plan' ? (
                  <CoverView look={look} view={view} />
                ) : (
                  <PlanDrawing
                    piece={piece}
                    view={view}
                    stage={stage}
                    sit={stage === 'sit' ? sit.view : null}
                    onSit={(at, live) =>
                      follow(
                        {
                          ...handle.latest.current,
                          sit: { ...(handle.latest.current.sit ?? usualSitting(piece, houseOf('sitMass'))), ...at },
                        },
                        live,
                      )
                    }
                    onPads={(pads, live) => follow({ ...handle.latest.current, pads }, live)}
                    onChalk={(chalk, live) => follow({ ...handle.latest.current, chalk }, live)}
                    pointed={pointed}
                    onPointed={setPointed}
                    onCovering={(covering, live) => follow({ ...handle.latest.current, covering }, live)}
                    onBase={(change, live) =>
                      follow({ ...handle.latest.current, base: { ...handle.latest.current.base, ...change } }, live)
                    }
                  />
                )}
                {stage === 'cover' && !round && <CoverLooks look={look} onLook={setLook} />}
                <button
                  type="button"
                  className="absolute right-2 top-1 btn btn-sm btn-ghost font-normal"
                  aria-pressed={round}
                  onClick={() => setRound(!round)}
                >
                  <Rotate3d size={16} aria-hidden /> {round ? 'Flat' : 'In the round'}
                </button>
              </div>
              {!(stage === 'cover' && look !== 'plan' && !round) && (
                <div
                  className={`${stage === 'fix' ? 'h-[22%]' : stage === 'cover' ? 'h-[26%] flex' : 'h-[34%]'} min-h-0 border-t border-base-content/25 p-1`}
                >
                  {stage === 'cover' && <ReachAnswer view={view} index={pointed} />}
                  <div className="flex-1 min-w-0 h-full">
                    <SectionDrawing
                      piece={piece}
                      view={view}
                      sit={stage === 'sit' ? sit.view : null}
                      houseOverhang={houseOf('overhang')}
                      onPads={(pads, live) => follow({ ...handle.latest.current, pads }, live)}
                    />
                  </div>
                </div>
              )}
            </div>
          )}
          {stage === 'strip' && <StripList piece={piece} name={record.id} apply={apply} />}
          {view && stage === 'cut' && <CutView plan={view.plan} clothName={piece.cloth.name} />}
          {view && stage === 'bench' && (
            <RunSheet plan={view.plan} pieceId={record.id} ticks={ticks} nextSerial={nextSerial} onTicks={setTicks} />
          )}
        </div>
        <aside className="overflow-y-auto border-l border-base-content/25 pb-6">
          {view && view.plan.warnings.length > 0 && stage !== 'sit' && (
            <section aria-label="Notes on the plan" className="px-3 py-2 border-b border-base-content/25">
              <ul className="text-sm space-y-1">
                {view.plan.warnings.map((warning) => (
                  <li key={warning.code + warning.where} className="border-l-3 border-warning pl-2">
                    {inUnit(warning.message, unit)}
                  </li>
                ))}
              </ul>
            </section>
          )}
          {view && (
            <Slip
              lines={view.slip}
              piece={piece}
              house={house}
              pieceId={record.id}
              onOverride={(key, value) => {
                const overrides = { ...piece.overrides };
                if (value === null) delete overrides[key];
                else {
                  const wrong = checkRule(key, value);
                  if (wrong) return wrong;
                  overrides[key] = value;
                }
                return apply({ ...piece, overrides });
              }}
            />
          )}
        </aside>
      </div>
      {handle.conflict && <ConflictDialog conflict={handle.conflict} onSettle={(choice) => void handle.settle(choice)} />}
      {keys && <KeysDialog onClose={() => setKeys(false)} />}
    </main>
  );
}
