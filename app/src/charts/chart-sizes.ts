/** Room for the values on the left; the same in all charts, so that their times stand below one another. */
export const GUTTER = 56;
