import { useEffect } from 'react';
import { Button } from 'react-native-paper';
import { useComeBack } from '@/data/session';
import { useView } from '@/frame/view';
import { Words } from '@/look/text';
import { Door } from './door';

/** Where the provider sends people back to. */
export function SignedInPage() {
  const { mutate, error } = useComeBack();
  const { go } = useView();
  useEffect(() => {
    mutate(window.location.href, { onSuccess: () => go('/') });
    // Once: the provider's answer can be used one time.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  return (
    <Door title={error ? 'Not signed in' : 'Signing in'}>
      {error ? (
        <>
          <Words role="alert">{error.message}</Words>
          <Button mode="contained" onPress={() => go('/')}>
            Sign in again
          </Button>
        </>
      ) : (
        <Words kind="muted">A moment …</Words>
      )}
    </Door>
  );
}
