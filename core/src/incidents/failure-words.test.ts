import { failureWords } from './failure-words';

const failure = {
  component: 'slots',
  type: 'SurchargeMissing',
  className: 'Tariff',
  method: 'surcharge',
  file: 'tariff.ts',
  line: 118,
  attempts: 180,
  looked: 210,
};

test.each([
  [{}, 'SurchargeMissing in slots, Tariff.surcharge (tariff.ts:118): 180 of the newest 210 failing attempts, 86 %'],
  [
    { className: '' },
    'SurchargeMissing in slots, surcharge (tariff.ts:118): 180 of the newest 210 failing attempts, 86 %',
  ],
  [
    { className: '', method: '' },
    'SurchargeMissing in slots, (tariff.ts:118): 180 of the newest 210 failing attempts, 86 %',
  ],
  [{ file: '', line: 0 }, 'SurchargeMissing in slots, Tariff.surcharge: 180 of the newest 210 failing attempts, 86 %'],
  [
    { type: '', component: '', className: '', method: '', file: '', line: 0, attempts: 1, looked: 1 },
    'An error: the newest failing attempt',
  ],
])('%j', (more, words) => expect(failureWords({ ...failure, ...more })).toBe(words));
