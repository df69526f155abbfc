import { HOUR_MS } from '@toplens/core/time';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Rect } from 'react-native-svg';
import type { Schemas } from '@/data/client';
import { Door } from '@/frame/door';
import { Strip } from '@/frame/strip';
import type { View as LookedAt } from '@/frame/view';
import { clock, count, counted, percent } from '@/look/format';
import { usePalette } from '@/look/look';
import { Words } from '@/look/text';
import { countedUnits } from './promise-words';
import { SPACE, TOUCH } from '@/look/tokens';

type Page = Schemas['PromisePage'];

const BAR = 110;
const BY = [
  { value: 'incidents', words: 'incidents' },
  { value: 'flows', words: 'flows' },
  { value: 'sites', words: 'sites' },
  { value: 'versions', words: 'versions' },
  { value: 'hours', words: 'hours' },
] as const;
type By = (typeof BY)[number]['value'];

/** One that spent a budget, and where it leads. */
interface Spender {
  key: string;
  name: string;
  hint: string;
  bad: number;
  share: number;
  path?: string;
  narrowed?: Partial<LookedAt>;
}

const iso = (timeMs: number) => new Date(timeMs).toISOString();

function spendersBy(by: By, page: Page): Spender[] {
  const { level, nowMs } = page;
  const then = { from: iso(level.period.fromMs), to: iso(Math.min(level.period.toMs, nowMs)) };
  switch (by) {
    case 'incidents':
      return [
        ...page.incidents.map(({ id, name, onsetMs, endMs, flows, bad, share }) => ({
          key: String(id),
          name: `${name}, ${clock(onsetMs, nowMs)}`,
          hint: `${endMs >= nowMs ? 'goes on' : `to ${clock(endMs, nowMs)}`}${flows > 1 ? ` · ${counted(flows, 'flow')}` : ''}`,
          bad,
          share,
          path: `/incident/${id}`,
          narrowed: { from: iso(onsetMs), to: iso(Math.max(endMs, onsetMs + 60_000)) },
        })),
        { key: 'rest', name: 'No incident explains it', hint: '', ...page.unexplained },
      ];
    case 'flows':
      return page.flows.map(({ id, name, application, valid, bad, share }) => ({
        key: String(id),
        name,
        hint: `${application} · of ${countedUnits(level, valid)}`,
        bad,
        share,
        path: `/flow/${id}`,
      }));
    case 'sites':
      return page.sites.map(({ site, valid, bad, share }) => ({
        key: site,
        name: site || 'No site told',
        hint: `of ${countedUnits(level, valid)}`,
        bad,
        share,
        ...(site && { path: '/flows', narrowed: { ...then, site } }),
      }));
    case 'versions':
      return page.versions.map(({ version, valid, bad, share }) => ({
        key: version,
        name: version || 'No version told',
        hint: `of ${countedUnits(level, valid)}`,
        bad,
        share,
        ...(version && { path: '/flows', narrowed: { ...then, version } }),
      }));
    case 'hours':
      return page.hours.map(({ startMs, valid, bad, share }) => ({
        key: String(startMs),
        name: clock(startMs, nowMs),
        hint: `of ${countedUnits(level, valid)}`,
        bad,
        share,
        path: '/',
        narrowed: { from: iso(startMs), to: iso(startMs + HOUR_MS) },
      }));
  }
}

/** Who spent the budget, told apart in several ways; each leads to what it is. */
export function Spenders({ page }: { page: Page }) {
  const [by, setBy] = useState<By>('incidents');
  const spenders = spendersBy(by, page).filter(({ bad }) => bad >= 0.5);
  return (
    <View style={styles.box} testID="spenders">
      <Words kind="section" level={2}>
        Who spent it
      </Words>
      <Strip label="Told apart by" options={BY} chosen={by} onChoose={setBy} />
      {spenders.length === 0 && <Words kind="muted">{`No ${page.level.unit} was bad in this period.`}</Words>}
      <View role="list" aria-label={`Bad ${page.level.units} by ${by}`}>
        {spenders.map((spender) => (
          <View role="listitem" key={spender.key}>
            {spender.path ? (
              <Door path={spender.path} {...(spender.narrowed && { narrowed: spender.narrowed })} style={styles.row}>
                <SpenderLine spender={spender} isDoor />
              </Door>
            ) : (
              <View style={styles.row}>
                <SpenderLine spender={spender} isDoor={false} />
              </View>
            )}
          </View>
        ))}
      </View>
      {(by === 'sites' || by === 'versions') && (
        <Words kind="small">Of whole hours whose single attempts are still kept.</Words>
      )}
    </View>
  );
}

function SpenderLine({ spender: { name, hint, bad, share }, isDoor }: { spender: Spender; isDoor: boolean }) {
  const palette = usePalette();
  return (
    <>
      <View style={styles.name}>
        <Words style={isDoor && { color: palette.action }}>{name}</Words>
        {hint !== '' && <Words kind="small">{hint}</Words>}
      </View>
      <Svg width={BAR} height={14} aria-hidden>
        <Rect width={Math.max(1, share * BAR)} height={14} fill={isDoor ? palette.harm[2] : palette.harm[0]} />
      </Svg>
      <View style={styles.figure}>
        <Words>{percent(share)}</Words>
        <Words kind="small">{count(bad)}</Words>
      </View>
    </>
  );
}

const styles = StyleSheet.create({
  box: { gap: SPACE.xs },
  row: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m, minHeight: TOUCH },
  name: { flex: 1, minWidth: 0 },
  figure: { width: 62, alignItems: 'flex-end' },
});
