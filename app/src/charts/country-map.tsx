import { counted } from '@/look/format';
import { CircleMap, type Figures } from './circle-map';
import { countryMap } from './country-shapes';

/** Countries of the world with circles. */
export default function CountryMap(figures: Figures) {
  return (
    <CircleMap
      {...figures}
      draw={countryMap}
      label={`Map of ${counted(figures.places.length, 'country', 'countries')}`}
    />
  );
}
