import type { Phone } from './phone';

/** React Native's handler of errors that nobody caught (public since 0.4; there is no type for it). */
interface ErrorUtils {
  getGlobalHandler: () => (error: unknown, isFatal?: boolean) => void;
  setGlobalHandler: (handler: (error: unknown, isFatal?: boolean) => void) => void;
}

/**
 * Tells of errors that nobody caught: those that end the application as crashes. In the web target every one of them
 * counts as an end, since what is shown after it is not what was meant.
 *
 * @returns stops it
 */
export function catchCrashes(phone: Pick<Phone, 'crashed' | 'caught'>): () => void {
  const { ErrorUtils: native } = globalThis as { ErrorUtils?: ErrorUtils };
  if (native) {
    const before = native.getGlobalHandler();
    native.setGlobalHandler((error, isFatal) => {
      if (isFatal === false) phone.caught(error);
      else void phone.crashed(error);
      before(error, isFatal);
    });
    return () => native.setGlobalHandler(before);
  }
  const onError = ({ error, message }: ErrorEvent) => void phone.crashed(error ?? message);
  const onRejection = ({ reason }: PromiseRejectionEvent) => phone.caught(reason);
  globalThis.addEventListener('error', onError);
  globalThis.addEventListener('unhandledrejection', onRejection);
  return () => {
    globalThis.removeEventListener('error', onError);
    globalThis.removeEventListener('unhandledrejection', onRejection);
  };
}
