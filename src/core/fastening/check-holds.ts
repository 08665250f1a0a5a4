import type { Piece, Problem } from '../piece';
import { edgeHolds } from './fasteners';

/**
 * What is wrong with what is to hold the cover: a fastener that there is not, or that holds no edge.
 *
 * @param piece of the document
 */
export function checkHolds({ covering, base }: Pick<Piece, 'covering' | 'base'>): Problem[] {
  const wanted = [
    { path: 'covering.held', id: covering.held },
    ...(base.edges ?? []).map(({ held }, i) => ({ path: `base.edges.${i}.held`, id: held })),
  ];
  return wanted
    .filter(({ id }) => id && !edgeHolds().some((fastener) => fastener.id === id))
    .map(({ path, id }) => ({
      path,
      message: `“${id}” does not hold a cover’s edge; choose one of ${edgeHolds()
        .map((fastener) => fastener.id)
        .join(', ')}`,
    }));
}
