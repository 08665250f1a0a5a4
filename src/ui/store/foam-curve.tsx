import { line } from 'd3';
import { curveOf, stressAt, type Foam } from '@/core/foam';

/** Pressure against strain of one or two foams, from nothing to 80 %. */
export function FoamCurveChart({ foams }: { foams: readonly Pick<Foam, 'id' | 'name' | 'type' | 'ifd25' | 'supportFactor' | 'onset'>[] }) {
  const [w, h] = [300, 130];
  const curves = foams.map((foam) => curveOf(foam));
  const top = Math.max(0.012, ...curves.map((curve) => stressAt(curve, 0.65) * 1.4));
  const x = (strain: number) => 34 + (strain / 0.8) * w;
  const y = (stress: number) => 8 + (1 - Math.min(1.02, stress / top)) * h;
  const ticks = [0, 0.25, 0.5, 0.65, 0.8];
  return (
    <svg
      viewBox={`0 0 ${w + 50} ${h + 34}`}
      className="w-full max-w-96"
      role="img"
      aria-label={`Pressure against compression of ${foams.map((f) => f.name).join(' and ')}`}
    >
      {ticks.map((strain) => (
        <g key={strain}>
          <path d={`M${x(strain)} 8 V${h + 8}`} stroke="var(--ink)" strokeOpacity={0.2} strokeWidth={0.6} />
          <text x={x(strain)} y={h + 20} fontSize={9} textAnchor="middle" fill="var(--ink)">
            {Math.round(strain * 100)} %
          </text>
        </g>
      ))}
      {[0, top / 2, top].map((stress) => (
        <text key={stress} x={30} y={y(stress) + 3} fontSize={9} textAnchor="end" fill="var(--ink)">
          {Math.round(stress * 1000)}
        </text>
      ))}
      <text x={2} y={h + 31} fontSize={9} fill="var(--ink)">
        kPa against share pressed away
      </text>
      {curves.map((curve, i) => (
        <path
          key={i}
          d={
            line<number>()
              .x((k) => x(k / 100))
              .y((k) => y(stressAt(curve, k / 100)))(Array.from({ length: 81 }, (_, k) => k)) ?? ''
          }
          fill="none"
          stroke={i === 0 ? 'var(--cover-line)' : 'var(--chalk)'}
          strokeWidth={1.8}
          strokeDasharray={i === 0 ? undefined : '5 3'}
        />
      ))}
    </svg>
  );
}
