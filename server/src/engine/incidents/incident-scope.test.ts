import type { StoredIncident } from '@toplens/core/incidents';
import { MINUTE_MS } from '@toplens/core/time';
import type { EngineState } from '../state/engine-state';
import { originsOfOthers } from './incident-scope';

const incident = (id: number, onsetMinute: number, component: string | null): StoredIncident =>
  ({
    id,
    onsetMs: onsetMinute * MINUTE_MS,
    endMs: 600 * MINUTE_MS,
    component: component === null ? null : { name: component, words: '', share: 1 },
    parts: [{ flow: id, signal: 'slow', onsetMs: onsetMinute * MINUTE_MS, zs: 9 }],
  }) as unknown as StoredIncident;

const stateWith = (...others: StoredIncident[]) =>
  ({
    register: { within: () => others },
    names: { flow: (id: number) => ({ name: `Flow ${id}` }) },
  }) as unknown as EngineState;

const WAY = ['web', 'labels', 'parcels-db'];
const own = incident(1, 300, 'labels');

test('a component in which another incident begins at another time is left to that one', () => {
  expect(originsOfOthers(stateWith(own, incident(2, 280, 'parcels-db')), own, WAY)).toEqual([
    { component: 'parcels-db', flow: 'Flow 2' },
  ]);
});

test.each([
  ['it began at about the same time: one cause may be behind both', incident(2, 306, 'parcels-db')],
  ['nothing of this incident passes it', incident(2, 280, 'tiles')],
  ['it is where this incident begins as well', incident(2, 280, 'labels')],
  ['nothing tells where it begins', incident(2, 280, null)],
])('not so where %s', (_why, other) => {
  expect(originsOfOthers(stateWith(own, other), own, WAY)).toEqual([]);
});
