import { CAUTIONS } from '../../step/cautions';
import { edgeHold } from '../edge-hold';

/** Tabs sewn to the cloth's edge that a clip draws over the rim: for pans, and boards that hold nothing. */
export const clips = edgeHold({
  id: 'clips',
  name: 'Clips and tabs',
  words: 'Tabs sewn to the edge, drawn over the rim by a clip each: nothing goes into the base.',
  apart: 66,
  ware: { kind: 'fastener', sort: 'clip', name: 'Fasteners' },
  each: 0.7,
  size: () => ({ says: 'with a webbing tab of 25 × 60 mm each' }),
  temporary: 'the clips of the four centres on, the others open',
  how: 'hook every clip from the centres outwards, opposite ones in turn, and look before the last are closed.',
  caution: CAUTIONS.shears,
  one: 'clip',
  sewn: {
    name: 'Sew the tabs on',
    words: 'turn the edge once and sew a tab on at every number, half of each beyond the edge.',
    rows: 1,
    metre: 12,
  },
});
