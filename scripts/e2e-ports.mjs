/** End-to-end tests run side by side: so many workshops, on ports from the first on. */
export const FIRST_PORT = 3907;
export const WORKSHOPS = 2;
