import { lazy, Suspense, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { partNames } from '@/charts/part-shapes';
import { useCountryParts } from '@/data/pages';
import { Strip } from '@/frame/strip';
import { Trouble } from '@/frame/trouble';
import { counted } from '@/look/format';
import { Words } from '@/look/text';
import { SPACE } from '@/look/tokens';
import { PageGroups } from './page-groups';
import { mapTone, valueName, type PageLoads } from './page-words';
import { placeFigures } from './place-figures';

// The drawing library for maps is large: it comes when somebody looks at one.
const PartMap = lazy(() => import('@/charts/part-map'));

/** The country that a part lies in, by its code (ISO 3166-2); undefined for what is no such code. */
const countryOf = (code: string): string | undefined => /^([A-Z]{2})-[A-Z0-9]{1,3}$/.exec(code)?.[1];

/** Countries of which parts are told, those with most views first. */
export function countriesWithParts(groups: PageLoads['groups']): string[] {
  const views = new Map<string, number>();
  for (const { name, views: own } of groups) {
    const country = countryOf(name);
    if (country !== undefined) views.set(country, (views.get(country) ?? 0) + own);
  }
  return [...views].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0])).map(([country]) => country);
}

/** The parts of one country after the other, on the map and in the list. */
export function CountryParts({ pages, onNarrow }: { pages: PageLoads; onNarrow: (area: string) => void }) {
  const countries = countriesWithParts(pages.groups);
  const [chosen, setChosen] = useState<string>();
  const country = countries.find((one) => one === chosen) ?? countries[0];
  if (country === undefined) return <PageGroups by="area" groups={pages.groups} onNarrow={onNarrow} />;
  const groups = pages.groups.filter(({ name }) => countryOf(name) === country);
  const unknown = pages.groups.filter(({ name }) => countryOf(name) === undefined);
  const notTold = unknown.reduce((sum, { views }) => sum + views, 0);
  return (
    <View style={styles.stack} testID="country-parts">
      {countries.length > 1 && (
        <Strip
          label="Country"
          options={countries.map((value) => ({ value, words: valueName('country', value) }))}
          chosen={country}
          onChoose={setChosen}
        />
      )}
      <OneCountry key={country} country={country} pages={pages} groups={groups} onNarrow={onNarrow} />
      {notTold >= 0.5 && <Words kind="muted">{`Of ${counted(notTold, 'view')} no part of a country is told.`}</Words>}
    </View>
  );
}

function OneCountry({
  country,
  pages,
  groups,
  onNarrow,
}: {
  country: string;
  pages: PageLoads;
  groups: PageLoads['groups'];
  onNarrow: (area: string) => void;
}) {
  const { data: topology, isPending, error, refetch } = useCountryParts(country);
  const names = topology ? partNames(topology) : undefined;
  const nameOf = (code: string) => names?.get(code) ?? code;
  const name = valueName('country', country);
  return (
    <>
      {isPending && <Words kind="muted">Drawing the map …</Words>}
      {error && <Trouble error={error} onRetry={() => void refetch()} />}
      {topology === null && (
        <Words kind="muted">{`There is no map of the parts of ${name} here; the list tells all.`}</Words>
      )}
      {topology && (
        <Suspense fallback={<Words kind="muted">Drawing the map …</Words>}>
          <PartMap
            topology={topology}
            country={name}
            places={placeFigures(pages, groups, { by: 'area', nameOf })}
            toneWords={mapTone(pages, 'area').words}
            onChoose={onNarrow}
          />
        </Suspense>
      )}
      <PageGroups by="area" groups={groups} onNarrow={onNarrow} nameOf={nameOf} />
    </>
  );
}

const styles = StyleSheet.create({ stack: { gap: SPACE.m } });
