'use client';

import { defaultsOf, freeId, GOES_BACK, PRESS, type OldPiece } from '@/core/piece';
import { CAUTIONS } from '@/core/run-sheet';
import { FINDINGS, withOldFoam, type GoesBack, type OldCompared } from '@/core/strip';
import { inUnit } from '@/core/length';
import { TickField } from '@/ui/kit/fields/fields';
import { AddOne, Item, Part, TakeOut } from '@/ui/kit/fields/lists';
import { useLength, useSettings } from '@/ui/kit/settings';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { usePiece, usePlan, useSheet } from '@/ui/sheet/store';
import { MeetFields } from './meet-fields';
import { useStrip } from './use-strip';

const VERDICTS = { keep: 'Keep the foam', plump: 'Plump it', replace: 'Replace it' } as const;

/** What was found, the press test, the old cover and what is left for later. */
export function StripPanel() {
  return (
    <>
      <p className="text-sm text-warning">{CAUTIONS.strip}</p>
      <Findings />
      <MeetFields />
      <Press />
      <OldCover />
      <OldStaples />
      <Tasks />
    </>
  );
}

function Findings() {
  const { strip, put } = useStrip();
  const found = FINDINGS.filter((finding) => strip.findings.includes(finding.id));
  return (
    <Part title="Findings" count={strip.findings.length} open>
      <div className="grid grid-cols-2 gap-x-2">
        {FINDINGS.map((finding) => (
          <TickField
            key={finding.id}
            label={finding.name}
            checked={strip.findings.includes(finding.id)}
            onChange={(on) => put({ findings: on ? [...strip.findings, finding.id] : strip.findings.filter((id) => id !== finding.id) })}
          />
        ))}
      </div>
      {found.map((finding) => (
        <div key={finding.id} className="text-xs border-l-3 border-warning pl-2 my-1">
          <p>{finding.consequence}</p>
          {finding.caution && <p className="text-warning font-semibold">Caution. {finding.caution}</p>}
        </div>
      ))}
    </Part>
  );
}

function Press() {
  const say = useLength();
  const { strip, put } = useStrip();
  const verdict = usePlan()?.strip?.press;
  const piece = usePiece();
  const setPads = useSheet((state) => state.put);
  // Once it is in, there is nothing left to do.
  const again = strip.press && !piece.pads.some(({ kept }) => kept) ? withOldFoam(piece, strip.press) : null;
  return (
    <Part
      title="Press test of the old foam"
      count={strip.press ? 1 : 0}
      says={verdict ? VERDICTS[verdict.verdict].toLowerCase() : undefined}
    >
      {!strip.press && <AddOne onClick={() => put({ press: defaultsOf(PRESS) })}>Press test</AddOne>}
      {strip.press && (
        <>
          {Object.keys(PRESS.properties).map((key) => (
            <PieceField key={key} at={`strip.press.${key}`} />
          ))}
          {verdict && (
            <p className="text-sm border-l-3 border-secondary pl-2 my-1" data-press={verdict.verdict}>
              <strong>
                {VERDICTS[verdict.verdict]}
                {verdict.plump > 0 && ` with ${say(verdict.plump)}`}.
              </strong>{' '}
              {verdict.decided}
            </p>
          )}
          {again && (
            <button type="button" className="btn btn-sm btn-outline font-normal my-1" onClick={() => setPads('pads', again)}>
              Put the old foam into the new build
            </button>
          )}
          <button type="button" className="text-xs underline cursor-pointer block" onClick={() => put({ press: null })}>
            Take the test out
          </button>
        </>
      )}
    </Part>
  );
}

