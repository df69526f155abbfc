import { NILE } from '../fixtures/nile';
import { robustCentre } from './index';

describe('robust centre', () => {
  test('median and MAD of the textbook sample', () => {
    expect(robustCentre([1, 1, 2, 2, 4, 6, 9])).toEqual({ centre: 2, spread: 1.4826, n: 7 });
  });
  test('of the Nile agrees with R `mad`', () => {
    expect(robustCentre(NILE)?.spread).toBeCloseTo(179.3946, 9);
  });
});
