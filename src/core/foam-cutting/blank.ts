/** A rectangle to lay: what it is, its size with the gap not included, mm. */
export type Blank = { label: string; width: number; height: number };

/** A blank laid down: lower left corner and whether it was turned a quarter. */
export type Laid = Blank & { x: number; y: number; turned: boolean };
