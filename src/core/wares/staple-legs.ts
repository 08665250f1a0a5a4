/** Legs that staples are sold with, mm. */
export const STAPLE_LEGS = [4, 6, 8, 10, 12, 14, 16, 20, 25] as const;
