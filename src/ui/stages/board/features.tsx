'use client';

import { endsInSight, wayOf } from '@/core/cover';
import { edgeHolds } from '@/core/fastening';
import { baseOutline, edgeNamed, measuredOutline, notchPlaces, samePart } from '@/core/outline';
import {
  COVER_END,
  defaultsOf,
  EDGE_FACT,
  END_HOLDS,
  fieldAt,
  freeId,
  HARDWARE_KINDS,
  hardwareKind,
  HOLE_FORMS,
  NOTCH,
  type CoverEnd,
  type EdgeFact,
  type Hardware,
  type HardwareKind,
  type Hole,
  type Notch,
} from '@/core/piece';
import { useState } from 'react';
import { ChoiceField, TickField } from '@/ui/kit/fields/fields';
import { useLength } from '@/ui/kit/settings';
import { AddOne, Item, Part } from '@/ui/kit/fields/lists';
import { SchemaField } from '@/ui/kit/fields/schema-field';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { useField, usePiece, useSheet } from '@/ui/sheet/store';

/** Notches for posts, at a corner or in an edge. */
export function Notches() {
  const { base } = usePiece();
  const [, put] = useField('base.notches');
  const setAt = useSheet((state) => state.put);
  const notches = base.notches ?? [];
  const places = notchPlaces(measuredOutline(base.shape).outline);
  const say = useLength();
  // One line each; what was just added is open.
  const [added, setAdded] = useState<readonly string[]>([]);
  const add = (at: Notch['at'][]) => {
    const next = at.reduce<Notch[]>((all, place) => [...all, { ...defaultsOf(NOTCH), id: freeId(all, 'n'), at: place }], notches);
    if (put(next) === null) setAdded(next.slice(notches.length).map(({ id }) => id));
  };
  const backs = places.corners.filter((corner) => /^(back|top) /.test(corner));
  const options = [
    ...places.corners.map((name) => ({ id: `corner ${name}`, name: `${name} corner` })),
    ...places.edges.map((name) => ({ id: `edge ${name}`, name: `${name} edge` })),
  ];
  const placed = (id: string): Notch['at'] => {
    const [kind, name] = [id.slice(0, id.indexOf(' ')), id.slice(id.indexOf(' ') + 1)];
    return kind === 'edge' ? { kind: 'edge', name, along: 0 } : { kind: 'corner', name };
  };
  return (
    <Part title="Notches" count={notches.length}>
      {notches.map((notch, i) => (
        <details key={notch.id} className="border-t border-base-content/15" open={added.includes(notch.id) || undefined}>
          <summary className="cursor-pointer text-sm py-1.5">
            {i + 1}. {notch.at.name} {notch.at.kind}, {say(notch.width)} × {say(notch.depth)}
          </summary>
          <Item title={`Notch ${i + 1}`} what={`notch ${i + 1}`} onTakeOut={() => put(notches.filter((_, k) => k !== i))}>
            <ChoiceField
              label="Where"
              value={`${notch.at.kind} ${notch.at.name}`}
              options={options}
              onChange={(id) => setAt(`base.notches.${i}.at`, placed(id))}
            />
            {notch.at.kind === 'edge' && <PieceField at={`base.notches.${i}.at.along`} />}
            <PieceField at={`base.notches.${i}.width`} label={`Width, notch ${i + 1}`} />
            <PieceField at={`base.notches.${i}.depth`} label={`Depth, notch ${i + 1}`} />
          </Item>
        </details>
      ))}
      {backs.length >= 2 && notches.length === 0 && (
        <AddOne onClick={() => add(backs.slice(0, 2).map((name) => ({ kind: 'corner', name })))}>Both back posts</AddOne>
      )}
      <AddOne onClick={() => add([placed(places.edges[0] ? `edge ${places.edges[0]}` : `corner ${places.corners[0]!}`)])}>Notch</AddOne>
    </Part>
  );
}

const HOLE_SIZES: Record<Hole['kind'], string[]> = { round: ['diameter', 'held'], slot: ['width', 'height'] };

/** Holes through the board, round or square. */
export function Holes() {
  const { base } = usePiece();
  const [, put] = useField('base.holes');
  const holes = base.holes ?? [];
  const add = (kind: Hole['kind']) =>
    put([...holes, { ...defaultsOf<Hole>(HOLE_FORMS[kind] as { static: Hole }), id: freeId(holes, 'h'), kind, x: 0, y: 0 }]);
  return (
    <Part title="Holes" count={holes.length}>
      {holes.map((hole, i) => (
        <Item
          key={hole.id}
          title={`${hole.kind === 'round' ? 'Round hole' : 'Slot'} ${i + 1}`}
          what={`hole ${i + 1}`}
          onTakeOut={() => put(holes.filter((_, k) => k !== i))}
        >
          {['x', 'y', ...HOLE_SIZES[hole.kind]].map((key) => (
            <PieceField key={key} at={`base.holes.${i}.${key}`} />
          ))}
        </Item>
      ))}
      <AddOne onClick={() => add('round')}>Round</AddOne>
      <AddOne onClick={() => add('slot')}>Slot</AddOne>
    </Part>
  );
}

