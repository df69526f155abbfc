import { hurtSentence, incidentTitle, windowSentence } from './index';
import { formatMoney, percent } from '../words';

describe('sentences', () => {
  const facts = {
    flow: 'Pick a slot',
    application: 'Sender Portal',
    wholeApplication: false,
    slowness: 4.13,
    badShare: 0.3,
    usualShare: 0.004,
    volumeShare: 0.6,
    isOver: false,
    lengthMs: 11 * 60_000,
  };
  test.each([
    [{ ...facts, signal: 'slow' as const }, 'Takes 4.1× as long as usual: Pick a slot'],
    [{ ...facts, signal: 'slow' as const, slowness: 1.1 }, 'Is slow for 30 %, usually 0.4 %: Pick a slot'],
    [{ ...facts, signal: 'failing' as const }, 'Fails for 30 %, usually 0.4 %: Pick a slot'],
    [{ ...facts, signal: 'failing' as const, isCrash: true }, 'Crashes for 30 %, usually 0.4 %: Pick a slot'],
    [
      { ...facts, signal: 'failing' as const, only: { dimension: 'promotion' as const, value: 'SPRING10' } },
      'Fails for promotion SPRING10: Pick a slot',
    ],
    [{ ...facts, signal: 'missing' as const }, '40 % fewer attempts than usual: Pick a slot'],
    [{ ...facts, signal: 'missing' as const, volumeShare: 1.213 }, 'Fewer attempts than usual: Pick a slot'],
    [{ ...facts, signal: 'missing' as const, volumeShare: 0, wholeApplication: true }, 'Nobody gets in: Sender Portal'],
    [
      { ...facts, signal: 'missing' as const, volumeShare: 0, wholeApplication: true, isOver: true },
      'Nobody got in for 11 min: Sender Portal',
    ],
    [{ ...facts, signal: 'slow' as const, against: 'first' as const }, 'Takes 4.1× as long as at first: Pick a slot'],
    [{ ...facts, signal: 'slow' as const, against: 'nothing' as const }, 'Is slow for 30 %: Pick a slot'],
    [
      { ...facts, signal: 'failing' as const, against: 'first' as const },
      'Fails for 30 %, at first 0.4 %: Pick a slot',
    ],
    [{ ...facts, signal: 'failing' as const, against: 'nothing' as const }, 'Fails for 30 %: Pick a slot'],
    [
      { ...facts, signal: 'missing' as const, against: 'first' as const },
      '40 % fewer attempts than at first: Pick a slot',
    ],
    [{ ...facts, signal: 'slow' as const, isOver: true }, 'Took 4.1× as long as usual: Pick a slot'],
    [
      { ...facts, signal: 'failing' as const, isPage: true, isOver: true },
      'Came incomplete for 30 %, usually 0.4 %: Pick a slot',
    ],
  ])('title of %j', (given, title) => expect(incidentTitle(given)).toBe(title));

  test.each([
    [0, '0 %'],
    [0.0004, 'under 0.1 %'],
    [0.004, '0.4 %'],
    [0.0996, '10 %'],
    [0.124, '12 %'],
    [0.994, '99 %'],
    [0.9961, '99.6 %'],
    [0.9996, 'over 99.9 %'],
    [1, '100 %'],
    [1.3, '130 %'],
  ])('a share of %d is told as %s', (share, words) => expect(percent(share)).toBe(words));

  test('of a window and of an incident', () => {
    const window = {
      people: 917,
      harmPerHour: 1760.4,
      flows: 5,
      money: 1427,
      currency: 'GBP',
      withoutTeam: 2,
      incidents: 5,
      isPast: false,
      hasData: true,
      isJudged: true,
      learning: null,
    };
    expect(windowSentence(window)).toEqual({
      headline: '917 people are hurt: 1,760 harm points an hour, in five flows.',
      detail: '£1,427 not earned. Two of the five are with nobody yet.',
    });
    expect(windowSentence({ ...window, incidents: 0 }).headline).toBe('Nobody is being hurt.');
    const learning = { flows: 2, of: 2 };
    expect(windowSentence({ ...window, learning }).detail).toMatch(
      /Both flows are judged by their first minutes alone\.$/,
    );
    expect(windowSentence({ ...window, learning, isPast: true }).detail).toMatch(
      /Both flows were judged by their first minutes alone\.$/,
    );
    expect(windowSentence({ ...window, isAbout: true }).headline).toMatch(/^About 917 people are hurt:/);
    expect(windowSentence({ ...window, incidents: 0, isPast: true }).headline).toBe('Nobody was hurt.');
    expect(windowSentence({ ...window, incidents: 0, hasData: false }).headline).toBe('No data has come in yet.');
    expect(windowSentence({ ...window, incidents: 0, isJudged: false }).headline).toBe(
      'What has come in is being judged.',
    );
    expect(windowSentence({ ...window, incidents: 0, learning: { flows: 3, of: 3 } })).toEqual({
      headline: 'Learning what is usual: nothing stands out so far.',
      detail:
        '3 flows are judged by their first minutes, and by how long people wait and how often services fail in general.',
    });
    expect(windowSentence({ ...window, incidents: 0, learning: { flows: 1, of: 8 } })).toEqual({
      headline: 'Nobody is being hurt, as far as is known.',
      detail: 'One of 8 flows is judged by its first minutes alone.',
    });
    expect(windowSentence({ ...window, learning: { flows: 2, of: 8 } }).detail).toMatch(
      / Two of 8 flows are judged by their first minutes alone\.$/,
    );
    expect(windowSentence({ ...window, people: 1, harmPerHour: 1, flows: 1, isPast: true }).headline).toBe(
      '1 person was hurt: 1 harm point an hour, in one flow.',
    );
    expect(windowSentence({ ...window, withoutTeam: 0 }).detail).toContain('All five are with a team.');
    expect(hurtSentence({ people: 1, keyPeople: 1, gaveUp: 3, left: 2, missing: 7, signal: 'slow' })).toBe(
      '1 person waited, 1 of them key customers; 3 attempts failed for good; 2 people left because of it; 7 later attempts never came.',
    );
    expect(formatMoney(12, 'points')).toBe('12 points');
  });
});
