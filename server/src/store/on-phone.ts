import { HANDHELD, PAGE, USER_SIDE } from '@toplens/core/telemetry';

const LOOKED_AT = USER_SIDE | HANDHELD | PAGE;
const ON_PHONE_FLAGS = USER_SIDE | HANDHELD;

/**
 * The condition that an attempt is one of an application on a phone: not a page in a phone's browser, nor what a server
 * did for one. An index has the same (migration 019).
 */
export const ON_PHONE = `flags & ${LOOKED_AT} = ${ON_PHONE_FLAGS}`;

/** The same of an attempt that is at hand. */
export const ranOnPhone = (flags: number): boolean => (flags & LOOKED_AT) === ON_PHONE_FLAGS;
