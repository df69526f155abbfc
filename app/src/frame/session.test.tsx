import { render, screen } from '@testing-library/react';
import { Words } from '@/look/text';
import { FormProbe } from '../fixtures/form-probe';
import { lacking, Needs, Session } from './session';

const as = (rights: string[], who: { id: number; name: string } | null = { id: 1, name: 'Ada Finch' }) => ({
  who,
  isVisitor: who === null,
  rights: rights as never,
  mustSetUpFactor: false,
});

test('what somebody may not do says whom to ask in its place', () => {
  const page = (rights: string[]) => (
    <Session.Provider value={as(rights)}>
      <Needs right="send">
        <Words>Send it</Words>
      </Needs>
    </Session.Provider>
  );
  const { rerender } = render(page(['look']));
  expect(screen.queryByText('Send it')).toBeNull();
  screen.getByText('You may not send incidents to teams. Ask somebody of support or an administrator.');
  rerender(page(['look', 'send']));
  screen.getByText('Send it');
});

test('each right has a sentence that ends with whom to ask', () => {
  for (const right of ['look', 'decide', 'answer', 'judge', 'settings', 'records', 'persons'] as const)
    expect(lacking(right)).toMatch(/^You may not [a-z ,]+\. Ask (?:.+ )?an administrator\.$/);
  expect(lacking('persons')).toBe('You may not see persons by name. Ask an administrator.');
});

test('who is signed in is not asked for a name; a visitor is', () => {
  const { rerender } = render(
    <Session.Provider value={as(['settings'])}>
      <FormProbe />
    </Session.Provider>,
  );
  expect(screen.queryByTestId('probe-who')).toBeNull();
  screen.getByText('signs as Ada Finch');
  rerender(
    <Session.Provider value={as(['settings'], null)}>
      <FormProbe />
    </Session.Provider>,
  );
  screen.getByTestId('probe-who');
});
