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

/** What a base is made of. Stiffness and bending strength are for the plane of the board, N/mm². */
export type Board = {
  id: string;
  name: string;
  /** kg/m³ */
  density: number;
  /** Young's modulus, N/mm² */
  stiffness: number;
  /** bending stress at which it breaks, N/mm² */
  strength: number;
  /** whether it can carry a person and hold a staple */
  bears: boolean;
  /** tightest radius it bends to without steam, as a multiple of its thickness */
  bend: number;
  /** thicknesses sold, mm */
  sold: readonly number[];
};

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
  {
    id: 'plywood',
    name: 'Plywood',
    density: 650,
    stiffness: 8000,
    strength: 40,
    bears: true,
    bend: 70,
    sold: [4, 6, 9, 12, 15, 18, 21, 24, 30],
  },
  {
    id: 'chipboard',
    name: 'Chipboard',
    density: 680,
    stiffness: 2500,
    strength: 13,
    bears: true,
    bend: 200,
    sold: [10, 12, 16, 18, 22, 25, 38],
  },
  {
    id: 'fibreboard',
    name: 'Fibreboard',
    density: 740,
    stiffness: 3000,
    strength: 25,
    bears: true,
    bend: 120,
    sold: [3, 6, 9, 12, 15, 18, 22, 25, 30],
  },
  {
    id: 'solid-wood',
    name: 'Solid wood',
    density: 600,
    stiffness: 10000,
    strength: 55,
    bears: true,
    bend: 50,
    sold: [6, 10, 15, 18, 22, 25, 30, 40],
  },
  {
    id: 'moulded-plastic',
    name: 'Moulded plastic',
    density: 1050,
    stiffness: 2200,
    strength: 45,
    bears: true,
    bend: 60,
    sold: [3, 4, 5, 6, 8],
  },
  { id: 'foam-board', name: 'Foam board', density: 120, stiffness: 250, strength: 3, bears: false, bend: 150, sold: [5, 10, 15, 19] },
];

/** Finds by id in one of the tables above; undefined when it is not there. */
export function findMaterial<T extends { id: string }>(table: readonly T[], id: string): T | undefined {
  return table.find((row) => row.id === id);
}
