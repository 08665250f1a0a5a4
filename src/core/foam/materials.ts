/**
 * The types of foam there are, with the first, stiff strain before the cells buckle: open cells give early, closed ones
 * late.
 */
export const FOAM_TYPES = [
  { id: 'polyether', name: 'Polyether', onset: 0.06 },
  { id: 'high-resilience', name: 'High-resilience', onset: 0.08 },
  { id: 'slow-recovery', name: 'Slow-recovery', onset: 0.1 },
  { id: 'latex', name: 'Latex', onset: 0.12 },
  { id: 'recycled chip', name: 'Recycled chip', onset: 0.1 },
  { id: 'closed cell', name: 'Closed cell', onset: 0.15 },
  { id: 'backed', name: 'Backed', onset: 0.06 },
] as const;
export type FoamType = (typeof FOAM_TYPES)[number]['id'];

/** A foam as it is bought. Hardness is the 25 % indentation force, N, of the standard 380 × 380 × 100 mm specimen. */
export type Foam = {
  id: string;
  name: string;
  type: FoamType;
  /** kg/m³ */
  density: number;
  /** N */
  ifd25: number;
  /** IFD65 ÷ IFD25 */
  supportFactor: number;
  /** seconds until it is back after being pressed */
  recovery: number;
  /** percent of its thickness lost for good in years of use */
  set: number;
  /** for one square metre 10 mm thick, in the workshop's money */
  price: number;
  /** thicknesses sold, mm */
  sold: readonly number[];
  /** first stiff strain, where it was read; by type otherwise */
  onset?: number;
};

/** Polyester batting, by its loft before it is pressed. */
export type Wadding = {
  id: string;
  name: string;
  /** mm */
  loft: number;
  /** g/m² */
  weight: number;
  /** thin backed foam, stretched over all and stapled: which foam it is; left out, it is laid */
  stretched?: string;
};

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

const SEATING = [10, 13, 20, 25, 30, 40, 50, 60, 75, 100] as const;

type FoamRow = [
  id: string,
  name: string,
  type: Foam['type'],
  density: number,
  ifd25: number,
  supportFactor: number,
  recovery: number,
  set: number,
  price: number,
  sold: readonly number[],
];

const FOAM_ROWS: FoamRow[] = [
  ['slow-soft', 'Slow-recovery, soft', 'slow-recovery', 50, 60, 2.1, 6, 5, 5.2, [25, 40, 50]],
  ['seat-soft', 'Seating, soft', 'polyether', 25, 95, 1.9, 0.6, 10, 1.6, SEATING],
  ['seat-medium-soft', 'Seating, medium-soft', 'polyether', 28, 115, 1.95, 0.6, 9, 1.7, SEATING],
  ['seat-medium', 'Seating, medium', 'polyether', 30, 140, 2, 0.6, 8, 1.9, SEATING],
  ['resilient-medium', 'High-resilience, medium', 'high-resilience', 40, 150, 2.6, 0.4, 4, 3.1, SEATING],
  ['latex-medium', 'Latex, medium', 'latex', 65, 160, 2.8, 0.3, 3, 6.4, [20, 40, 60, 100]],
  ['backed-thin', 'Backed foam, thin', 'backed', 30, 170, 2.1, 0.6, 10, 3.4, [3, 5, 6, 10]],
  ['seat-firm', 'Seating, firm', 'polyether', 35, 190, 2.1, 0.6, 7, 2.2, SEATING],
  ['resilient-firm', 'High-resilience, firm', 'high-resilience', 45, 210, 2.7, 0.4, 4, 3.5, SEATING],
  ['seat-extra-firm', 'Seating, extra firm', 'polyether', 40, 270, 2.2, 0.5, 6, 2.6, SEATING],
  ['chip-firm', 'Recycled chip, firm', 'recycled chip', 80, 380, 2.9, 0.8, 8, 2.4, [10, 15, 20, 25, 40, 50]],
  ['closed-thin', 'Closed cell, thin', 'closed cell', 33, 900, 3, 1, 12, 3.8, [5, 10, 15, 20]],
];

/** The foams that ship with the application, soft to hard. */
export const FOAMS: readonly Foam[] = FOAM_ROWS.map(([id, name, type, density, ifd25, supportFactor, recovery, set, price, sold]) => ({
  id,
  name,
  type,
  density,
  ifd25,
  supportFactor,
  recovery,
  set,
  price,
  sold,
}));

/** The waddings that ship with the application. */
export const WADDINGS: readonly Wadding[] = [
  { id: 'wadding-100', name: 'Wadding, light', loft: 8, weight: 100 },
  { id: 'wadding-200', name: 'Wadding, medium', loft: 15, weight: 200 },
  { id: 'wadding-300', name: 'Wadding, heavy', loft: 22, weight: 300 },
  { id: 'backed-3', name: 'Backed foam 3 mm, stretched', loft: 3, weight: 150, stretched: 'backed-thin' },
  { id: 'backed-5', name: 'Backed foam 5 mm, stretched', loft: 5, weight: 210, stretched: 'backed-thin' },
  { id: 'backed-6', name: 'Backed foam 6 mm, stretched', loft: 6, weight: 240, stretched: 'backed-thin' },
  { id: 'backed-10', name: 'Backed foam 10 mm, stretched', loft: 10, weight: 360, stretched: 'backed-thin' },
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
  // Straps or springs across a frame: its thickness is the rail's, which the staples go into.
  {
    id: 'webbing',
    name: 'Webbing or springs',
    density: 100,
    stiffness: 0,
    strength: 0,
    bears: true,
    bend: 0,
    sold: [15, 20, 25],
  },
  { id: 'foam-board', name: 'Foam board', density: 120, stiffness: 250, strength: 3, bears: false, bend: 150, sold: [5, 10, 15, 19] },
];

/** Finds by id in one of the tables above; undefined when it is not there. */
export function findMaterial<T extends { id: string }>(table: readonly T[], id: string): T | undefined {
  return table.find((row) => row.id === id);
}
