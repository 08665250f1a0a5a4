/** So much of the log is shown at once. */
export const LOG_PAGE = 100;
