import { strainAt, STRAIN_ENTRIES as ENTRIES, type FoamAnswer } from '../../foam';

/** What stands at every node of a grid: layers in series, each with its foam and its thickness there, mm. */
export type Columns = { foams: readonly FoamAnswer[]; thickness: readonly Float64Array[] };

/** Total compression of one column at a pressure, and how fast it grows: written into `out`. */
function compression(tables: readonly FoamAnswer[], thickness: readonly Float64Array[], node: number, p: number, out: Float64Array): void {
  let c = 0;
  let slope = 0;
  for (let k = 0; k < tables.length; k++) {
    const t = thickness[k]![node]!;
    if (t <= 0) continue;
    const { curve, strains } = tables[k]!;
    const scale = curve.plateau;
    const u = p / (p + scale);
    const at = u * ENTRIES;
    const i = at >= ENTRIES - 1 ? ENTRIES - 1 : at | 0;
    const low = strains[i]!;
    const rise = strains[i + 1]! - low;
    c += t * (low + rise * (at - i));
    slope += (t * rise * ENTRIES * scale) / ((p + scale) * (p + scale));
  }
  out[0] = c;
  out[1] = slope;
}

const OUT = new Float64Array(2);

/** Stiffer than this a column of next to no foam is not made, N/mm³. */
const STIFFEST = 1e3;

/** Springs under a surface: pressure and stiffness at each node for a given compression. */
export interface Springs {
  /**
   * Fills p (N/mm²) and k = dp/dc (N/mm³) for compressions c (mm; less than nothing gives nothing); p holds the last ones.
   * With `only`, at its nodes and nowhere else.
   */
  read(c: Float64Array, p: Float64Array, k: Float64Array, only?: Uint8Array): void;
  /** the same springs at every second node of a grid */
  coarser(columns: number, rows: number): Springs;
}

/** Layers in series carry one pressure: c(p) = Σ tᵢ·εᵢ(p), read backwards by Newton's method from the last pressure. */
export function foamSprings(columns: Columns): Springs {
  const { foams: tables, thickness } = columns;
  const nodes = thickness[0]?.length ?? 0;
  const untouched = new Float64Array(nodes);
  /** what each node was last pressed by: from there its pressure goes on along the tangent */
  const before = new Float64Array(nodes);
  return {
    read(c, p, k, only) {
      for (let i = 0; i < c.length; i++) {
        if (only && !only[i]) continue;
        const wanted = c[i]!;
        if (!(wanted > 0)) {
          p[i] = 0;
          if (untouched[i] === 0) {
            compression(tables, thickness, i, 0, OUT);
            untouched[i] = OUT[1]! > 0 ? Math.min(STIFFEST, 1 / OUT[1]!) : STIFFEST;
          }
          k[i] = untouched[i]!;
          continue;
        }
        let at = p[i]! > 0 ? p[i]! : 1e-4;
        if (p[i]! > 0 && before[i]! > 0) {
          const tangent = at + k[i]! * (wanted - before[i]!);
          if (tangent > at / 4 && tangent < at * 4) at = tangent;
        }
        before[i] = wanted;
        let low = 0;
        let high = Infinity;
        for (let round = 0; round < 40; round++) {
          compression(tables, thickness, i, at, OUT);
          const miss = OUT[0]! - wanted;
          if (Math.abs(miss) < 1e-9 * (1 + wanted)) break;
          if (miss > 0) high = at;
          else low = at;
          const next = OUT[1]! > 0 ? at - miss / OUT[1]! : Infinity;
          at = next > low && next < high && next < 50 * (at + 1e-6) ? next : high < Infinity ? (low + high) / 2 : at * 4;
          // Pressed flat: no pressure reaches the wanted compression.
          if (at > 1e3) break;
        }
        p[i] = at;
        k[i] = OUT[1]! > 0 ? Math.min(STIFFEST, 1 / OUT[1]!) : STIFFEST;
      }
    },
    coarser(n, rows) {
      return foamSprings({ foams: columns.foams, thickness: thickness.map((t) => everySecond(t, n, rows)) });
    },
  };
}

/** Springs of one stiffness everywhere, N/mm³: for proofs. */
export function linearSprings(stiffness: number): Springs {
  return {
    read(c, p, k, only) {
      for (let i = 0; i < c.length; i++) {
        if (only && !only[i]) continue;
        p[i] = Math.max(0, c[i]!) * stiffness;
        k[i] = stiffness;
      }
    },
    coarser: () => linearSprings(stiffness),
  };
}

/** Every second value of a grid in both directions. */
export function everySecond<T extends Float64Array | Uint8Array>(values: T, columns: number, rows: number): T {
  const [n, m] = [(columns + 1) >> 1, (rows + 1) >> 1];
  const out = new (values.constructor as { new (length: number): T })(n * m);
  for (let j = 0; j < m; j++) for (let i = 0; i < n; i++) out[j * n + i] = values[2 * j * columns + 2 * i]!;
  return out;
}

/** Strain of each layer of a column at a pressure. */
export function strainsAt(columns: Columns, node: number, pressure: number): number[] {
  return columns.foams.map(({ curve }, k) => (columns.thickness[k]![node]! > 0 ? strainAt(curve, pressure) : 0));
}

/** A grid of every second node: how many there are each way, and at which of them something is. */
type Coarse = { columns: number; rows: number; there: Uint8Array };

/**
 * Values of every second node laid over all of them: the mean of those around a node at which something is; NaN where nothing is.
 *
 * @param values at the nodes of the coarse grid
 * @param coarse the grid
 * @param columns of the fine grid
 * @param rows of the fine grid
 */
export function overAll(values: Float64Array, coarse: Coarse, columns: number, rows: number): Float64Array {
  const { columns: n, rows: m, there } = coarse;
  const out = new Float64Array(columns * rows);
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++) {
      const [i, j] = [x >> 1, y >> 1];
      const i1 = x & 1 ? Math.min(i + 1, n - 1) : i;
      const j1 = y & 1 ? Math.min(j + 1, m - 1) : j;
      let [sum, count] = [0, 0];
      for (const at of [j * n + i, j * n + i1, j1 * n + i, j1 * n + i1]) {
        if (!there[at]) continue;
        sum += values[at]!;
        count++;
      }
      out[y * columns + x] = sum / count;
    }
  return out;
}