/** An old piece beside the new cover, with what explains the difference. */
function Compared({ compared }: { compared: OldCompared }) {
  const say = useLength();
  const signed = (mm: number) => `${mm >= 0 ? '+' : '−'}${say(Math.abs(Math.round(mm)))}`;
  const rows = [
    ['New cover', say(Math.round(compared.computed.width)), say(Math.round(compared.computed.height))],
    ...compared.reasons.map((reason) => [reason.label, signed(reason.width), signed(reason.height)]),
    ['Not explained', signed(compared.unexplained.width), signed(compared.unexplained.height)],
  ];
  return (
    <table className="text-xs w-full" data-old-cover>
      <tbody>
        {rows.map(([label, width, height]) => (
          <tr key={label}>
            <td>{label}</td>
            <td className="text-right">{width}</td>
            <td className="text-right">{height}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Whether an old piece that goes on again closes, and how far the build may differ. */
function Back({ at, back }: { at: number; back: GoesBack | undefined }) {
  const { unit } = useSettings();
  return (
    <>
      <PieceField at={`strip.cover.${at}.back.letOut`} />
      {back && (
        <p className={`text-xs border-l-3 pl-2 my-1 ${back.closes ? 'border-success' : 'border-error text-error'}`} data-goes-back>
          {inUnit(back.words, unit)}
        </p>
      )}
      <p className="text-xs opacity-70">
        Measure it {back?.pulled ? 'edge to edge, pulled flat by hand' : 'seam to seam'}. It is neither cut nor bought; half of what its
        cloth gives is counted on.
      </p>
    </>
  );
}

function OldCover() {
  const { strip, put } = useStrip();
  const plan = usePlan()?.strip;
  const old = plan?.oldCover;
  // A cover that is said to go back on is not known before it is measured.
  const unmeasured = strip.items.some(({ what, again }) => what === 'cover' && again === 'refit') && !strip.cover.some(({ back }) => back);
  const change = (i: number, more: Partial<OldPiece>) =>
    put({ cover: strip.cover.map((item, k) => (k === i ? { ...item, ...more } : item)) });
  return (
    <Part title="Old cover" count={strip.cover.length} {...(unmeasured ? { open: true } : {})}>
      {unmeasured && (
        <p className="text-xs border-l-3 border-warning pl-2 my-1">
          A cover goes back on: measure it here, and Fovea keeps the padding to what it closes over.
        </p>
      )}
      {strip.cover.map((item, i) => {
        const compared = old?.find(({ id }) => id === item.id);
        return (
          <Item
            key={item.id}
            title={`Old piece ${i + 1}`}
            what={`old piece ${i + 1}`}
            onTakeOut={() => put({ cover: strip.cover.filter((_, k) => k !== i) })}
          >
            {['name', 'width', 'height'].map((key) => (
              <PieceField key={key} at={`strip.cover.${i}.${key}`} />
            ))}
            <TickField
              label="It goes on again"
              checked={Boolean(item.back)}
              onChange={(on) => change(i, { back: on ? defaultsOf(GOES_BACK) : null })}
            />
            {item.back ? <Back at={i} back={plan?.back.find(({ id }) => id === item.id)} /> : compared && <Compared compared={compared} />}
          </Item>
        );
      })}
      <AddOne
        onClick={() =>
          put({
            cover: [
              ...strip.cover,
              {
                id: freeId(strip.cover, 'o'),
                name: 'Cover',
                width: 500,
                height: 500,
                ...(unmeasured ? { back: defaultsOf(GOES_BACK) } : {}),
              },
            ],
          })
        }
      >
        Piece
      </AddOne>
    </Part>
  );
}

function OldStaples() {
  const { unit } = useSettings();
  const staples = usePlan()?.strip?.staples ?? [];
  return staples.map((staple) => (
    <p
      key={staple.name + staple.leg}
      className={`text-xs border-l-3 pl-2 my-1 ${staple.tooLong ? 'border-error text-error' : 'border-success'}`}
    >
      {inUnit([staple.words, staple.gun].filter(Boolean).join(' '), unit)}
    </p>
  ));
}

function Tasks() {
  const { strip, put } = useStrip();
  const { tasks } = strip;
  return (
    <Part title="Left for later" count={tasks.length}>
      {tasks.map((task, i) => (
        <div key={task.id} className="flex items-start gap-1">
          <input
            type="checkbox"
            className="size-5 mt-2 accent-(--color-secondary)"
            checked={task.done}
            aria-label={`Done: ${task.text || `task ${i + 1}`}`}
            onChange={(event) => put({ tasks: tasks.map((t, k) => (k === i ? { ...t, done: event.target.checked } : t)) })}
          />
          <div className="flex-1">
            <PieceField at={`strip.tasks.${i}.text`} label={`Task ${i + 1}`} />
          </div>
          <TakeOut what={`task ${i + 1}`} onClick={() => put({ tasks: tasks.filter((_, k) => k !== i) })} />
        </div>
      ))}
      <AddOne onClick={() => put({ tasks: [...tasks, { id: freeId(tasks, 't'), text: '', done: false }] })}>Task</AddOne>
    </Part>
  );
}
