import { HANDHELD, PAGE, USER_SIDE } from '@toplens/core/telemetry';

/**
 * The condition that an attempt is one of an application on a phone: not a page in a phone's browser, nor what a server
 * did for one. An index has the same (migration 019).
 */
export const ON_PHONE = `flags & ${USER_SIDE | HANDHELD | PAGE} = ${USER_SIDE | HANDHELD}`;
