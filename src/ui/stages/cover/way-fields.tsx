'use client';

import { choicesOf, spreadButtons, STARTING } from '@/core/cover';
import { baseOutline, outlineSize } from '@/core/outline';
import { defaultsOf, fieldAt, SEAM_SWATCH, SWATCH, type Covering } from '@/core/piece';
import { ChoiceField, TickField } from '@/ui/kit/fields/fields';
import { useLength } from '@/ui/kit/settings';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { useField, usePiece, usePlan } from '@/ui/sheet/store';

/** The covering with all that its way makes of it, and a way to change it. */
function useChoices() {
  const { covering } = usePiece();
  const [, put] = useField('covering');
  return { ...choicesOf(covering), set: (change: Partial<Covering>) => put({ ...covering, ...change }) };
}

type Part = 'welt' | 'channels' | 'buttons' | 'nails';

/** Fields of a part of the covering: changed together, for what nobody chose is not in the document yet. */
function PartFields<K extends Part>({ part, keys }: { part: K; keys: readonly (keyof NonNullable<Covering[K]> & string)[] }) {
  const choices = useChoices();
  const value = choices[part] as Record<string, unknown> | null;
  if (!value) return null;
  return keys.map((key) => (
    <PieceField
      key={key}
      at={`covering.${part}.${key}`}
      standing={value[key]}
      onCommit={(next: never) => choices.set({ [part]: { ...value, [key]: next } })}
    />
  ));
}

function WeltFields() {
  const { way, welt, set } = useChoices();
  if (!way.welt || !welt) return null;
  const tick = (key: 'upper' | 'lower', label: string | null) =>
    label && <TickField label={label} checked={welt[key]} onChange={(on) => set({ welt: { ...welt, [key]: on } })} />;
  return (
    <>
      {tick('upper', way.welt.upper)}
      {tick('lower', way.welt.lower)}
    </>
  );
}

function ChannelFields() {
  const { way, covering, channels, set } = useChoices();
  const [, put] = useField('covering');
  const change = (next: Partial<NonNullable<Covering['channels']>>) => set({ channels: { ...channels!, ...next } });
  const offer = (on: boolean) => {
    const { channels: _taken, ...rest } = covering;
    void _taken;
    return on ? set({ channels: STARTING.channels }) : put(rest);
  };
  return (
    <>
      {way.channels === 'offered' && <TickField label="Channelled top" checked={channels !== null} onChange={offer} />}
      {channels && (
        <>
          <PartFields part="channels" keys={['width']} />
          <ChoiceField
            label={fieldAt('covering.channels.lay').label}
            value={channels.lay === 'radiating' ? 'radiating' : channels.run}
            options={[...fieldAt('covering.channels.run').options!, { id: 'radiating', name: 'Radiating' }]}
            onChange={(lay) =>
              change(lay === 'radiating' ? { lay } : { lay: 'straight', run: lay as NonNullable<Covering['channels']>['run'] })
            }
          />
          <PartFields part="channels" keys={['centre', 'backing']} />
          <TickField
            label="Take-up from a sewn swatch"
            checked={channels.swatch !== null}
            onChange={(on) => change({ swatch: on ? defaultsOf(SWATCH) : null })}
          />
          {channels.swatch && Object.keys(SWATCH.properties).map((key) => <PieceField key={key} at={`covering.channels.swatch.${key}`} />)}
        </>
      )}
    </>
  );
}

function ButtonFields() {
  const { buttons, set } = useChoices();
  const say = useLength();
  const board = outlineSize(baseOutline(usePiece().base.shape));
  if (!buttons) return null;
  const { columns, rows, spacing, down } = buttons;
  const aside = (board.width - (columns - 1) * spacing) / 2;
  const above = (board.depth - (rows - 1) * (down ?? spacing)) / 2;
  return (
    <>
      <PartFields part="buttons" keys={['grid', 'columns', 'rows', 'spacing', 'down', 'depth', 'size']} />
      <p className="text-xs">
        The outermost are {say(aside)} from the sides and {say(above)} from the other two edges.
      </p>
      <button
        type="button"
        className="btn btn-sm btn-outline font-normal my-1"
        onClick={() => set({ buttons: spreadButtons(board, buttons) })}
      >
        Spread over the board
      </button>
      <p className="text-xs border-l-3 border-warning pl-2 my-1">No loose buttons where small children are. Follow your local rules.</p>
    </>
  );
}

/** The second head of nails in turn begins at this share of the first. */
const SMALL = 0.6;

function NailFields() {
  const { nails, set } = useChoices();
  if (!nails) return null;
  return (
    <>
      <PartFields part="nails" keys={['pitch', 'head']} />
      <TickField
        label="Large and small in turn"
        checked={nails.small !== null}
        onChange={(on) => set({ nails: { ...nails, small: on ? Math.max(4, nails.head * SMALL) : null } })}
      />
      {nails.small !== null && <PartFields part="nails" keys={['small']} />}
      <p className="text-xs border-l-3 border-warning pl-2 my-1">
        Nails: eye protection; no nail heads within a small child’s reach. Follow your local rules.
      </p>
    </>
  );
}

/** Stitching and shaping of a sewn cover. */
function Stitching() {
  const { covering, set } = useChoices();
  return (
    <details className="text-sm">
      <summary className="cursor-pointer py-1">Stitching, darts, splits</summary>
      <TickField
        label="Take-up from a sewn strip"
        checked={Boolean(covering.seamSwatch)}
        onChange={(on) => set({ seamSwatch: on ? defaultsOf(SEAM_SWATCH) : null })}
      />
      {covering.seamSwatch && Object.keys(SEAM_SWATCH.properties).map((key) => <PieceField key={key} at={`covering.seamSwatch.${key}`} />)}
      {['doubleStitch', 'backingStrips', 'topStitch', 'split'].map((key) => (
        <PieceField key={key} at={`covering.${key}`} />
      ))}
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
  );
}

/** What of a way decides how the piece looks; how its parts are cut and joined is a detail. */
const IN_SIGHT = ['made', 'border', 'borders', 'lip', 'pulls'];

/** How the parts of the chosen way are cut, joined and stitched. */
export function WayDetails() {
  const { way, welt } = useChoices();
  return (
    <>
      {way.fields
        .filter((key) => !IN_SIGHT.includes(key))
        .map((key) => (
          <PieceField key={key} at={`covering.${key}`} />
        ))}
      {way.welt && welt && (welt.upper || welt.lower) && <PartFields part="welt" keys={['cord', 'cut', 'double']} />}
      {way.welt?.holds && welt?.lower && <PartFields part="welt" keys={['held']} />}
      {!way.pulled && !way.endsInside && <Stitching />}
    </>
  );
}

/** What belongs to the chosen way of covering. */
export function WayFields() {
  const { way } = useChoices();
  // A border that nobody chose is as wide as the outline allows.
  const border = usePlan()?.cover?.border;
  return (
    <>
      {way.fields
        .filter((key) => IN_SIGHT.includes(key))
        .map((key) => (
          <PieceField key={key} at={`covering.${key}`} {...(key === 'border' && border ? { standing: border } : {})} />
        ))}
      <WeltFields />
      <ChannelFields />
      <ButtonFields />
      <NailFields />
    </>
  );
}
