'use client';

import { buttonsOf, channelsOf, nailsOf, pulledOver, STARTING, weltOf } from '@/core/cover';
import type { Buttons, Channels, Covering, Nails, Welt } from '@/core/piece';
import { ChoiceField, FigureField, LengthField, TickField } from '@/ui/kit/fields';
import type { PanelProps } from '@/ui/sheet/panel-props';

type Props = { props: PanelProps; covering: Covering; set: (change: Partial<Covering>) => string | null };

/** Ways with a top seam that can lie in different places. */
const SEAMED = new Set<Covering['way']>(['boxed', 'saddle-set', 'block', 'bordered']);
/** Sewn ways whose top may be channelled. */
const TOPPED = new Set<Covering['way']>(['boxed', 'saddle-set', 'block', 'bordered']);

function WeltFields({ props, covering, set }: Props) {
  const welt = weltOf(covering);
  if (!welt) return null;
  const change = (next: Partial<Welt>) => set({ welt: { ...welt, ...next } });
  const [upper, lower] =
    covering.way === 'bordered'
      ? ['Welt round the inner panel', 'Welt along the edge']
      : covering.way === 'lipped'
        ? ['Cord along the lip', '']
        : ['Welt in the top seam', covering.way === 'saddle-set' ? '' : 'Welt in the lower seam'];
  return (
    <>
      {covering.way !== 'lipped' && <TickField label={upper!} checked={welt.upper} onChange={(on) => change({ upper: on })} />}
      {lower && <TickField label={lower} checked={welt.lower} onChange={(on) => change({ lower: on })} />}
      {(welt.upper || welt.lower) && (
        <>
          <LengthField
            label="Cord"
            name={`${props.pieceId} cord`}
            value={welt.cord}
            hint="its thickness"
            onCommit={(cord) => change({ cord })}
          />
          <ChoiceField
            label="Welt strip"
            value={welt.cut}
            options={[
              { id: 'straight', name: 'On the straight' },
              { id: 'bias', name: 'On the bias' },
            ]}
            onChange={(cut) => change({ cut })}
          />
          <TickField label="Double welt" checked={welt.double} onChange={(double) => change({ double })} />
        </>
      )}
    </>
  );
}

function ChannelFields({ props, covering, set }: Props) {
  const { pieceId } = props;
  const channels = channelsOf(covering);
  const change = (next: Partial<Channels>) => set({ channels: { ...(channels ?? STARTING.channels), ...next } });
  return (
    <>
      {TOPPED.has(covering.way) && (
        <TickField
          label="Channelled top"
          checked={channels !== null}
          onChange={(on) => {
            const { channels: _, ...rest } = covering;
            void _;
            if (on) set({ channels: STARTING.channels });
            else props.apply({ ...props.piece, covering: rest });
          }}
        />
      )}
      {channels && (
        <>
          <LengthField
            label="Channel width"
            name={`${pieceId} cw`}
            value={channels.width}
            hint="as sewn"
            onCommit={(width) => change({ width })}
          />
          <ChoiceField
            label="Channels lie"
            value={channels.lay === 'radiating' ? 'radiating' : channels.run}
            options={[
              { id: 'front-to-back', name: 'Front to back' },
              { id: 'across', name: 'Across' },
              { id: 'radiating', name: 'Radiating' },
            ]}
            onChange={(lay) => change(lay === 'radiating' ? { lay: 'radiating' } : { lay: 'straight', run: lay })}
          />
          <ChoiceField
            label="On the middle"
            value={channels.centre}
            options={[
              { id: 'channel', name: 'A channel' },
              { id: 'line', name: 'A stitched line' },
            ]}
            onChange={(centre) => change({ centre })}
          />
          <LengthField
            label="Backed foam"
            name={`${pieceId} bf`}
            value={channels.backing}
            hint="its thickness; nothing is none"
            onCommit={(backing) => change({ backing })}
          />
          <TickField
            label="Take-up from a sewn swatch"
            checked={channels.swatch !== null}
            onChange={(on) => change({ swatch: on ? { lines: 5, before: 250, after: 235 } : null })}
          />
          {channels.swatch && (
            <>
              <FigureField
                label="Lines in the swatch"
                name={`${pieceId} sl`}
                whole
                value={channels.swatch.lines}
                onCommit={(lines) => change({ swatch: { ...channels.swatch!, lines } })}
              />
              <LengthField
                label="Swatch before"
                name={`${pieceId} sb`}
                value={channels.swatch.before}
                onCommit={(before) => change({ swatch: { ...channels.swatch!, before } })}
              />
              <LengthField
                label="Swatch after"
                name={`${pieceId} sa`}
                value={channels.swatch.after}
                onCommit={(after) => change({ swatch: { ...channels.swatch!, after } })}
              />
            </>
          )}
        </>
      )}
    </>
  );
}

function ButtonFields({ props, covering, set }: Props) {
  const buttons = buttonsOf(covering);
  if (!buttons) return null;
  const { pieceId } = props;
  const change = (next: Partial<Buttons>) => set({ buttons: { ...buttons, ...next } });
  return (
    <>
      <FigureField
        label="Buttons across"
        name={`${pieceId} bc`}
        whole
        value={buttons.columns}
        onCommit={(columns) => change({ columns })}
      />
      <FigureField label="Rows of buttons" name={`${pieceId} br`} whole value={buttons.rows} onCommit={(rows) => change({ rows })} />
      <LengthField label="Button to button" name={`${pieceId} bs`} value={buttons.spacing} onCommit={(spacing) => change({ spacing })} />
      <LengthField label="Drawn in" name={`${pieceId} bd`} value={buttons.depth} onCommit={(depth) => change({ depth })} />
      <LengthField label="Button size" name={`${pieceId} bz`} value={buttons.size} onCommit={(size) => change({ size })} />
      <p className="text-xs border-l-3 border-warning pl-2 my-1">No loose buttons where small children are. Follow your local rules.</p>
    </>
  );
}

