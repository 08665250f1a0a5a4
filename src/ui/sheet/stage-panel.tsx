'use client';

import { BasePanel } from '@/ui/base/base-panel';
import { BuildPanel } from '@/ui/build/build-panel';
import { CoverPanel } from '@/ui/cover/cover-panel';
import { SitPanel } from '@/ui/sit/sit-panel';
import { StripPanel } from '@/ui/strip/strip-panel';
import type { PanelProps } from './panel-props';
import type { Stage } from './stages';

/** What is typed and chosen at a stage. */
export function StagePanel({ stage, ...props }: { stage: Stage } & PanelProps) {
  if (stage === 'strip') return <StripPanel piece={props.piece} name={props.pieceId} apply={props.apply} plan={props.plan} />;
  if (stage === 'base') return <BasePanel {...props} />;
  if (stage === 'build') return <BuildPanel {...props} />;
  if (stage === 'sit') return <SitPanel {...props} />;
  if (stage === 'cover') return <CoverPanel {...props} />;
  return null;
}
