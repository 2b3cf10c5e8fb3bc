import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it, vi } from 'vitest';
import { useBoothKeys } from '../../web/booth/useBoothKeys';
import { Select } from '../../web/parts/Choice';

function Booth({ record, drop }: { record: () => void; drop: () => void }) {
  useBoothKeys({ ' ': record, d: drop });
  return (
    <>
      <button type="button">Another</button>
      <button type="button" className="control">
        Record
      </button>
      <input aria-label="Name" />
      <Select
        label="Microphone"
        value="a"
        options={[
          ['a', 'Built in'],
          ['b', 'Desk'],
        ]}
        onChange={() => undefined}
      />
    </>
  );
}

it('keeps its keys to itself while somebody writes or chooses', async () => {
  const [record, drop] = [vi.fn(), vi.fn()];
  render(<Booth record={record} drop={drop} />);
  await userEvent.keyboard('d ');
  expect([record, drop].map((act) => act.mock.calls.length)).toEqual([1, 1]);
  screen.getByRole('button', { name: 'Record' }).focus();
  await userEvent.keyboard(' ');
  expect(record).toHaveBeenCalledTimes(2);
  screen.getByRole('button', { name: 'Another' }).focus();
  await userEvent.keyboard(' ');
  screen.getByLabelText('Name').focus();
  await userEvent.keyboard('d d');
  screen.getByRole('button', { name: /Microphone/ }).focus();
  await userEvent.keyboard('d');
  expect(drop).toHaveBeenCalledTimes(1);
  await userEvent.keyboard('{Enter}');
  await waitFor(() => expect(document.activeElement?.closest('[role=dialog]')).toBeTruthy());
  await userEvent.keyboard('d');
  expect([record, drop].map((act) => act.mock.calls.length)).toEqual([2, 1]);
});