function NailFields({ props, covering, set }: Props) {
  const nails = nailsOf(covering);
  if (!nails) return null;
  const { pieceId } = props;
  const change = (next: Partial<Nails>) => set({ nails: { ...nails, ...next } });
  return (
    <>
      <LengthField
        label="Nail pitch"
        name={`${pieceId} np`}
        value={nails.pitch}
        hint="evened out over each side"
        onCommit={(pitch) => change({ pitch })}
      />
      <LengthField label="Nail head" name={`${pieceId} nh`} value={nails.head} onCommit={(head) => change({ head })} />
      <TickField
        label="Large and small in turn"
        checked={nails.small > 0}
        onChange={(on) => change({ small: on ? Math.max(4, nails.head * 0.6) : 0 })}
      />
      {nails.small > 0 && (
        <LengthField label="Small head" name={`${pieceId} ns`} value={nails.small} onCommit={(small) => change({ small })} />
      )}
      <p className="text-xs border-l-3 border-warning pl-2 my-1">
        Nails: eye protection; no nail heads within a small child’s reach. Follow your local rules.
      </p>
    </>
  );
}

/** What belongs to the chosen way of covering. */
export function WayFields({ props, covering, set }: Props) {
  const { pieceId } = props;
  const sewn = !pulledOver(covering.way);
  return (
    <>
      {covering.way === 'bordered' && (
        <LengthField
          label="Border width"
          name={`${pieceId} border`}
          value={covering.border ?? props.plan?.cover.border ?? STARTING.border}
          hint="from the board’s edge"
          onCommit={(border) => set({ border })}
        />
      )}
      {covering.way === 'lipped' && (
        <LengthField
          label="Lip"
          name={`${pieceId} lip`}
          value={covering.lip ?? STARTING.lip}
          hint="in from the board’s edge"
          onCommit={(lip) => set({ lip })}
        />
      )}
      {SEAMED.has(covering.way) && (
        <ChoiceField
          label="Top seam"
          value={covering.seamAt ?? 'edge'}
          options={[
            { id: 'on-top', name: 'On top of the pad' },
            { id: 'edge', name: 'On the edge' },
            { id: 'below', name: 'Just below the edge' },
          ]}
          onChange={(seamAt) => set({ seamAt })}
        />
      )}
      {(covering.way === 'boxed' || covering.way === 'saddle-set' || covering.way === 'block') && (
        <>
          <ChoiceField
            label="Band is cut"
            value={covering.bandCut ?? 'auto'}
            options={[
              { id: 'auto', name: 'As the cloth gives' },
              { id: 'straight', name: 'Straight' },
              { id: 'shaped', name: 'Shaped' },
            ]}
            onChange={(cut) => set({ bandCut: cut === 'auto' ? null : cut })}
          />
          {covering.way === 'boxed' && (
            <ChoiceField
              label="Band joins"
              value={covering.joins ?? 'back'}
              options={[
                { id: 'back', name: 'At the back' },
                { id: 'corners', name: 'At the corners' },
              ]}
              onChange={(joins) => set({ joins })}
            />
          )}
        </>
      )}
      {covering.way === 'saddle-set' && (
        <TickField
          label="Panel without a seam allowance"
          checked={covering.panelAllowance === 'none'}
          onChange={(none) => set({ panelAllowance: none ? 'none' : 'add' })}
        />
      )}
      {covering.way === 'tight-deck' && (
        <TickField label="Pulls of plain cloth through the frame" checked={covering.pulls ?? false} onChange={(pulls) => set({ pulls })} />
      )}
      <WeltFields props={props} covering={covering} set={set} />
      <ChannelFields props={props} covering={covering} set={set} />
      <ButtonFields props={props} covering={covering} set={set} />
      <NailFields props={props} covering={covering} set={set} />
      {sewn && covering.way !== 'lipped' && (
        <details className="text-sm">
          <summary className="cursor-pointer py-1">Stitching, darts, splits</summary>
          <TickField
            label="Double-stitched seams"
            checked={covering.doubleStitch ?? false}
            onChange={(doubleStitch) => set({ doubleStitch })}
          />
          <TickField
            label="Strips behind opened seams"
            checked={covering.backingStrips ?? false}
            onChange={(backingStrips) => set({ backingStrips })}
          />
          <LengthField
            label="Top stitch from the seam"
            name={`${pieceId} ts`}
            value={covering.topStitch ?? 0}
            hint="nothing is none"
            onCommit={(topStitch) => set({ topStitch })}
          />
          <ChoiceField
            label="Top panel"
            value={covering.split ?? 'none'}
            options={[
              { id: 'none', name: 'In one' },
              { id: 'depth', name: 'Split front to back' },
              { id: 'width', name: 'Split across' },
            ]}
            onChange={(split) => set({ split })}
          />
          {(covering.darts?.length ?? 0) > 0 && (
            <button type="button" className="btn btn-xs btn-outline" onClick={() => set({ darts: [] })}>
              Take the {covering.darts!.length} darts out
            </button>
          )}
          {(covering.seamMoves?.length ?? 0) > 0 && (
            <button type="button" className="btn btn-xs btn-outline ml-1" onClick={() => set({ seamMoves: [] })}>
              Seam back where it was
            </button>
          )}
        </details>
      )}
    </>
  );
}
