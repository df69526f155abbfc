import { canBecome, remainingWords, type HandoffState } from '@toplens/core/handoffs';
import { spentWords } from '@toplens/core/incidents';
import type { Logger } from 'pino';
import type { OutcomeShape, ProofShape } from '../contract/handoffs';
import type { IncidentShape } from '../contract/incidents';
import type { Database, Statement } from '../store/database';
import { addEvent, handoffsOf, setOutcome, setState, watchedHandoffs, type HandoffRow } from '../store/handoffs';
import { Repeating } from './repeating';

export interface FixWatchOptions {
  /** what the figures of an incident say since a fix */
  askProof: (question: { id: number; fixMs: number; wasTold: boolean }) => Promise<ProofShape | null>;
  /** an incident with its bill over a window */
  askIncident: (id: number, window: { fromMs: number; toMs: number }) => Promise<IncidentShape | null>;
  /** up to when all is judged: before it moves on there is nothing new to tell */
  judgedMs: () => number;
  log: Logger;
}

const LOOK_EVERY_MS = 2_000;

/** After a reported fix: watches the incident's own figures until they prove it, or say what goes on. */
export class FixWatch {
  readonly #repeating: Repeating;
  /** what was looked at last: nothing new is told before it changes */
  #seen = '';

  constructor(
    private readonly database: Database,
    private readonly options: FixWatchOptions,
  ) {
    const { log } = options;
    const work = () => this.#lookWhenNew();
    this.#repeating = new Repeating({ everyMs: LOOK_EVERY_MS, work, log, trouble: 'fixes cannot be watched' });
  }

  start(): void {
    this.#repeating.start();
  }

  stop(): Promise<void> {
    return this.#repeating.stop();
  }

  async #lookWhenNew(): Promise<void> {
    const watched = await watchedHandoffs(this.database);
    const now = [this.options.judgedMs(), ...watched.map(({ id, state, fixMs }) => `${id}:${state}:${fixMs}`)].join();
    if (now === this.#seen) return;
    await this.look();
    this.#seen = now;
  }

  /** One look at all that are watched. */
  async look(): Promise<void> {
    const watched = await watchedHandoffs(this.database);
    for (const incident of new Set(watched.map((handoff) => handoff.incident)))
      await this.#lookAt(
        incident,
        watched.filter((handoff) => handoff.incident === incident),
      );
  }

  /** Fixes of several teams for one incident are one: the newest counts, and what it proves is proven for all. */
  async #lookAt(incident: number, watched: readonly (HandoffRow & { fixMs: number })[]): Promise<void> {
    const fixMs = Math.max(...watched.map((handoff) => handoff.fixMs));
    const fixer = watched.find((handoff) => handoff.fixMs === fixMs) as HandoffRow;
    const wasTold = watched.some(
      ({ state, outcome }) =>
        (state === 'inPart' || state === 'notProven') && (outcome as OutcomeShape | null)?.proof.fixMs === fixMs,
    );
    const proof = await this.options.askProof({ id: incident, fixMs, wasTold });
    if (!proof) return;
    const to: HandoffState = proof.verdict;
    if (to === 'watching') {
      // What was told stays told until more is known; a fix that is new is watched.
      const fresh = watched.filter(({ state }) => state === 'fixReported');
      if (proof.isEffective && fresh.length > 0)
        await this.database.transaction(fresh.flatMap(({ id }) => [setState(id, 'watching'), isWatchedNow(id)]));
      return;
    }
    const all = to === 'proven' ? await handoffsOf(this.database, incident) : watched;
    const changed = all.filter(({ state }) => state !== to && canBecome(via(state), to));
    if (changed.length === 0) return;
    const outcome: OutcomeShape = { proof, total: await this.#totalOf(incident, proof) };
    await this.database.transaction(
      changed.flatMap(({ id, state, team }): Statement[] => [
        ...(state === 'fixReported' ? [isWatchedNow(id)] : []),
        setState(id, to),
        setOutcome(id, outcome),
        addEvent(
          id,
          to,
          [team === fixer.team ? '' : `the fix of ${fixer.team}`, ...toldOf(proof)].filter(Boolean).join('; '),
        ),
      ]),
    );
  }

  /** All that it cost, from the onset until the last figures that were looked at; null where it is not known any more. */
  async #totalOf(incident: number, { onsetMs, toMs }: ProofShape): Promise<OutcomeShape['total']> {
    const window = { fromMs: onsetMs, toMs: Math.max(toMs, onsetMs + 60_000) };
    const whole = await this.options.askIncident(incident, window);
    if (!whole) return null;
    return {
      harm: whole.harm.estimate,
      money: whole.bill.find(({ name }) => name === 'money')?.quantity.estimate ?? 0,
      currency: whole.currency,
      people: whole.people.estimate,
      promises: whole.promises.map((one) => spentWords(one, whole.currency)),
      ...window,
    };
  }
}

const isWatchedNow = (id: string): Statement => addEvent(id, 'watching', "the incident's own figures");

/** A fix that was just reported is watched on the way. */
const via = (state: HandoffState): HandoffState => (state === 'fixReported' ? 'watching' : state);

/** What is told, a clause each. */
function toldOf({ remaining, parts, behind }: ProofShape): string[] {
  const left = parts.filter(({ isStillThere }) => isStillThere).map(({ flow }) => flow);
  return [
    remainingWords(remaining),
    left.length > 0 ? `still off: ${[...new Set(left)].join(', ')}` : '',
    behind
      ? `${behind.isAnother ? 'behind it' : 'still'} ${behind.component}${behind.team && ` (${behind.team})`}`
      : '',
  ].filter(Boolean);
}
