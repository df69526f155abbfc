import { FlowsPlace } from '@/places/flows/flows-place';

export default function FlowsRoute() {
  return <FlowsPlace />;
}
