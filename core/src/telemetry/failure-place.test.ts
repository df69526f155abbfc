import { failureDetail, placeOfStack } from './index';

describe('the place that a stack trace names', () => {
  test.each([
    [
      'Java: the first frame of own code',
      'java.lang.IllegalStateException: no row\n\tat java.base/java.util.Optional.orElseThrow(Optional.java:403)\n\tat parcels.labels.Surcharges.forBand(Surcharges.java:88)\n\tat parcels.labels.LabelJob.run(LabelJob.java:31)',
      { className: 'Surcharges', method: 'forBand', file: 'Surcharges.java', line: 88 },
    ],
    [
      'JavaScript: a method of a class',
      'Error: no row\n    at Object.query (/srv/app/node_modules/pg/lib/client.js:526:17)\n    at async Surcharges.forBand (file:///srv/app/src/surcharges.ts:88:11)',
      { className: 'Surcharges', method: 'forBand', file: 'surcharges.ts', line: 88 },
    ],
    [
      'JavaScript: no name',
      'TypeError: x\n    at /srv/app/main.js:7:3',
      { className: '', method: '', file: 'main.js', line: 7 },
    ],
    [
      'Python: the newest call comes last',
      'Traceback (most recent call last):\n  File "/srv/app/main.py", line 12, in run\n    job()\n  File "/srv/app/labels.py", line 88, in for_band\n    raise KeyError(band)\nKeyError: 7',
      { className: '', method: 'for_band', file: 'labels.py', line: 88 },
    ],
    [
      '.NET',
      'System.InvalidOperationException: no row\n   at System.Linq.Enumerable.First()\n   at Parcels.Labels.Surcharges.ForBand(Int32 band) in C:\\src\\Surcharges.cs:line 88',
      { className: 'Surcharges', method: 'ForBand', file: 'Surcharges.cs', line: 88 },
    ],
    ['nothing of the kind', 'it broke', { className: '', method: '', file: '', line: 0 }],
  ])('%s', (_what, stack, place) => {
    expect(placeOfStack(stack)).toEqual(place);
  });

  test('only foreign code: its first frame is better than none', () => {
    expect(placeOfStack('Error: x\n    at connect (/srv/node_modules/pg/client.js:5:1)').file).toBe('client.js');
  });
});

test('without a stack the code attributes tell, of either age; without anything there is no detail', () => {
  expect(
    failureDetail(
      {
        'code.function.name': 'parcels.Surcharges.forBand',
        'code.file.path': '/srv/surcharges.ts',
        'code.line.number': 88,
      },
      { 'exception.message': 'no row' },
    ),
  ).toEqual({
    className: 'Surcharges',
    method: 'forBand',
    file: 'surcharges.ts',
    line: 88,
    message: 'no row',
    stack: '',
  });
  expect(
    failureDetail({ 'code.namespace': 'parcels.Surcharges', 'code.function': 'forBand', 'code.lineno': 88 }, {}),
  ).toMatchObject({
    className: 'Surcharges',
    method: 'forBand',
    line: 88,
  });
  expect(failureDetail({}, {})).toBeUndefined();
});
