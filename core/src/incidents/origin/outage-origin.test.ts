import { outageOrigin, type ServingComponent } from './outage-origin';

const serving = (
  component: string,
  depth: number,
  [usualPerMinute, nowPerMinute]: [number, number],
  hosts: ServingComponent['hosts'] = [{ host: `${component}-1`, usualPerMinute, nowPerMinute }],
): ServingComponent => ({ component, depth, usualPerMinute, nowPerMinute, hosts });

test('where nothing reaches the first component, the place to look is in front of it', () => {
  const { words, path } = outageOrigin([serving('db', 2, [40, 20]), serving('gateway', 0, [12, 0])]);
  expect(path.map(({ component, state }) => `${component} ${state}`)).toEqual(['gateway silent', 'db less']);
  expect(words).toEqual([
    'Nothing reaches gateway, the first component on the way (0 a minute, usually 12): look at what lies in front of it – network, sign-in, whoever sends.',
  ]);
});

test('where it still serves others, only what leads to this flow is in question', () => {
  expect(outageOrigin([serving('gateway', 0, [30, 28])]).words[0]).toMatch(/still serves others as usual/);
  expect(outageOrigin([serving('gateway', 0, [30, 12])]).words[0]).toMatch(/gets 40 % of its usual/);
});

test('a host that fell silent is named; one alone, or all of them, is the component', () => {
  const hosts = [
    { host: 'a', usualPerMinute: 15, nowPerMinute: 0 },
    { host: 'b', usualPerMinute: 15, nowPerMinute: 14 },
  ];
  expect(outageOrigin([serving('gateway', 0, [30, 14], hosts)]).words[1]).toBe(
    'gateway fell silent on a; its other hosts still work.',
  );
  expect(outageOrigin([serving('gateway', 0, [30, 0])]).path[0]?.silentHosts).toEqual([]);
});

test('a store behind it that stopped is told; nothing is said where no way is known', () => {
  expect(outageOrigin([serving('gateway', 0, [30, 28]), serving('prices', 1, [9, 0.4])]).words).toContain(
    'Behind it prices fell silent as well.',
  );
  expect(outageOrigin([])).toEqual({ path: [], words: [] });
});
