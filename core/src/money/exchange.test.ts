import { inBillCurrency } from './exchange';

const exchange = {
  currency: 'EUR',
  rates: new Map([
    ['JPY', 0.006],
    ['USD', 0.9],
  ]),
};

test('values of other currencies are converted, those of none are taken as they are, unknown ones are none', () => {
  expect(inBillCurrency(1_500, 'JPY', exchange)).toBeCloseTo(9);
  expect(inBillCurrency(10, 'USD', exchange)).toBeCloseTo(9);
  expect([inBillCurrency(12, 'EUR', exchange), inBillCurrency(12, '', exchange)]).toEqual([12, 12]);
  expect(inBillCurrency(12, 'XTS', exchange)).toBeNaN();
  expect(inBillCurrency(NaN, 'USD', exchange)).toBeNaN();
});
