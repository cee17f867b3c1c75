import { cleanup, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { VirtuosoMockContext } from 'react-virtuoso';
import { afterEach, expect, it } from 'vitest';
import { draw } from '../testing/bench';
import { DataTable } from './DataTable';

afterEach(cleanup);

const ROWS = ['B45', 'A20', 'C60'].map((name) => ({ name }));
const table = (rows: typeof ROWS, whole: boolean) =>
  draw(
    <VirtuosoMockContext.Provider value={{ viewportHeight: 600, itemHeight: 48 }}>
      <DataTable
        label="Models"
        columns={[{ id: 'name', name: 'Model', className: '' }]}
        rows={rows}
        idOf={(r) => r.name}
        empty="None."
        whole={whole}
      />
    </VirtuosoMockContext.Provider>,
  );
const cells = () => screen.getAllByRole('cell').map((c) => c.textContent);

it('is sorted by its headings, once all of it is there', async () => {
  table(ROWS, true);
  expect(cells()).toEqual(['B45', 'A20', 'C60']);
  await userEvent.click(screen.getByRole('button', { name: 'Model' }));
  expect(cells()).toEqual(['A20', 'B45', 'C60']);
  expect(screen.getByRole('columnheader').getAttribute('aria-sort')).toBe('ascending');
  await userEvent.click(screen.getByRole('button', { name: 'Model' }));
  expect(cells()).toEqual(['C60', 'B45', 'A20']);
});

it('is not while there may be more: half a list in order is none', () => {
  table(ROWS, false);
  expect(screen.queryByRole('button')).toBeNull();
  expect(screen.getByRole('columnheader').getAttribute('aria-sort')).toBeNull();
  expect(cells()).toEqual(['B45', 'A20', 'C60']);
});

it('says so when it is empty', () => {
  table([], true);
  expect(screen.getByText('None.')).toBeTruthy();
});
