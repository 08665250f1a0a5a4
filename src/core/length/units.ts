/** The units a user may work in. Everything inside the core is millimetres. */
export type Unit = 'mm' | 'cm' | 'in';

export const UNITS: readonly Unit[] = ['mm', 'cm', 'in'];

/** Millimetres in one of each unit, the ones a field only understands included. */
export const MM_PER = { mm: 1, cm: 10, m: 1000, in: 25.4, ft: 304.8 } as const;
