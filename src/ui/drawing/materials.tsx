import { interpolateRgb } from 'd3';
import { findMaterial, FOAMS, type Foam } from '@/core/foam';

/** Softest and hardest foam of the ramp, N. */
const RAMP = [60, 400] as const;

/** Straw for soft to teal for hard; the hatch tells the type, so that colour is never alone. */
export function foamColour(material: string, foams: readonly Foam[] = FOAMS): string {
  const ifd = findMaterial(foams, material)?.ifd25 ?? RAMP[0];
  const t = Math.min(1, Math.max(0, Math.log(ifd / RAMP[0]) / Math.log(RAMP[1] / RAMP[0])));
  return interpolateRgb('#ecd48d', '#4f908e')(t);
}

const HATCH: Record<string, string> = {
  polyether: 'M0 0 l6 6',
  'high-resilience': 'M0 0 l6 6 M6 0 l-6 6',
  'slow-recovery': 'M0 3 q1.5 -2 3 0 t3 0',
  latex: 'M3 1.5 a1.5 1.5 0 1 0 .01 0',
  'recycled chip': 'M1 1 l2 1 -1 2z M4 4 l1.5 .5 -1 1z',
  'closed cell': 'M0 3 h6 M3 0 v6',
  backed: 'M0 6 l6 -6 M0 1 h6',
};

/** The patterns that a drawing's materials are filled with; sizes are in the drawing's own mm. */
export function MaterialPatterns({ scale, id, foams = FOAMS }: { scale: number; id: string; foams?: readonly Foam[] }) {
  const size = 6 * scale;
  return (
    <defs>
      {foams.map((foam) => (
        <pattern key={foam.id} id={`${id}-${foam.id}`} width={size} height={size} patternUnits="userSpaceOnUse">
          <rect width={size} height={size} fill={foamColour(foam.id, foams)} />
          <path d={HATCH[foam.type]} transform={`scale(${scale})`} stroke="#3b3626" strokeOpacity={0.4} strokeWidth={0.6} fill="none" />
        </pattern>
      ))}
      <pattern id={`${id}-board`} width={8 * scale} height={8 * scale} patternUnits="userSpaceOnUse">
        <rect width={8 * scale} height={8 * scale} fill="#c9a679" />
        <path d="M0 8 L8 0 M-2 2 L2 -2 M6 10 L10 6" transform={`scale(${scale})`} stroke="#5b4426" strokeWidth={0.9} />
      </pattern>
      <pattern id={`${id}-wadding`} width={7 * scale} height={7 * scale} patternUnits="userSpaceOnUse">
        <rect width={7 * scale} height={7 * scale} fill="#fdfaf3" />
        <g transform={`scale(${scale})`} fill="#7c7566">
          <circle cx={1.5} cy={1.6} r={0.55} />
          <circle cx={5} cy={3.4} r={0.55} />
          <circle cx={2.4} cy={5.6} r={0.55} />
        </g>
      </pattern>
    </defs>
  );
}
