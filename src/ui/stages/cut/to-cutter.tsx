'use client';

import { useCallback, useEffect, useState } from 'react';
import { bounds, type Polygon } from '@/core/outline';
import type { CutterState } from '@/server/devices/cutter';
import { send, UNREACHED } from '@/ui/kit/api';
import { ChoiceField, FigureField, TickField } from '@/ui/kit/fields/fields';
import { Part, Wrong } from '@/ui/kit/fields/lists';
import { useSheet } from '@/ui/sheet/store';

const EVERY = 300;
const STATES: Record<CutterState['state'], string> = {
  connecting: 'Looking for the cutter…',
  cutting: 'Cutting',
  paused: 'Paused',
  blade: 'Waiting for a new blade',
  done: 'Cut',
  stopped: 'Stopped',
  failed: 'Not cut',
};
const isOver = ({ state }: CutterState): boolean => state === 'done' || state === 'stopped' || state === 'failed';

/** What was cut over what was planned: the knife's way in red, the plan under it. */
function Picture({ cutter }: { cutter: CutterState }) {
  const { planned, picture } = cutter;
  const box = bounds(planned);
  const line = Math.max(box.width, box.height) / 200;
  const path = (ring: Polygon): string => `M${ring.map(([x, y]) => `${x} ${-y}`).join('L')}`;
  return (
    <svg
      viewBox={`${box.minX - line * 4} ${-box.maxY - line * 4} ${box.width + line * 8} ${box.height + line * 8}`}
      className="w-full max-h-48"
      role="img"
      aria-label="What was cut, over what was planned"
    >
      <path
        d={`${path(planned)}Z`}
        fill="var(--color-base-300)"
        stroke="var(--ink)"
        strokeWidth={line}
        strokeDasharray={`${line * 3} ${line * 3}`}
      />
      {picture?.cuts.map((cut, k) => (
        <path key={k} d={path(cut)} fill="none" stroke="var(--cover-line)" strokeWidth={line * 1.4} data-cut />
      ))}
    </svg>
  );
}

function useCutter(open: boolean) {
  const [cutter, setCutter] = useState<CutterState | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const look = useCallback(async () => {
    try {
      const data = (await (await fetch('/api/cutter')).json()) as { cutter: CutterState | null };
      setCutter(data.cutter);
    } catch {
      setWrong(`${UNREACHED} The cutter carries on by itself.`);
    }
  }, []);
  const running = cutter !== null && !isOver(cutter);
  useEffect(() => {
    if (!open) return;
    void look();
    if (!running) return;
    const timer = setInterval(() => void look(), EVERY);
    return () => clearInterval(timer);
  }, [open, running, look]);
  const act = async (method: 'POST' | 'PUT', body: unknown): Promise<void> => {
    const answer = await send<{ cutter: CutterState }>(method, '/api/cutter', body).catch(() => null);
    setWrong(answer?.ok ? null : (answer?.data.message ?? UNREACHED));
    if (answer?.ok) setCutter(answer.data.cutter);
    await look();
  };
  return { cutter, running, wrong, act };
}

function Running({ cutter, running, act }: Pick<ReturnType<typeof useCutter>, 'running' | 'act'> & { cutter: CutterState }) {
  const { compared } = cutter;
  return (
    <div data-cutter={cutter.state}>
      <p role="status">
        <strong>{STATES[cutter.state]}</strong>: {cutter.title}. {cutter.says}
      </p>
      {cutter.of > 0 && !isOver(cutter) && (
        <progress className="progress w-full" value={cutter.done} max={cutter.of} aria-label="Cut so far" />
      )}
      {running && (
        <div className="flex gap-1 flex-wrap">
          <button type="button" className="btn btn-sm btn-primary" onClick={() => void act('PUT', { what: 'stop' })}>
            Stop
          </button>
          {cutter.state === 'cutting' && (
            <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => void act('PUT', { what: 'pause' })}>
              Pause
            </button>
          )}
          {cutter.state === 'paused' && (
            <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => void act('PUT', { what: 'resume' })}>
              Go on
            </button>
          )}
          {cutter.state === 'blade' && (
            <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => void act('PUT', { what: 'blade' })}>
              A new blade is in
            </button>
          )}
        </div>
      )}
      {compared && (
        <>
          <Picture cutter={cutter} />
          <p className={compared.matches ? '' : 'text-error font-semibold'} data-matches={compared.matches}>
            {compared.matches
              ? `The cut is the plan, within ${Math.max(0.1, Math.round(compared.off * 10) / 10)} mm.`
              : `The cut is off by up to ${Math.round(compared.off * 10) / 10} mm: do not use it; look at the head and the bed.`}
          </p>
        </>
      )}
    </div>
  );
}

/** Sends one template to a cutter, watches it, and compares what it cut with the plan. */
export function ToCutter() {
  const id = useSheet((state) => state.id);
  const [open, setOpen] = useState(false);
  const [templates, setTemplates] = useState<{ id: string; title: string }[]>([]);
  const [template, setTemplate] = useState<string | null>(null);
  const [feed, setFeed] = useState(9000);
  const [clear, setClear] = useState(false);
  const { cutter, running, wrong, act } = useCutter(open);
  useEffect(() => {
    if (!open) return;
    fetch(`/api/cutter/templates?piece=${id}`)
      .then((response) => response.json() as Promise<{ templates?: { id: string; title: string }[] }>)
      .then(({ templates: all = [] }) => setTemplates(all))
      .catch(() => undefined);
  }, [open, id]);
  const chosen = template ?? templates[0]?.id ?? '';
  return (
    <section aria-label="To a cutter" onFocus={() => setOpen(true)} onPointerEnter={() => setOpen(true)}>
      <Part title="To a cutter">
        <ChoiceField
          label="Template"
          value={chosen}
          options={
            templates.length > 0
              ? templates.map((item) => ({ id: item.id, name: item.title }))
              : [{ id: '', name: 'Working out the templates…' }]
          }
          onChange={(next) => setTemplate(next)}
        />
        <FigureField
          label="Speed, mm a minute"
          name="cutter feed"
          value={feed}
          onCommit={(next) => {
            setFeed(next);
            return null;
          }}
        />
        <p className="text-warning text-xs">
          A blade that moves by itself: guards shut, nobody reaches in, the stop within reach; cloth flat and held, extraction on. Follow
          your local rules.
        </p>
        <TickField label="The bed is clear, the cloth lies flat" checked={clear} onChange={setClear} />
        <button
          type="button"
          className="btn btn-sm btn-outline font-normal"
          disabled={running || chosen === ''}
          onClick={() => void act('POST', { piece: id, template: chosen, feed, clear })}
        >
          Cut it
        </button>
        <Wrong message={wrong} />
        {cutter && <Running cutter={cutter} running={running} act={act} />}
      </Part>
    </section>
  );
}
