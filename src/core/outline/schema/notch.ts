import { type Static } from '@sinclair/typebox';
import { id, length, oneOf, PLAN, record, tag } from '../../fields';
import { CORNER, EDGE } from './edge';
import { PART_SIZE } from './shapes';

/**
 * A rectangle cut out of a base's edge, for a post or a hinge. At a corner it is measured from where the two edges would
 * meet, `width` along x and `depth` along y; on an edge its middle lies `along` from the edge's own middle.
 */
export const NOTCH = record({
  id: id(),
  at: oneOf('kind', [
    record({ ...CORNER.properties, kind: tag('corner') }),
    record({ ...EDGE.properties, kind: tag('edge'), along: length('From its middle', PLAN) }),
  ]),
  width: length('Width of the notch', PART_SIZE, { default: 40 }),
  depth: length('Depth of the notch', [2, 1000], { default: 45 }),
});

export type Notch = Static<typeof NOTCH>;
