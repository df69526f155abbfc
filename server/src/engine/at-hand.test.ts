import { AtHand } from './at-hand';

const options = { patienceMs: 20, oldestMs: 60_000, most: 10 };

/** An engine that answers when it is told to. */
function slowEngine() {
  const waiting: ((answer: { n: number }) => void)[] = [];
  let asked = 0;
  return {
    ask: () => {
      asked++;
      return new Promise<{ n: number }>((resolve) => waiting.push(resolve));
    },
    answer: (n: number) => waiting.shift()?.({ n }),
    asked: () => asked,
  };
}

test('the first answer is waited for; later the last one is given while the engine is busy', async () => {
  const engine = slowEngine();
  const atHand = new AtHand<{ n: number }>(options);
  const first = atHand.get('home', engine.ask);
  await new Promise((resolve) => setTimeout(resolve, 60));
  engine.answer(1);
  expect(await first).toEqual({ n: 1 });
  expect(await atHand.get('home', engine.ask)).toEqual({ n: 1 });
  engine.answer(2);
  await new Promise(setImmediate);
  const third = atHand.get('home', engine.ask);
  engine.answer(3);
  expect(await third).toEqual({ n: 3 });
});

test('equal questions are asked once at a time, others for themselves', async () => {
  const engine = slowEngine();
  const atHand = new AtHand<{ n: number }>(options);
  const both = [atHand.get('home', engine.ask), atHand.get('home', engine.ask)];
  expect(engine.asked()).toBe(1);
  const other = atHand.get('home of a team', engine.ask);
  expect(engine.asked()).toBe(2);
  engine.answer(1);
  engine.answer(2);
  expect(await Promise.all([...both, other])).toEqual([{ n: 1 }, { n: 1 }, { n: 2 }]);
});

test('after a decision nothing from before it is given, also not what was under way', async () => {
  const engine = slowEngine();
  const atHand = new AtHand<{ n: number }>(options);
  const early = atHand.get('home', engine.ask);
  atHand.forget();
  const late = atHand.get('home', engine.ask);
  engine.answer(1);
  await early;
  const later = atHand.get('home', engine.ask);
  engine.answer(2);
  expect(await late).toEqual({ n: 2 });
  expect(await later).toEqual({ n: 2 });
});

test('an answer that is too old is given to nobody, and a failed one is not kept', async () => {
  const atHand = new AtHand<{ n: number }>({ ...options, oldestMs: -1 });
  const engine = slowEngine();
  const first = atHand.get('home', engine.ask);
  engine.answer(1);
  await first;
  const second = atHand.get('home', engine.ask);
  setTimeout(() => engine.answer(2), 60);
  expect(await second).toEqual({ n: 2 });
  await expect(atHand.get('home', () => Promise.reject(new Error('no')))).rejects.toThrow('no');
  const again = atHand.get('home', engine.ask);
  engine.answer(3);
  expect(await again).toEqual({ n: 3 });
});
