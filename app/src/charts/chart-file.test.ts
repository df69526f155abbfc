import { chartSvg } from './chart-file';

test('a chart as a file has its title, its axes and its drawing, and is well-formed whatever the words hold', () => {
  const svg = chartSvg({
    title: 'Pay: <median> & "more"',
    svg: '<svg xmlns="http://www.w3.org/2000/svg" width="200" height="90"><path d="M0,0L9,9"/></svg>',
    width: 200,
    height: 90,
    values: [{ at: 45, words: '1.2 s' }],
    times: [
      { at: 0, words: '10:00' },
      { at: 100, words: '10:30' },
    ],
    ink: '#1E2329',
    paper: '#FAF7F2',
  });
  const parsed = new DOMParser().parseFromString(svg, 'image/svg+xml');
  expect(parsed.querySelector('parsererror')).toBeNull();
  expect([...parsed.querySelectorAll('text')].map((text) => text.textContent)).toEqual([
    'Pay: <median> & "more"',
    '1.2 s',
    '10:00',
    '10:30',
  ]);
  expect(parsed.querySelector('g path')).not.toBeNull();
  // The value stands beside its height in the drawing, the time below its place.
  const [, value, , half] = [...parsed.querySelectorAll('text')];
  expect(Number(value?.getAttribute('y')) - 28).toBeCloseTo(49);
  expect(Number(half?.getAttribute('x'))).toBeCloseTo(156);
});
