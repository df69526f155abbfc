import { writeFileSync } from 'node:fs';
import { forecast } from '@toplens/core/promises';
import { simulatedMonth } from '../../core/src/fixtures/simulated-month';

/** `npm run bench:truth -- promises [first seed] [last seed]`: forecasts of simulated months against how they ended. */
const [first = 1001, last = 4000] = process.argv.slice(2).map(Number);

const begun = performance.now();
const told = Array.from({ length: last - first + 1 }, (_, i) => {
  const month = simulatedMonth(first + i);
  const answer = forecast(month.question);
  if (!answer) throw new Error(`no forecast of seed ${first + i}`);
  const { target } = month.question;
  return { answer, share: month.share, isBroken: month.share < target, wasBroken: month.shareBefore < target };
});
const milliseconds = (performance.now() - begun) / told.length;
const mean = (values: number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;
const within = (low: number, high: number) =>
  mean(
    told.map(({ answer, share }) => (share >= (answer.share[low] ?? 0) && share <= (answer.share[high] ?? 0) ? 1 : 0)),
  );
const brier = (chance: (one: (typeof told)[number]) => number) =>
  mean(told.map((one) => (chance(one) - (one.isBroken ? 1 : 0)) ** 2));
const percent = (share: number) => `${(share * 100).toFixed(1)} %`;
const verdict = (isMet: boolean) => (isMet ? 'met' : '**missed**');

const deciles = Array.from({ length: 10 }, (_, decile) => {
  const some = told.filter(({ answer }) => Math.min(9, Math.floor(answer.chanceOfBreaking * 10)) === decile);
  return some.length === 0
    ? `| ${decile * 10}–${decile * 10 + 10} % | 0 | | |`
    : `| ${decile * 10}–${decile * 10 + 10} % | ${some.length} | ${percent(mean(some.map(({ answer }) => answer.chanceOfBreaking)))} | ${percent(mean(some.map(({ isBroken }) => (isBroken ? 1 : 0))))} |`;
});
const near = told.filter(({ answer }) => answer.chanceOfBreaking >= 0.15 && answer.chanceOfBreaking < 0.25);
const [toldNear, brokeNear] = [
  mean(near.map(({ answer }) => answer.chanceOfBreaking)),
  mean(near.map(({ isBroken }) => (isBroken ? 1 : 0))),
];
const [cover95, cover80] = [within(0, 4), within(1, 3)];
const [ours, before] = [brier(({ answer }) => answer.chanceOfBreaking), brier(({ wasBroken }) => (wasBroken ? 1 : 0))];

writeFileSync(
  'docs/forecasts.md',
  `# Forecasts of promises against how months ended

\`npm run bench:truth -- promises\`, seeds ${first} to ${last}: ${told.length} simulated months of attempts with growth, a daily and weekly rhythm, and incidents of half an hour to five and a half (\`core/src/fixtures/simulated-month.ts\`), each forecast at some moment of it with four weeks before known. ${milliseconds.toFixed(0)} ms a forecast.

| what | measured | goal | |
| --- | ---: | ---: | --- |
| share at the end within the 95 % range | ${percent(cover95)} | 90–98 % | ${verdict(cover95 >= 0.9 && cover95 <= 0.98)} |
| share at the end within the 80 % range | ${percent(cover80)} | | |
| promises told a chance of 15 to 25 %, ${percent(toldNear)} in the mean (${near.length}): broken | ${percent(brokeNear)} | 15–25 % | ${verdict(brokeNear >= 0.15 && brokeNear <= 0.25)} |
| Brier score | ${ours.toFixed(3)} | | |
| the same of “as it was in the four weeks before, it goes on” | ${before.toFixed(3)} | worse | ${verdict(ours < before)} |

| chance told | months | mean of it | broken |
| --- | ---: | ---: | ---: |
${deciles.join('\n')}
`,
);
console.log(
  `wrote docs/forecasts.md: 95 % range ${percent(cover95)}, Brier ${ours.toFixed(3)} against ${before.toFixed(3)}`,
);
