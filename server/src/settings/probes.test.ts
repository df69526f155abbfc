import { checkSettings } from './settings';

const step = { name: 'Ask', kind: 'request', url: 'https://desk.example/' };
const probe = { name: 'Desk', application: 'Desk', sites: ['North'], everyS: 60, steps: [step] };

test('a file may leave limits out', () => {
  expect(checkSettings({ rates: {}, probes: [probe] }).probes).toEqual([{ ...probe, limits: [] }]);
});

test.each([
  [{ steps: [{ ...step, json: [{ path: 'state', equals: 1 }] }] }, 'JSONPath'],
  [{ steps: [{ ...step, json: [{ path: '$.state', equals: {} }] }] }, 'a text, a number, true or false'],
  [{ steps: [{ ...step, headers: { accept: 5 } }] }, 'texts by their names'],
  [{ steps: [{ ...step, url: 'http://desk.internal/' }] }, 'step “Ask”: url asks an inner address (desk.internal)'],
  [{ sites: [] }, 'name at least one place'],
  [{ limits: [{ step: 'Ask', site: 'South', slowMs: 1, brokenMs: 2 }] }, 'the probe is not run from there'],
  [
    {
      limits: [
        { step: 'Ask', slowMs: 1, brokenMs: 2 },
        { step: 'Ask', slowMs: 1, brokenMs: 3 },
      ],
    },
    'is there twice',
  ],
])('%j is refused in words', (change, why) => {
  expect(() => checkSettings({ rates: {}, probes: [{ ...probe, ...change }] })).toThrow(why);
});

test('two of a name are refused', () => {
  expect(() => checkSettings({ rates: {}, probes: [probe, probe] })).toThrow('two probes are called “Desk”');
});
