import { SettingsPlace } from '@/places/settings/settings-place';

export default function SettingsRoute() {
  return <SettingsPlace />;
}
