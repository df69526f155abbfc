import { scoreOrigins, originReport } from './truth/origins';
const [a, b] = process.argv.slice(2).map(Number) as [number, number];
const t = performance.now();
console.log(
  originReport(scoreOrigins(Array.from({ length: b - a + 1 }, (_, i) => a + i)), { first: a, last: b }, { first: 1, last: 400 }),
  ((performance.now() - t) / (b - a + 1)).toFixed(0),
  'ms each',
);
