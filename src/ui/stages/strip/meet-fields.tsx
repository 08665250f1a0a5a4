'use client';

import { baseOutline, edgeNamed, notchPlaces, samePart } from '@/core/outline';
import { defaultsOf, freeId, MEET, type Meet } from '@/core/piece';
import { meetings } from '@/core/strip';
import { ChoiceField } from '@/ui/kit/fields/fields';
import { AddOne, Item, Part } from '@/ui/kit/fields/lists';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { useField, usePiece } from '@/ui/sheet/store';
import { useStrip } from './use-strip';

/** Which edge a mark is on. */
function EdgeOf({ at, meet }: { at: string; meet: Meet }) {
  const { base } = usePiece();
  const [, put] = useField(`${at}.edge`);
  const { edges } = notchPlaces(baseOutline(base.shape, base.notches));
  return (
    <ChoiceField
      label="On which edge"
      value={meet.edge.name}
      options={edges.map((name) => ({ id: name, name }))}
      onChange={(name) => put(edgeNamed(name))}
    />
  );
}

/** Marks made across cover and base before they part: they must meet again on the new cover. */
export function MeetFields() {
  const { base } = usePiece();
  const { strip, put } = useStrip();
  const meet = strip.meet ?? [];
  const outline = baseOutline(base.shape, base.notches);
  const known = meetings(strip, outline);
  const { edges } = notchPlaces(outline);
  const add = () =>
    put({ meet: [...meet, { ...defaultsOf(MEET), id: freeId(meet, 'm'), name: '', edge: edgeNamed(edges[0] ?? 'front') }] });
  return (
    <Part title="Marks that must meet again" count={meet.length}>
      {meet.map((item, i) => {
        const found = known.find(({ id }) => id === item.id);
        return (
          <Item
            key={item.id}
            title={found ? `Mark ${found.letter}` : `Mark ${i + 1}`}
            what={`mark ${found?.letter ?? i + 1}`}
            onTakeOut={() => put({ meet: meet.filter(({ id }) => id !== item.id) })}
          >
            <PieceField at={`strip.meet.${i}.name`} />
            <EdgeOf at={`strip.meet.${i}`} meet={item} />
            <PieceField at={`strip.meet.${i}.along`} />
            {!edges.some((name) => samePart(edgeNamed(name), item.edge)) && (
              <p role="alert" className="text-xs text-error">
                The base has no {item.edge.name} edge now: choose another.
              </p>
            )}
          </Item>
        );
      })}
      <AddOne onClick={add}>Mark</AddOne>
    </Part>
  );
}
