'use client';

import { Printer } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { Printed } from '@/core/formats/pdf';
import { PRINT_PARTS, USUAL_PARTS, type PrintPart, type TemplateChoice } from '@/core/formats/print/choice';
import { TEMPLATE_MODES, type TemplateMode } from '@/core/formats/templates';
import { PAPER_IDS, PAPERS, type Paper } from '@/core/formats/tiles';
import { Dialog } from '@/ui/kit/dialog';
import { Wrong } from '@/ui/kit/fields/lists';
import { useSheet } from '@/ui/sheet/store';
import { PagePicture } from './page-picture';
import { UNREACHED } from '@/ui/kit/api';

/** What was chosen, remembered on this machine: paper and parts for every piece, ways of templates for each. */
type Chosen = { paper: Paper; parts: PrintPart[]; modes: Record<string, Record<string, TemplateMode>> };

const KEPT = 'fovea.print';
/** A choice rests so long before its pages are asked for, ms: one is seldom made alone. */
const REST = 250;
/** Pages that are drawn at once; more are asked for. */
const FIRST = 12;

function remembered(): Chosen {
  const usual: Chosen = { paper: 'a4', parts: [...USUAL_PARTS], modes: {} };
  try {
    const saved = JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Partial<Chosen>;
    return {
      paper: saved.paper && PAPER_IDS.includes(saved.paper) ? saved.paper : usual.paper,
      parts: Array.isArray(saved.parts) ? PRINT_PARTS.map(({ id }) => id).filter((id) => saved.parts!.includes(id)) : usual.parts,
      modes: typeof saved.modes === 'object' && saved.modes !== null ? saved.modes : {},
    };
  } catch {
    return usual;
  }
}

const nameOf = (mode: TemplateMode): string => TEMPLATE_MODES.find(({ id }) => id === mode)!.name;
const sheetsSaid = (sheets: number): string => (sheets === 0 ? '' : `, ${sheets} ${sheets === 1 ? 'sheet' : 'sheets'}`);

/** Each template and how it is wanted. */
function Templates({ templates, onMode }: { templates: readonly TemplateChoice[]; onMode: (id: string, mode: TemplateMode) => void }) {
  return (
    <fieldset className="mt-3">
      <legend className="font-semibold text-sm mb-1">Templates</legend>
      {templates.map(({ id, title, mode, modes }) => (
        <label key={id} className="block text-sm mb-2">
          <span className="block">{title}</span>
          <select
            className="w-full border border-base-content/40 rounded-sm bg-base-100 px-1 py-1"
            value={mode}
            onChange={(event) => onMode(id, event.target.value as TemplateMode)}
          >
            {modes.map((item) => (
              <option key={item.id} value={item.id}>
                {nameOf(item.id)}
                {sheetsSaid(item.sheets)}
              </option>
            ))}
          </select>
        </label>
      ))}
    </fieldset>
  );
}

/** The pages as they were last laid out. */
function usePages(id: string, asked: string, status: string): { printed: Printed | null; wrong: string | null; waiting: boolean } {
  const [got, setGot] = useState<{ asked: string; printed: Printed | null; wrong: string | null } | null>(null);
  useEffect(() => {
    let over = false;
    const ask = async (): Promise<void> => {
      try {
        const response = await fetch(`/api/pieces/${id}/pages?${asked}`);
        const data = (await response.json()) as Printed & { message?: string };
        const wrong = response.ok ? null : (data.message ?? 'It could not be laid out.');
        if (!over) setGot({ asked, printed: response.ok ? data : null, wrong });
      } catch {
        if (!over) setGot({ asked, printed: null, wrong: UNREACHED });
      }
    };
    const timer = setTimeout(() => void ask(), REST);
    return () => {
      over = true;
      clearTimeout(timer);
    };
    // What is on its way to the disk is printed once it is there.
  }, [id, asked, status]);
  return { printed: got?.printed ?? null, wrong: got?.wrong ?? null, waiting: got?.asked !== asked };
}

