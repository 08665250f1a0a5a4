export const FIRST_PORT: number;
export const WORKSHOPS: number;
