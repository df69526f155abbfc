import type { HarmBill } from '@toplens/core/incidents';
import type { LostByTierShape } from '../../contract/incidents';
import { billOf, windowOf } from '../harm/bills';
import type { Focus, LostByTierQuestion } from '../state/questions';
import { resolveWindow } from '../reading/windows';
import type { EngineState } from '../state/engine-state';

/** More tiers than people would read: a mistake of a sender. */
const MOST_TIERS = 20;
/** Less than half a unit of currency is none. */
const LEAST = 0.5;

/**
 * Money that an incident cost so far, by tier: the harm bill of each tier's people by themselves. Null when there is no
 * such incident.
 */
export async function lostByTier(
  state: EngineState,
  { id, window: asked, focus }: LostByTierQuestion,
): Promise<LostByTierShape | null> {
  const incident = state.register.get(id);
  if (!incident || incident.withdrawn) return null;
  const window = windowOf(incident, resolveWindow(state, asked));
  const billFor = (values: Focus['values']) =>
    billOf(state, incident, {
      window,
      focus: { ...focus, values: { ...focus.values, ...values } },
      ratesAtMs: window.toMs,
    });
  const tiers =
    focus.values.tier === undefined ? state.names.valuesOf('tier').slice(0, MOST_TIERS) : [focus.values.tier];
  const found: LostByTierShape['tiers'] = [];
  for (const tier of tiers) {
    const bill = await billFor({ tier });
    if (moneyIn(bill).high >= LEAST) found.push({ tier, money: moneyIn(bill), people: bill.people });
  }
  return {
    currency: state.settings.at().currency,
    whole: moneyIn(await billFor({})),
    tiers: found.sort((a, b) => b.money.estimate - a.money.estimate),
  };
}

const NONE = { estimate: 0, low: 0, high: 0 };
const moneyIn = ({ lines }: HarmBill) => lines.find(({ name }) => name === 'money')?.quantity ?? NONE;
