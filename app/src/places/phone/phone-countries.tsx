import { lazy, Suspense } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Schemas } from '@/data/client';
import { Door } from '@/frame/door';
import { useView } from '@/frame/view';
import { count, counted } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { SPACE, TOUCH } from '@/look/tokens';
import { valueName } from '../pages/page-words';
import { whereWords } from './phone-words';

const CountryMap = lazy(() => import('@/charts/country-map'));

type Application = Schemas['Phone']['applications'][number];
export type Country = Application['countries'][number];

/** "12 of 420 launches crashed: 1.4× as often as elsewhere (0.8× to 2.3×)" */
export const countryWords = ({ country: _country, ...told }: Country): string =>
  told.crashes === 0
    ? `none of ${counted(told.launches, 'launch', 'launches')} crashed`
    : whereWords({ value: '', ...told }, told.crashes).replace(/ launch(es)?/, (of) => `${of} crashed`);

/** What an interval that holds 1 may well be by chance is no tone. */
export const toneRatio = ({ times, low }: Country): number | undefined =>
  times === null ? undefined : (low ?? 0) > 1 ? times : 1;

/** Launches by country: area by launches, tone by how much more often they crash than elsewhere. */
export function PhoneCountries({ application: { application, countries } }: { application: Application }) {
  const palette = usePalette();
  const { view, setView } = useView();
  const known = countries.filter(({ country }) => /^[A-Z]{2}$/.test(country));
  if (known.length < 2) return null;
  return (
    <View style={styles.gap} testID={`countries-${application}`}>
      <Words kind="section" level={2}>{`${application}, by country`}</Words>
      <Suspense fallback={<Words kind="muted">Drawing the map …</Words>}>
        <CountryMap
          places={known.map((one) => ({
            code: one.country,
            name: valueName('country', one.country),
            views: one.launches,
            ratio: toneRatio(one),
          }))}
          unit="launches"
          toneWords="crashes more often than elsewhere, beyond chance"
          onChoose={(region) => setView({ ...view, region })}
        />
      </Suspense>
      <View role="list" aria-label={`Countries of ${application}`}>
        {known.map((one) => (
          <View role="listitem" key={one.country}>
            <Door path="/people/phone" narrowed={{ region: one.country }} style={styles.door}>
              <Words style={{ color: palette.action }}>{valueName('country', one.country)}</Words>
              <Words kind="small">{countryWords(one)}</Words>
            </Door>
          </View>
        ))}
      </View>
      {countries.length > known.length && (
        <Words kind="small">{`${count(countries.length - known.length)} more are told by another name than a country's two letters.`}</Words>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  gap: { gap: SPACE.xs, marginTop: SPACE.m },
  door: { minHeight: TOUCH, justifyContent: 'center' },
});
