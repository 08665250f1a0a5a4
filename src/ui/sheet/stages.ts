import type { Piece } from '@/core/piece';

/** The stages of a piece in working order. */
export const STAGES = ['strip', 'base', 'build', 'sit', 'cover', 'cut', 'fix', 'bench'] as const;
export type Stage = (typeof STAGES)[number];

export const STAGE_NAMES: Record<Stage, string> = {
  strip: 'Strip',
  base: 'Base',
  build: 'Build',
  sit: 'Sit',
  cover: 'Cover',
  cut: 'Cut',
  fix: 'Fix',
  bench: 'Bench',
};

/** What a stage still lacks, in a word or two, or null. */
export function lacking(stage: Stage, piece: Piece): string | null {
  const padded = piece.pads.some((pad) => pad.role === 'main');
  if (stage === 'build' && !padded) return 'no main pad';
  if (stage === 'sit' && piece.pads.length === 0) return 'nothing to sit on';
  if (stage === 'cover' && !piece.cloth.name.trim()) return 'no cloth named';
  if (stage === 'bench' && !padded) return 'build it first';
  return null;
}
