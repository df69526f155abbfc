export { catchCrashes } from './catch-crashes';
export { startPhone, type Phone, type PhoneOptions, type ScreenPart } from './phone';
export type { Storage } from './queue';
