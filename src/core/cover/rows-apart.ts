/** Two rows of fasteners nearer than this meet: a staple that hits another turns, or splits the wood between them, mm. */
export const ROWS_APART = 5;
