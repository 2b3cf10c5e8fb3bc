import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it, vi } from 'vitest';
import { Notices } from '../../web/parts/notices';
import { Hear } from '../../web/parts/Hear';

/** A sound as a browser has it, without one that plays. */
function sounds() {
  const playing = new Set<HTMLMediaElement>();
  vi.spyOn(HTMLMediaElement.prototype, 'paused', 'get').mockImplementation(function (this: HTMLMediaElement) {
    return !playing.has(this);
  });
  vi.spyOn(HTMLMediaElement.prototype, 'play').mockImplementation(function (this: HTMLMediaElement) {
    playing.add(this);
    fireEvent.play(this);
    return Promise.resolve();
  });
  vi.spyOn(HTMLMediaElement.prototype, 'pause').mockImplementation(function (this: HTMLMediaElement) {
    if (playing.delete(this)) fireEvent.pause(this);
  });
  return playing;
}

it('hears one voice at a time and none over the film, each from its beginning, and stops it at a second press', async () => {
  const playing = sounds();
  const { container } = render(
    <Notices>
      <Hear src="a" label="One" text="0:02" />
      <Hear src="b" label="Two" text="0:03" />
      <video data-testid="film" />
    </Notices>,
  );
  const [one, two] = container.querySelectorAll('audio');
  const press = (name: string) => userEvent.click(screen.getByRole('button', { name }));
  const isOn = (name: string) => screen.getByRole('button', { name }).getAttribute('aria-pressed');
  await press('One');
  expect([...playing]).toEqual([one]);
  if (one) one.currentTime = 1.5;
  await press('Two');
  expect([...playing]).toEqual([two]);
  expect([isOn('One'), isOn('Two'), one?.currentTime]).toEqual(['false', 'true', 0]);
  // A film that is set going is heard, and not a voice over it.
  const film = screen.getByTestId<HTMLVideoElement>('film');
  await film.play();
  expect([...playing]).toEqual([film]);
  expect(isOn('Two')).toBe('false');
  film.pause();
  await press('Two');
  await press('Two');
  expect(playing.size).toBe(0);
  expect(isOn('Two')).toBe('false');
});
