'use client';

import { defaultsOf, freeId, LOOSE, LOOSE_KINDS, type Loose } from '@/core/piece';
import { AddOne, Item, Part } from '@/ui/kit/fields/lists';
import { PieceField } from '@/ui/sheet/fields/piece-field';
import { useField, usePlan } from '@/ui/sheet/store';

/** What is first asked for of each kind. */
const FIRST: Record<Loose['kind'], Partial<Loose>> = {
  roll: { name: 'Head roll', length: 400, height: 160, thick: 160 },
  cushion: { name: 'Back cushion', length: 450, height: 400, thick: 150 },
};

/** Filled rolls and loose cushions that hang or lie on the piece. */
export function LooseFields() {
  const [loose = [], put] = useField<Loose[] | undefined>('loose');
  const plans = usePlan()?.cover?.loose ?? [];
  const add = (kind: Loose['kind']) => put([...loose, { ...defaultsOf(LOOSE), id: freeId(loose, 'l'), kind, ...FIRST[kind] }]);
  return (
    <Part title="Loose cushions and rolls" count={loose.length}>
      {loose.map((item, i) => {
        const plan = plans.find(({ id }) => id === item.id);
        return (
          <Item
            key={item.id}
            title={LOOSE_KINDS.find(({ id }) => id === item.kind)!.name}
            what={item.name || item.kind}
            onTakeOut={() => put(loose.filter((_, k) => k !== i))}
          >
            {(
              [
                'name',
                'count',
                'length',
                ...(item.kind === 'cushion' ? ['height'] : []),
                'thick',
                'zip',
                'welted',
                'loops',
                ...(item.loops > 0 ? ['loopLong'] : []),
              ] as const
            ).map((key) => (
              <PieceField
                key={key}
                at={`loose.${i}.${key}`}
                {...(key === 'thick' && item.kind === 'roll' ? { label: 'Finished diameter' } : {})}
              />
            ))}
            {plan && <p className="text-xs" data-loose={item.id}>{`${Math.round(plan.fill * 1000)} g of filling each.`}</p>}
          </Item>
        );
      })}
      {LOOSE_KINDS.map(({ id, name }) => (
        <AddOne key={id} onClick={() => add(id)}>
          {name}
        </AddOne>
      ))}
    </Part>
  );
}
