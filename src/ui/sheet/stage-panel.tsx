'use client';

import type { Piece } from '@/core/piece';
import { BasePanel } from '@/ui/base/base-panel';
import { BuildPanel, PullFields } from '@/ui/build/build-panel';
import { ChoiceField, FigureField, LengthField, TextField } from '@/ui/kit/fields';
import { SitPanel } from '@/ui/sit/sit-panel';
import { StripPanel } from '@/ui/strip/strip-panel';
import type { PanelProps } from './panel-props';
import type { Stage } from './stages';

function CoverPanel(props: PanelProps) {
  const { piece, pieceId, apply } = props;
  const { cloth } = piece;
  const set = (change: Partial<Piece['cloth']>) => apply({ ...piece, cloth: { ...cloth, ...change } });
  return (
    <>
      <TextField label="Cloth" name={`${pieceId} cloth`} value={cloth.name} onCommit={(name) => set({ name })} />
      <LengthField
        label="Roll width"
        name={`${pieceId} roll`}
        value={cloth.rollWidth}
        hint="between selvedges"
        onCommit={(rollWidth) => set({ rollWidth })}
      />
      <LengthField label="Cloth thickness" name={`${pieceId} ct`} value={cloth.thickness} onCommit={(thickness) => set({ thickness })} />
      <ChoiceField
        label="Depth lies"
        value={cloth.direction}
        options={[
          { id: 'along', name: 'Along the roll' },
          { id: 'across', name: 'Across the roll' },
          { id: 'any', name: 'Either way' },
        ]}
        onChange={(direction) => set({ direction })}
      />
      <LengthField
        label="Repeat across"
        name={`${pieceId} ra`}
        value={cloth.repeatAcross}
        hint="nothing for plain cloth"
        onCommit={(repeatAcross) => set({ repeatAcross })}
      />
      <LengthField label="Repeat along" name={`${pieceId} rl`} value={cloth.repeatAlong} onCommit={(repeatAlong) => set({ repeatAlong })} />
      <FigureField
        label="Shrinkage"
        name={`${pieceId} shrink`}
        value={cloth.shrinkage}
        suffix="%"
        hint="natural fibre not pre-washed"
        onCommit={(shrinkage) => set({ shrinkage })}
      />
      <PullFields {...props} />
      <label className="flex items-center justify-between py-1 text-sm">
        Coated (leathercloth)
        <input
          type="checkbox"
          className="size-5 accent-(--color-secondary)"
          checked={cloth.coated}
          onChange={(event) => set({ coated: event.target.checked })}
        />
      </label>
    </>
  );
}

/** What is typed and chosen at a stage. */
export function StagePanel({ stage, ...props }: { stage: Stage } & PanelProps) {
  if (stage === 'strip') return <StripPanel piece={props.piece} name={props.pieceId} apply={props.apply} plan={props.plan} />;
  if (stage === 'base') return <BasePanel {...props} />;
  if (stage === 'build') return <BuildPanel {...props} />;
  if (stage === 'sit') return <SitPanel {...props} />;
  if (stage === 'cover') return <CoverPanel {...props} />;
  return null;
}
