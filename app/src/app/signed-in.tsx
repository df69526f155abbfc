import { SignedInPage } from '@/places/sign-in/signed-in-page';

export default function SignedInRoute() {
  return <SignedInPage />;
}
