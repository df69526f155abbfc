import type { ComponentProps } from 'react';
import { ActivityIndicator, Button } from 'react-native-paper';

/**
 * A button that waits for an answer: while it is busy it turns a wheel and cannot be pressed again.
 * Paper's own `loading` turns a progress bar that has no name for a screen reader; this wheel is hidden from it.
 */
export function BusyButton({
  busy,
  icon,
  ...button
}: Omit<ComponentProps<typeof Button>, 'loading' | 'disabled'> & { busy: boolean }) {
  return <Button {...button} icon={busy ? Wheel : icon} disabled={busy} />;
}

const Wheel = ({ size, color }: { size: number; color: string }) => (
  <ActivityIndicator size={size} color={color} aria-hidden />
);
