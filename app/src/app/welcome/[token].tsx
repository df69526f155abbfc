import { useLocalSearchParams } from 'expo-router';
import { WelcomePage } from '@/places/sign-in/welcome-page';

export default function WelcomeRoute() {
  const { token } = useLocalSearchParams<{ token: string }>();
  return <WelcomePage key={token} token={token} />;
}
