import { act, render, screen } from '@testing-library/react';
import { useEffect } from 'react';
import { SharedMoment, useMoment } from './moment';
import { UsageCurve } from './usage-curve';

let look: (atMs: number | undefined) => void;
function Hand() {
  const moment = useMoment();
  useEffect(() => {
    look = moment.look;
  });
  return null;
}

test('a curve tells the newest value, at a moment the one told last before it, and before the first none', () => {
  const window = { fromMs: 0, toMs: 100 };
  render(
    <SharedMoment axis={window}>
      <Hand />
      <UsageCurve
        name="Memory"
        points={[
          { atMs: 20, value: 1 },
          { atMs: 60, value: 7 },
        ]}
        least={1}
        format={(value) => `${value} MB told`}
        window={window}
      />
    </SharedMoment>,
  );
  const tells = (words: string) => expect(screen.getAllByText(words).length).toBeGreaterThan(0);
  tells('7 MB told');
  act(() => look(40));
  tells('1 MB told');
  act(() => look(10));
  tells('not told');
});
