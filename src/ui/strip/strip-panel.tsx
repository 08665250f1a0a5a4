'use client';

import { FINDINGS } from '@/core/strip';
import { inUnit } from '@/core/length';
import type { OldPiece, Piece, PressReadings, StripRecord } from '@/core/piece';
import type { Plan } from '@/core/plan';
import { CAUTIONS } from '@/core/run';
import { AddOne, freeId, Part, TakeOut } from '@/ui/base/features';
import { FigureField, LengthField, TextField } from '@/ui/kit/fields';
import { useLength, useSettings } from '@/ui/kit/settings';

/** A record with nothing in it yet. */
export const NO_STRIP: StripRecord = { items: [], findings: [], press: null, cover: [], tasks: [] };

type Props = { piece: Piece; name: string; apply: (next: Piece) => string | null; plan: Plan | null };

const VERDICTS = { keep: 'Keep the foam', plump: 'Plump it', replace: 'Replace it' } as const;
const PRESS: PressReadings = { asNew: 50, now: 50, seconds: 1, crumbs: false, mould: false, marks: false };

/** What was found, the press test, the old cover and what is left for later. */
export function StripPanel({ piece, name, apply, plan }: Props) {
  const { unit } = useSettings();
  const strip = piece.strip ?? NO_STRIP;
  const set = (change: Partial<StripRecord>) => apply({ ...piece, strip: { ...strip, ...change } });
  const found = FINDINGS.filter((finding) => strip.findings.includes(finding.id));
  return (
    <>
      <p className="text-sm text-warning">{CAUTIONS.strip}</p>
      <Part title="Findings" count={strip.findings.length} open>
        <div className="grid grid-cols-2 gap-x-2">
          {FINDINGS.map((finding) => (
            <label key={finding.id} className="relative flex items-start gap-1.5 text-sm py-0.5">
              <input
                type="checkbox"
                className="size-5 shrink-0 accent-(--color-secondary)"
                checked={strip.findings.includes(finding.id)}
                onChange={(event) =>
                  set({
                    findings: event.target.checked ? [...strip.findings, finding.id] : strip.findings.filter((id) => id !== finding.id),
                  })
                }
              />
              {finding.name}
            </label>
          ))}
        </div>
        {found.map((finding) => (
          <div key={finding.id} className="text-xs border-l-3 border-warning pl-2 my-1">
            <p>{finding.consequence}</p>
            {finding.caution && <p className="text-warning font-semibold">Caution. {finding.caution}</p>}
          </div>
        ))}
      </Part>
      <Press strip={strip} name={name} set={set} plan={plan} />
      <OldCover strip={strip} name={name} set={set} plan={plan} />
      {plan?.strip.staples.map((staple) => (
        <p
          key={staple.name + staple.leg}
          className={`text-xs border-l-3 pl-2 my-1 ${staple.tooLong ? 'border-error text-error' : 'border-success'}`}
        >
          {inUnit(staple.words, unit)}
        </p>
      ))}
      <Part title="Left for later" count={strip.tasks.length}>
        {strip.tasks.map((task, i) => (
          <div key={task.id} className="flex items-start gap-1">
            <input
              type="checkbox"
              className="size-5 mt-2 accent-(--color-secondary)"
              checked={task.done}
              aria-label={`Done: ${task.text || `task ${i + 1}`}`}
              onChange={(event) => set({ tasks: strip.tasks.map((t, k) => (k === i ? { ...t, done: event.target.checked } : t)) })}
            />
            <div className="flex-1">
              <TextField
                label={`Task ${i + 1}`}
                name={`${name} ${task.id}`}
                value={task.text}
                onCommit={(text) => set({ tasks: strip.tasks.map((t, k) => (k === i ? { ...t, text: text.slice(0, 400) } : t)) })}
              />
            </div>
            <TakeOut what={`task ${i + 1}`} onClick={() => set({ tasks: strip.tasks.filter((_, k) => k !== i) })} />
          </div>
        ))}
        <AddOne onClick={() => set({ tasks: [...strip.tasks, { id: freeId(strip.tasks, 't'), text: '', done: false }] })}>Task</AddOne>
      </Part>
    </>
  );
}

type PartProps = { strip: StripRecord; name: string; set: (change: Partial<StripRecord>) => string | null; plan: Plan | null };