/** Which parts are printed. */
function Parts({ parts, onParts }: { parts: readonly PrintPart[]; onParts: (parts: PrintPart[]) => void }) {
  return PRINT_PARTS.map(({ id, name }) => (
    <label key={id} className="flex items-center gap-2 text-sm py-1">
      <input
        type="checkbox"
        className="size-5 accent-(--color-secondary)"
        checked={parts.includes(id)}
        onChange={(event) =>
          onParts(
            PRINT_PARTS.map((printPart) => printPart.id).filter((word) => (word === id ? event.target.checked : parts.includes(word))),
          )
        }
      />
      {name}
    </label>
  ));
}

/** The pages as they come out of the printer, the first of them at once. */
function Pages({ printed, wrong, waiting }: ReturnType<typeof usePages>) {
  const [all, setAll] = useState(false);
  const count = printed?.pages.length ?? 0;
  const shown = all ? printed?.pages : printed?.pages.slice(0, FIRST);
  return (
    <div
      className="max-h-[65vh] overflow-y-auto border border-base-content/25 bg-base-200 p-3"
      aria-busy={waiting}
      data-pages={waiting ? '' : count}
    >
      {!printed && !wrong && <p className="text-sm">Laying out the pages…</p>}
      <Wrong message={wrong} />
      {printed && count === 0 && <p className="text-sm">Nothing chosen to print.</p>}
      <div className="grid gap-3 sm:grid-cols-2">
        {shown?.map((page, i) => (
          <PagePicture key={i} page={page} number={i + 1} />
        ))}
      </div>
      {!all && count > FIRST && (
        <button type="button" className="btn btn-sm btn-outline font-normal" onClick={() => setAll(true)}>
          The other {count - FIRST} pages
        </button>
      )}
    </div>
  );
}

/** What is printed, on which paper, and how it will look. */
export function PrintDialog({ id, onClose }: { id: string; onClose: () => void }) {
  const [chosen, setChosen] = useState(remembered);
  const modes = chosen.modes[id] ?? {};
  const choose = (change: Partial<Chosen>) => {
    const now = { ...chosen, ...change };
    setChosen(now);
    try {
      localStorage.setItem(KEPT, JSON.stringify(now));
    } catch {
      // A browser that keeps nothing asks anew the next time.
    }
  };
  const phrases = Object.entries(modes).map(([template, mode]) => `${template}:${mode}`);
  const asked = new URLSearchParams({ paper: chosen.paper, parts: chosen.parts.join(','), modes: phrases.join(',') }).toString();
  const { printed, wrong, waiting } = usePages(
    id,
    asked,
    useSheet((state) => state.status),
  );
  const count = printed?.pages.length ?? 0;
  return (
    <Dialog title="Print" onClose={onClose} wide>
      <div className="grid gap-5 md:grid-cols-[17rem_minmax(0,1fr)]">
        <div className="md:max-h-[65vh] md:overflow-y-auto p-1">
          <label className="flex items-center justify-between gap-2 text-sm mb-2">
            Paper
            <select
              className="border border-base-content/40 rounded-sm bg-base-100 px-1 py-1"
              value={chosen.paper}
              onChange={(event) => choose({ paper: event.target.value as Paper })}
            >
              {PAPER_IDS.map((paper) => (
                <option key={paper} value={paper}>
                  {PAPERS[paper].name}
                </option>
              ))}
            </select>
          </label>
          <Parts parts={chosen.parts} onParts={(parts) => choose({ parts })} />
          {printed && chosen.parts.includes('templates') && (
            <Templates
              templates={printed.templates}
              onMode={(template, mode) => choose({ modes: { ...chosen.modes, [id]: { ...modes, [template]: mode } } })}
            />
          )}
        </div>
        <Pages printed={printed} wrong={wrong} waiting={waiting} />
      </div>
      <div className="flex items-center gap-3 pt-4">
        <p className="text-sm mr-auto" role="status">
          {waiting ? 'Laying out the pages…' : `${count} ${count === 1 ? 'page' : 'pages'}`}
        </p>
        <button type="button" className="btn btn-sm btn-outline" onClick={onClose}>
          Close
        </button>
        <a
          className={`btn btn-sm btn-primary ${count === 0 ? 'btn-disabled' : ''}`}
          href={`/api/pieces/${id}/print?${asked}`}
          aria-disabled={count === 0}
          download
        >
          <Printer size={16} aria-hidden /> Save as PDF
        </a>
      </div>
    </Dialog>
  );
}
