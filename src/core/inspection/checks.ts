import { CUTS } from './checks/cuts';
import { FASTENERS } from './checks/fasteners';
import { FIGURES } from './checks/figures';
import { GOODS } from './checks/goods';
import { LAYERS } from './checks/layers';
import { LAYS } from './checks/lays';
import { OUTLINES } from './checks/outlines';
import { REACH } from './checks/reach';
import { SEWING } from './checks/sewing';
import { STEPS } from './checks/steps';
import type { Check } from './finding';

/** Everything that a plan is inspected for. */
export const CHECKS: readonly Check[] = [FIGURES, OUTLINES, REACH, CUTS, SEWING, LAYERS, FASTENERS, LAYS, STEPS, GOODS];