/** Inserts, bolts, legs, hinges and whatever else is fixed to the board: drawn on the plan, kept clear of staples. */
export function HardwareList() {
  const { base, strip } = usePiece();
  const [, put] = useField('base.hardware');
  const list = base.hardware ?? [];
  // On old work it is there already: plates are in the way of the cover and come off.
  const comesFrom = ({ plate }: HardwareKind): Hardware['comes'] => (!strip ? 'new' : plate ? 'refit' : 'stays');
  const add = (kind: HardwareKind) =>
    put([
      ...list,
      {
        id: freeId(list, 'f'),
        kind: kind.id,
        x: 0,
        y: 0,
        diameter: kind.diameter,
        length: Math.min(kind.length, base.board.thickness),
        comes: comesFrom(kind),
      },
    ]);
  return (
    <Part title="Hardware" count={list.length}>
      {list.map((item, i) => (
        <Item key={item.id} title={`Number ${i + 1}`} what={`hardware ${i + 1}`} onTakeOut={() => put(list.filter((_, k) => k !== i))}>
          {['kind', 'comes', 'x', 'y', 'diameter', 'length'].map((key) => (
            <PieceField key={key} at={`base.hardware.${i}.${key}`} />
          ))}
        </Item>
      ))}
      <label className="flex items-center gap-2 text-sm mt-1">
        Add
        <select
          aria-label="Add hardware"
          className="border border-base-content/40 rounded-sm bg-base-100 px-1 py-1 min-w-0 flex-1"
          value=""
          onChange={(event) => add(hardwareKind(event.target.value as HardwareKind['id']))}
        >
          <option value="" disabled>
            What is fixed to it
          </option>
          {HARDWARE_KINDS.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
    </Part>
  );
}

/** A finished fold as it begins: low on the board's edge, and never so high that its pins miss the wood. */
function firstEnd(thickness: number): CoverEnd {
  const start = defaultsOf<CoverEnd>(COVER_END);
  return { ...start, up: Math.max(0, Math.min(start.up, Math.floor(thickness - 3))) };
}

/** What is known of one edge; an edge of which nothing was said is as most are. */
function EdgeFields({ name }: { name: string }) {
  const id = useSheet((state) => state.id);
  const piece = usePiece();
  const { base } = piece;
  const finished = endsInSight(piece);
  const [, putAll] = useField('base.edges');
  const edges = base.edges ?? [];
  const part = edgeNamed(name);
  const found: EdgeFact = edges.find(({ edge }) => samePart(edge, part)) ?? { ...defaultsOf(EDGE_FACT), edge: part };
  const put = (change: Partial<EdgeFact>) => putAll([...edges.filter(({ edge }) => !samePart(edge, part)), { ...found, ...change }]);
  const strip = defaultsOf<NonNullable<EdgeFact['strip']>>(EDGE_FACT.properties.strip as { static: NonNullable<EdgeFact['strip']> });
  const field = (key: string, value: number, onCommit: (value: number) => string | null) => {
    const known = fieldAt(`base.edges.${key}`);
    return (
      <SchemaField
        field={known}
        name={`${id} ${name} ${key}`}
        value={value}
        hint={known.hint}
        onCommit={(next) => onCommit(Number(next))}
      />
    );
  };
  return (
    <fieldset className="border-l-2 border-base-content/25 pl-2 mb-2">
      <legend className="text-sm font-semibold">{name}</legend>
      {(['fasten', 'visible', 'against'] as const).map((key) => (
        <TickField
          key={key}
          label={String(EDGE_FACT.properties[key].title)}
          describedAs={`${EDGE_FACT.properties[key].title}, ${name}`}
          checked={found[key]}
          onChange={(on) => put({ [key]: on })}
        />
      ))}
      {field('strip.width', found.strip?.width ?? 0, (width) => put({ strip: width > 0 ? { ...strip, ...found.strip, width } : null }))}
      {found.strip && field('strip.thickness', found.strip.thickness, (thickness) => put({ strip: { ...found.strip!, thickness } }))}
      {field('trim', found.trim, (trim) => put({ trim }))}
      {finished && (
        <TickField
          label="Cloth ends in sight"
          describedAs={`Cloth ends in sight, ${name}`}
          checked={Boolean(found.end)}
          onChange={(on) => put({ end: on ? firstEnd(base.board.thickness) : null })}
        />
      )}
      {!wayOf(piece.covering.way).loose && found.fasten && !(finished && found.end) && (
        <ChoiceField
          label={String(fieldAt('base.edges.held').label)}
          value={found.held ?? ''}
          options={[{ id: '', name: fieldAt('base.edges.held').empty! }, ...edgeHolds()]}
          onChange={(holdId) => put({ held: holdId || null })}
        />
      )}
      {wayOf(piece.covering.way).pulled && !found.end && field('short', found.short ?? 0, (short) => put({ short }))}
      {finished && found.end && (
        <>
          {field('end.up', found.end.up, (up) => put({ end: { ...found.end!, up } }))}
          {field('end.turn', found.end.turn, (turn) => put({ end: { ...found.end!, turn } }))}
          <ChoiceField
            label="Held by"
            value={found.end.held}
            options={END_HOLDS}
            onChange={(holdId) => put({ end: { ...found.end!, held: holdId } })}
          />
        </>
      )}
    </fieldset>
  );
}

/** What is known of each edge: fastened or not, seen, against a frame, edged with a strip or a trim. */
export function Edges() {
  const { base } = usePiece();
  const { edges } = notchPlaces(baseOutline(base.shape, base.notches));
  return (
    <Part title="Edges" count={base.edges?.length ?? 0}>
      {edges.map((name) => (
        <EdgeFields key={name} name={name} />
      ))}
    </Part>
  );
}
