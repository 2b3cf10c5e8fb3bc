import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it, vi } from 'vitest';
import { Notices } from '../../web/parts/notices';
import { FilmPlayer } from '../../web/stage/FilmPlayer';

it('says that a film cannot be fetched, and asks for it anew at the next press', async () => {
  const play = vi
    .spyOn(HTMLMediaElement.prototype, 'play')
    .mockRejectedValueOnce(new DOMException('no supported sources', 'NotSupportedError'))
    .mockResolvedValueOnce();
  const load = vi.spyOn(HTMLMediaElement.prototype, 'load').mockReturnValue();
  render(
    <Notices>
      <FilmPlayer film="f" title="The mill" seconds={4} slides={[]} remarks={[]} />
    </Notices>,
  );
  const button = screen.getByRole('button', { name: 'Play' });
  await userEvent.click(button);
  expect(await screen.findByText(/cannot be played just now/)).toBeTruthy();
  expect(load).not.toHaveBeenCalled();
  Object.defineProperty(screen.getByLabelText('The mill', { selector: 'video' }), 'error', { value: { code: 4 } });
  await userEvent.click(button);
  expect(load).toHaveBeenCalledOnce();
  expect(play).toHaveBeenCalledTimes(2);
});
