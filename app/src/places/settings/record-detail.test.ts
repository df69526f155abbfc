import { detailLines } from './record-detail';

test.each([
  ['{}', []],
  ['{"why":"a letter","find":""}', ['Why: a letter', 'Find: none']],
  [
    '{"grants":[{"role":"owner","of":"Sender Portal","untilMs":null}],"isEnded":true,"before":{"grants":[],"isEnded":false}}',
    ['Grants: role owner, of Sender Portal, until none', 'Ended: yes', 'Before: grants none, ended no'],
  ],
  [
    JSON.stringify({ key: 'flow\u001fShop\u001fPOST /pay', value: { limitMs: 1200, importance: 1 } }),
    ['Key: flow · Shop · POST /pay', 'Value: limit 1200 ms, importance 1'],
  ],
  ['{"cut":"{\\"flows\\":["}', ['Cut off: {"flows":[']],
  ['not JSON', ['not JSON']],
  ['7', ['7']],
])('%s reads %j', (detail, lines) => {
  expect(detailLines(detail)).toEqual(lines);
});

test('a moment is told as one', () => {
  expect(detailLines(JSON.stringify({ fromMs: Date.UTC(2026, 2, 2, 9, 14) }))[0]).toMatch(/^From: .*\d\d:\d\d$/);
});
