'use client';

import { PULLS } from '@/core/piece';
import { ChoiceField } from '@/ui/kit/fields/fields';
import { PieceField } from './piece-field';
import { useField, usePiece, useRule } from '../store';

/** How hard the cover is pulled, as a hand says it. */
export function PullChoice() {
  const { cloth } = usePiece();
  const [, put] = useField('cloth');
  return <ChoiceField label="Pull" value={cloth.pull} options={PULLS} onChange={(pull) => put({ ...cloth, pull, force: null })} />;
}

/** The same as a spring scale measures it. */
export function PullForce() {
  const { cloth } = usePiece();
  const rule = useRule();
  const [, put] = useField('cloth.force');
  const school = PULLS.find((pull) => pull.id === cloth.pull)!;
  return (
    <PieceField
      at="cloth.force"
      standing={rule(school.rule)}
      hint={
        typeof cloth.force === 'number' ? (
          <button type="button" className="underline cursor-pointer" onClick={() => put(null)}>
            measured; back to {rule(school.rule)} N
          </button>
        ) : (
          `house rule for ${school.name.toLowerCase()}`
        )
      }
    />
  );
}
