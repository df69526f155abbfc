import { figureWords, ownerWords, type JudgedFigure } from './judge-host';

/** What the figures suggest to do, each with what speaks for it. */
export interface Advice {
  words: string;
  evidence: string;
}

/**
 * Only where the data supports it: something full, or collecting garbage for long with a heap that fills. Common
 * practice, no source.
 */
export function adviceFor(judged: readonly JudgedFigure[]): Advice[] {
  const advice: Advice[] = [];
  const say = (one: JudgedFigure, words: string) => {
    const usually = Number.isNaN(one.usual) ? '' : `, ${figureWords(one.figure, one.usual)} usually`;
    const evidence = `${ownerWords(one)}: ${figureWords(one.figure, one.now)} now${usually}`;
    const same = advice.find((other) => other.words === words);
    if (same) same.evidence += `; ${evidence}`;
    else advice.push({ words, evidence });
  };
  for (const one of judged) {
    const own = (figure: JudgedFigure['figure']) =>
      judged.find((other) => other.figure === figure && other.component === one.component && other.host === one.host);
    if (one.verdict === 'full' && one.figure === 'heap')
      say(
        one,
        isWrong(own('gc'))
          ? 'Its heap is at its limit and it collects garbage all the time: find what holds the memory, or give it more.'
          : 'Its heap is at its limit: find what holds the memory, or give it more.',
      );
    else if (one.verdict === 'full' && one.figure === 'pool')
      say(
        one,
        'All connections of its pool are taken: look for calls that hold one long before making the pool larger.',
      );
    else if (one.verdict === 'full' && one.figure === 'cpu')
      say(one, 'Its processors have nothing left to give: spread the work, or find what takes it.');
    else if (one.verdict === 'full' && one.figure === 'memory')
      say(one, 'Its memory is full: the next process that asks for more will be ended.');
    else if (one.verdict === 'full' && one.figure === 'fileSystem')
      say(one, 'Its disk is full: whatever writes there will fail.');
  }
  return advice;
}

const isWrong = (one: JudgedFigure | undefined): boolean => one?.verdict === 'full' || one?.verdict === 'raised';
