import { interpolateRgbBasis } from 'd3';

/** The pressure drawn in full colour, N/mm²: more than any foam should bear under a person. */
export const PRESSURE_FULL = 0.016;

const ramp = interpolateRgbBasis(['#f3ecd6', '#e6c77a', '#c9773f', '#9c2630', '#4d0f1e']);

/** Colour of a pressure as a share of the full one: light for little, dark for much. */
export function pressureColour(share: number): string {
  return ramp(Math.max(0, Math.min(1, share)));
}
