import { number } from 'yup';

/**
 * A number from outside, between −(2⁵³ − 1) and 2⁵³ − 1 unless a schema is narrower: a whole number beyond would be
 * written as 1e+308, which a bigint column refuses.
 */
export const numberInput = () => number().min(Number.MIN_SAFE_INTEGER).max(Number.MAX_SAFE_INTEGER);
