import type { ComponentProps } from 'react';
import { BusyButton } from './busy-button';
import { Trouble } from './trouble';

export type Props = Omit<ComponentProps<typeof BusyButton>, 'mode' | 'busy' | 'onPress'> & {
  /** what the button begins */
  doing: { isPending: boolean; error: Error | null };
  /** what is still true when it failed */
  still?: string;
  onPress: () => void;
};

/** The end of a form: what went wrong, with the way to try again, then the button. */
export function Submit({ doing: { isPending, error }, still, onPress, ...button }: Props) {
  return (
    <>
      {error && <Trouble error={error} {...(still !== undefined && { still })} onRetry={onPress} />}
      <BusyButton {...button} mode="contained" busy={isPending} onPress={onPress} />
    </>
  );
}
