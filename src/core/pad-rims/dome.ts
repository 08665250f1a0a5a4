/**
 * Height of a round (circular-arc) dome over a straight chord: z = √(ρ² − r²) − (ρ − c) with ρ = (L² + c²) / 2c.
 *
 * @param r distance from the middle, mm
 * @param half half the chord L, mm
 * @param rise height c of the middle over the ends, mm
 * @returns mm; 0 beyond the chord
 */
export function domeHeight(r: number, half: number, rise: number): number {
  if (r >= half || rise <= 0) return 0;
  const radius = (half * half + rise * rise) / (2 * rise);
  return Math.sqrt(radius * radius - r * r) - (radius - rise);
}

/**
 * Half the length of that arc: ρ·asin(L/ρ) for a rise up to a half ball.
 *
 * @param half half the chord, mm
 * @param rise mm
 */
export function domeHalfArc(half: number, rise: number): number {
  if (rise <= 0) return half;
  const radius = (half * half + rise * rise) / (2 * rise);
  return radius * Math.asin(Math.min(1, half / radius));
}
