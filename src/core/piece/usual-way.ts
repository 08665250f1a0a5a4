import type { PieceKind, Way } from './types';

const USUAL: Partial<Record<PieceKind, Way>> = {
  'round-seat': 'boxed',
  'headboard-bordered': 'bordered',
  'headboard-nailed': 'nail-edged',
  saddle: 'saddle-set',
  'arm-pad': 'boxed',
  'block-seat': 'block',
  'tight-seat': 'tight-deck',
};

/** How a kind of piece is usually covered. */
export function usualWay(kind: PieceKind): Way {
  return USUAL[kind] ?? 'pull-over';
}
