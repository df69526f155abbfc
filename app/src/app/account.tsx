import { AccountPage } from '@/places/account/account-page';

export default function AccountRoute() {
  return <AccountPage />;
}
