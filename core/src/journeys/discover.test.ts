import { discoverJourneys } from './index';
import { read, walking } from './fixtures/walks';

describe('ways that people walk', () => {
  test('are found with their order, as long as enough go on; the end of a longer one is not told again', () => {
    const sessions = read([
      ...walking(100, [1, 2, 3], 1),
      ...walking(60, [1, 2], 200),
      ...walking(40, [1], 300),
      ...walking(30, [9, 8], 400),
      ...walking(25, [2, 3], 500),
    ]);
    expect(discoverJourneys(sessions)).toEqual([
      { steps: [1, 2, 3], sessions: 200 },
      { steps: [9, 8], sessions: 30 },
    ]);
  });

  test('too few make no way, and one flow alone is none', () => {
    expect(discoverJourneys(read([...walking(19, [1, 2], 1), ...walking(500, [5], 100)]))).toEqual([]);
  });
});
