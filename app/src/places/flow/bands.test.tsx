import { render, screen } from '@testing-library/react';
import type { FlowPage } from '@/data/client';
import { Bands } from './bands';

test('response bands are a table; without attempts there is none', () => {
  const bands = [
    { fromMs: 0, toMs: 600, attempts: 30 },
    { fromMs: 600, toMs: null, attempts: 10 },
  ];
  const { container, rerender } = render(<Bands page={{ bands } as unknown as FlowPage} />);
  expect(screen.getByRole('table', { name: 'Response bands' }).textContent).toContain('75 %');
  rerender(<Bands page={{ bands: [] } as unknown as FlowPage} />);
  expect(container.textContent).toBe('');
});
