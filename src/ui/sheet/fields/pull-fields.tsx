'use client';

import { PULLS } from '@/core/piece';
import { ChoiceField } from '@/ui/kit/fields/fields';
import { PieceField } from './piece-field';
import { useField, usePiece, useRule } from '../store';

/** How hard the cover is pulled: by school, or as measured with a spring scale. */
export function PullFields() {
  const { cloth } = usePiece();
  const rule = useRule();
  const [, putCloth] = useField('cloth');
  const [, putForce] = useField('cloth.force');
  const school = PULLS.find((pull) => pull.id === cloth.pull)!;
  return (
    <>
      <ChoiceField label="Pull" value={cloth.pull} options={PULLS} onChange={(pull) => putCloth({ ...cloth, pull, force: null })} />
      <PieceField
        at="cloth.force"
        standing={rule(school.rule)}
        hint={
          typeof cloth.force === 'number' ? (
            <button type="button" className="underline cursor-pointer" onClick={() => putForce(null)}>
              measured; back to {rule(school.rule)} N of the school
            </button>
          ) : (
            `house rule for ${school.name.toLowerCase()}`
          )
        }
      />
    </>
  );
}
