import { concentrationOf, hurtPeople, type HurtPerson } from '@toplens/core/incidents';
import { itemsOf } from '../../store/attempts';
import { contextOf, sharedWindow, windowOf } from '../harm/bills';
import type { HurtQuestion } from '../state/questions';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';

/** The people whom an incident hurt, as numbers: who may see whom is decided where names are put to them. */
export interface Hurt {
  currency: string;
  window: { fromMs: number; toMs: number };
  people: (Omit<HurtPerson, 'tier' | 'site' | 'region' | 'promotion' | 'flow'> & {
    tier: string;
    site: string;
    region: string;
    promotion: string;
    flow: string;
  })[];
  /** of each dimension the values under which most of them came */
  concentration: { dimension: Gathering | 'item'; values: { value: string; people: number }[] }[];
}

const GATHERINGS = ['tier', 'promotion', 'site', 'region'] as const;
type Gathering = (typeof GATHERINGS)[number];
const MOST_VALUES = 4;

/** null when there is no such incident. */
export async function hurt(state: EngineState, { id, window: asked, focus }: HurtQuestion): Promise<Hurt | null> {
  const incident = state.register.get(id);
  if (!incident || incident.withdrawn) return null;
  const window = windowOf(incident, resolveWindow(state, asked));
  const people = hurtPeople(
    incident.parts,
    window,
    await contextOf(state, incident, { window, focus, ratesAtMs: window.toMs }),
  );
  const text = (number: number) => state.names.text(number);
  const shared = sharedWindow(incident, window);
  const items = await itemsOf(state.database, {
    flows: incident.parts.map(({ flow }) => flow),
    persons: people.map(({ person }) => person),
    window: shared,
    most: MOST_VALUES,
  });
  return {
    currency: state.settings.at().currency,
    window: shared,
    people: people.map(({ tier, site, region, promotion, flow, ...person }) => ({
      ...person,
      tier: text(tier),
      site: text(site),
      region: text(region),
      promotion: text(promotion),
      flow: state.names.flow(flow).name,
    })),
    concentration: [
      ...GATHERINGS.map((dimension) => ({
        dimension,
        values: concentrationOf(people, dimension)
          .slice(0, MOST_VALUES)
          .map(({ value, people: n }) => ({ value: text(value), people: n })),
      })),
      { dimension: 'item' as const, values: items },
    ].filter(({ values }) => values.length > 0),
  };
}