function Press({ strip, name, set, plan }: PartProps) {
  const say = useLength();
  const { press } = strip;
  const verdict = plan?.strip.press;
  const put = (change: Partial<PressReadings>) => set({ press: { ...press!, ...change } });
  const tick = (key: 'crumbs' | 'mould' | 'marks', words: string) => (
    <label className="relative flex items-center justify-between text-sm py-0.5">
      {words}
      <input
        type="checkbox"
        className="size-5 accent-(--color-secondary)"
        checked={press![key]}
        onChange={(event) => put({ [key]: event.target.checked })}
      />
    </label>
  );
  return (
    <Part title="Press test of the old foam" count={press ? 1 : 0}>
      {!press && <AddOne onClick={() => set({ press: PRESS })}>Press test</AddOne>}
      {press && (
        <>
          <LengthField label="Thickness as new" name={`${name} new`} value={press.asNew} onCommit={(asNew) => put({ asNew })} />
          <LengthField label="Thickness now" name={`${name} now`} value={press.now} onCommit={(now) => put({ now })} />
          <FigureField
            label="Back from half height"
            suffix="s"
            name={`${name} back`}
            value={press.seconds}
            onCommit={(seconds) => (seconds < 0 || seconds > 600 ? '0 to 600 s' : put({ seconds }))}
          />
          {tick('crumbs', 'It crumbles')}
          {tick('mould', 'Mould, or smells of it')}
          {tick('marks', 'Marked by the board')}
          {verdict && (
            <p className="text-sm border-l-3 border-secondary pl-2 my-1" data-press={verdict.verdict}>
              <strong>
                {VERDICTS[verdict.verdict]}
                {verdict.plump > 0 && ` with ${say(verdict.plump)}`}.
              </strong>{' '}
              {verdict.decided}
            </p>
          )}
          <button type="button" className="text-xs underline cursor-pointer" onClick={() => set({ press: null })}>
            Take the test out
          </button>
        </>
      )}
    </Part>
  );
}

function OldCover({ strip, name, set, plan }: PartProps) {
  const say = useLength();
  const put = (i: number, change: Partial<OldPiece>) =>
    set({ cover: strip.cover.map((old, k) => (k === i ? { ...old, ...change } : old)) });
  const signed = (mm: number) => `${mm >= 0 ? '+' : '−'}${say(Math.abs(Math.round(mm)))}`;
  return (
    <Part title="Old cover as a pattern" count={strip.cover.length}>
      {strip.cover.map((old, i) => {
        const compared = plan?.strip.oldCover.find((c) => c.id === old.id);
        return (
          <fieldset key={old.id} className="border-l-2 border-base-content/25 pl-2 mb-2">
            <div className="flex items-center">
              <legend className="text-sm">Old piece {i + 1}</legend>
              <TakeOut what={`old piece ${i + 1}`} onClick={() => set({ cover: strip.cover.filter((_, k) => k !== i) })} />
            </div>
            <TextField
              label="What"
              name={`${name} ${old.id} what`}
              value={old.name}
              onCommit={(text) => put(i, { name: text.slice(0, 120) })}
            />
            <LengthField label="Width, laid flat" name={`${name} ${old.id} w`} value={old.width} onCommit={(width) => put(i, { width })} />
            <LengthField
              label="Depth, laid flat"
              name={`${name} ${old.id} h`}
              value={old.height}
              onCommit={(height) => put(i, { height })}
            />
            {compared && (
              <table className="text-xs w-full" data-old-cover>
                <tbody>
                  <tr>
                    <td>New cover</td>
                    <td className="text-right">{say(Math.round(compared.computed.width))}</td>
                    <td className="text-right">{say(Math.round(compared.computed.height))}</td>
                  </tr>
                  {compared.reasons.map((reason) => (
                    <tr key={reason.label}>
                      <td>{reason.label}</td>
                      <td className="text-right">{signed(reason.width)}</td>
                      <td className="text-right">{signed(reason.height)}</td>
                    </tr>
                  ))}
                  <tr>
                    <td>Not explained</td>
                    <td className="text-right">{signed(compared.unexplained.width)}</td>
                    <td className="text-right">{signed(compared.unexplained.height)}</td>
                  </tr>
                </tbody>
              </table>
            )}
          </fieldset>
        );
      })}
      <AddOne onClick={() => set({ cover: [...strip.cover, { id: freeId(strip.cover, 'o'), name: 'Cover', width: 500, height: 500 }] })}>
        Piece
      </AddOne>
    </Part>
  );
}
