import { STEP_PARTS } from '@toplens/core/journeys';
import { useLocalSearchParams } from 'expo-router';
import { JourneyStepPage } from '@/places/journey/journey-step-page';

export default function JourneyStepRoute() {
  const { id, step, of } = useLocalSearchParams<{ id: string; step: string; of: string }>();
  return <JourneyStepPage id={id} step={Number(step)} of={STEP_PARTS.find((part) => part === of) ?? 'came'} />;
}
