import { openSession } from './session';

beforeEach(() => sessionStorage.clear());
afterEach(() => jest.restoreAllMocks());

test('one tab is one session, told or not from its first page on', () => {
  jest.spyOn(Math, 'random').mockReturnValueOnce(0.4).mockReturnValue(0.9);
  const first = openSession(0.5, false);
  expect(first).toEqual({ id: expect.stringMatching(/^[0-9a-f]{16}$/) as string, isTold: true });
  expect(openSession(0.5, false)).toEqual(first);
  sessionStorage.clear();
  const other = openSession(0.5, false);
  expect(other.id).not.toBe(first.id);
  expect(other.isTold).toBe(false);
});

test('about the share that was asked for is told', () => {
  const told = Array.from({ length: 2_000 }, () => openSession(0.2, true)).filter(({ isTold }) => isTold).length;
  // Four standard deviations of a binomial count: √(2000 × 0.2 × 0.8) is 17.9.
  expect(Math.abs(told - 400)).toBeLessThan(72);
});

test('where nothing may be kept each load is a session of its own', () => {
  expect(openSession(1, true).id).not.toBe(openSession(1, true).id);
  expect(sessionStorage.length).toBe(0);
  jest.spyOn(Storage.prototype, 'getItem').mockImplementation(() => {
    throw new DOMException('denied', 'SecurityError');
  });
  expect(openSession(1, false).id).not.toBe(openSession(1, false).id);
});

test('what another script left there does no harm', () => {
  sessionStorage.setItem('toplens.session', '{broken');
  expect(openSession(1, false).isTold).toBe(true);
});
