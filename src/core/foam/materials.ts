/** A foam as it is bought. Hardness is the 25 % indentation force, N, of the standard 380 × 380 × 100 mm specimen. */
export type Foam = {
  id: string;
  name: string;
  type: 'polyether' | 'high-resilience' | 'slow-recovery' | 'latex' | 'recycled chip' | 'closed cell';
  /** kg/m³ */
  density: number;
  /** N */
  ifd25: number;
  /** IFD65 ÷ IFD25 */
  supportFactor: number;
  /** thicknesses sold, mm */
  sold: readonly number[];
};

/** Polyester batting, by its loft before it is pressed. */
export type Wadding = { id: string; name: string; /** mm */ loft: number; /** g/m² */ weight: number };

/** What a base is made of. */
export type Board = { id: string; name: string; /** kg/m³ */ density: number };

const SEATING = [13, 25, 40, 50, 60, 75, 100] as const;

/** The foams that ship with the application, soft to hard. */
export const FOAMS: readonly Foam[] = [
  { id: 'slow-soft', name: 'Slow-recovery, soft', type: 'slow-recovery', density: 50, ifd25: 60, supportFactor: 2.1, sold: [25, 40, 50] },
  { id: 'seat-soft', name: 'Seating, soft', type: 'polyether', density: 25, ifd25: 95, supportFactor: 1.9, sold: SEATING },
  { id: 'seat-medium', name: 'Seating, medium', type: 'polyether', density: 30, ifd25: 140, supportFactor: 2, sold: SEATING },
  {
    id: 'resilient-medium',
    name: 'High-resilience, medium',
    type: 'high-resilience',
    density: 40,
    ifd25: 150,
    supportFactor: 2.6,
    sold: SEATING,
  },
  { id: 'latex-medium', name: 'Latex, medium', type: 'latex', density: 65, ifd25: 160, supportFactor: 2.8, sold: [20, 40, 60, 100] },
  { id: 'seat-firm', name: 'Seating, firm', type: 'polyether', density: 35, ifd25: 190, supportFactor: 2.1, sold: SEATING },
  {
    id: 'resilient-firm',
    name: 'High-resilience, firm',
    type: 'high-resilience',
    density: 45,
    ifd25: 210,
    supportFactor: 2.7,
    sold: SEATING,
  },
  { id: 'seat-extra-firm', name: 'Seating, extra firm', type: 'polyether', density: 40, ifd25: 270, supportFactor: 2.2, sold: SEATING },
  {
    id: 'chip-firm',
    name: 'Recycled chip, firm',
    type: 'recycled chip',
    density: 80,
    ifd25: 380,
    supportFactor: 2.9,
    sold: [10, 15, 20, 25, 40, 50],
  },
  { id: 'closed-thin', name: 'Closed cell, thin', type: 'closed cell', density: 33, ifd25: 900, supportFactor: 3, sold: [5, 10, 15, 20] },
];

/** The waddings that ship with the application. */
export const WADDINGS: readonly Wadding[] = [
  { id: 'wadding-100', name: 'Wadding, light', loft: 8, weight: 100 },
  { id: 'wadding-200', name: 'Wadding, medium', loft: 15, weight: 200 },
  { id: 'wadding-300', name: 'Wadding, heavy', loft: 22, weight: 300 },
];

/** What boards are made of. */
export const BOARDS: readonly Board[] = [
  { id: 'plywood', name: 'Plywood', density: 650 },
  { id: 'chipboard', name: 'Chipboard', density: 680 },
  { id: 'fibreboard', name: 'Fibreboard', density: 740 },
  { id: 'solid-wood', name: 'Solid wood', density: 600 },
];

/** Finds by id in one of the tables above; undefined when it is not there. */
export function findMaterial<T extends { id: string }>(table: readonly T[], id: string): T | undefined {
  return table.find((row) => row.id === id);
}
