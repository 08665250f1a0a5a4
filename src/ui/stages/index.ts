import type { Stage } from '@/ui/sheet/stage';
import { base } from './base/stage';
import { bench } from './bench/stage';
import { build } from './build/stage';
import { cover } from './cover/stage';
import { cut } from './cut/stage';
import { fix } from './fix/stage';
import { sit } from './sit/stage';
import { strip } from './strip/stage';

/** The stages of a piece in working order. A new one is a folder beside these and a line here. */
export const STAGES: Stage[] = [strip, base, build, sit, cover, cut, fix, bench];

/** A stage by its id; any other id begins at the base. */
export function stageOf(id: string): Stage {
  return STAGES.find((stage) => stage.id === id) ?? base;
}
