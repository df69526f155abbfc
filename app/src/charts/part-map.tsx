import { useCallback } from 'react';
import { counted } from '@/look/format';
import { CircleMap, type Figures } from './circle-map';
import { partMap, type PartTopology } from './part-shapes';

/** The part's own code: its country is said beside the map. */
const shortOf = (code: string) => code.slice(code.indexOf('-') + 1);

/** Parts of one country with circles. */
export default function PartMap({
  topology,
  country,
  ...figures
}: Figures & { topology: PartTopology; country: string }) {
  const draw = useCallback(
    (codes: readonly string[], width: number, height: number) => partMap(topology, codes, width, height),
    [topology],
  );
  return (
    <CircleMap
      {...figures}
      draw={draw}
      shortOf={shortOf}
      label={`Map of ${counted(figures.places.length, 'part')} of ${country}`}
    />
  );
}
