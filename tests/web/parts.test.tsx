import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { describe, expect, it, vi } from 'vitest';
import type { Slide } from '../../web/api/types';
import { Boundary } from '../../web/parts/Boundary';
import { Drawer } from '../../web/parts/Drawer';
import { Arrivals } from '../../web/assets/Arrivals';
import { StoryProvider } from '../../web/story/StoryContext';
import type { StoryHold } from '../../web/story/useStory';
import { StayField } from '../../web/script/StayField';
import type { Arrival } from '../../web/assets/useArrivals';
import { json, serve, story, type Asked } from './server';

describe('a boundary', () => {
  it('keeps the rest, says what happened, reports it, and goes on', async () => {
    const all = serve(() => json(null, 204, { 'X-Request-Id': 'abcdef0123456789' }));
    vi.spyOn(console, 'error').mockImplementation(() => undefined);
    let broken = true;
    function Place() {
      if (broken) throw new TypeError('no slot');
      return <p>It works</p>;
    }
    render(
      <>
        <p>The rest</p>
        <Boundary place="The settings">
          <Place />
        </Boundary>
      </>,
    );
    expect(screen.getByText('The rest')).toBeTruthy();
    expect(screen.getByRole('alert').textContent).toContain('The settings stopped working.');
    await waitFor(() => expect(screen.getByText(/abcdef01/)).toBeTruthy());
    const [report] = all.filter((a: Asked) => a.path === '/api/trouble');
    expect(report?.body).toMatchObject({ where: 'The settings', what: 'TypeError: no slot' });
    broken = false;
    await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
    await waitFor(() => expect(screen.getByText('It works')).toBeTruthy());
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('tries again by itself when what it shows has changed', async () => {
    serve(() => json(null, 204));
    vi.spyOn(console, 'error').mockImplementation(() => undefined);
    function Place({ revision }: { revision: number }) {
      if (revision === 1) throw new Error('bad revision');
      return <p>Revision {revision}</p>;
    }
    function Page() {
      const [revision, setRevision] = useState(1);
      return (
        <>
          <button onClick={() => setRevision(2)}>change</button>
          <Boundary place="The sheet" resetOn={[revision]}>
            <Place revision={revision} />
          </Boundary>
        </>
      );
    }
    render(<Page />);
    expect(screen.getByRole('alert')).toBeTruthy();
    await userEvent.click(screen.getByText('change'));
    await waitFor(() => expect(screen.getByText('Revision 2')).toBeTruthy());
  });
});

describe('how long a slide stays', () => {
  const slide = (id: string, stay: number | null) =>
    ({ id, layout: 'full', layers: [], script: '', voice: [], stay, transition: null }) as Slide;
  const shown = (slides: Slide[]) => {
    const edit = vi.fn(() => Promise.resolve(null));
    const nothing = vi.fn();
    const hold = { edit, receive: nothing, undo: nothing, redo: nothing } as unknown as StoryHold;
    render(
      <StoryProvider id="story" hold={hold} view={story(1)}>
        <StayField slides={slides} />
      </StoryProvider>,
    );
    return edit;
  };

  it('is typed, and can be the usual time again', async () => {
    const edit = shown([slide('s1', 9)]);
    const field = screen.getByLabelText('Stays for (seconds)');
    await userEvent.clear(field);
    await userEvent.type(field, '7');
    await userEvent.tab();
    expect(edit).toHaveBeenCalledWith({ do: 'set stay', slides: ['s1'], stay: 7 });
    await userEvent.click(screen.getByRole('button', { name: 'The usual time' }));
    expect(edit).toHaveBeenLastCalledWith({ do: 'set stay', slides: ['s1'], stay: null });
  });

  it('says nothing when the field is emptied', async () => {
    const edit = shown([slide('s1', null)]);
    await userEvent.clear(screen.getByLabelText('Stays for (seconds)'));
    await userEvent.tab();
    expect(edit).not.toHaveBeenCalled();
  });

  it('of several is set at once, or shared out', async () => {
    const edit = shown([slide('s1', null), slide('s2', 4)]);
    expect(screen.getByLabelText('Each of the 2 without a voice stays for (seconds)')).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Share out' }));
    expect(edit).toHaveBeenCalledWith({ do: 'share length', slides: ['s1', 's2'], seconds: 90 });
  });
});

describe('the list of what comes in', () => {
  const arrival = (name: string, state: Arrival['state'], more: Partial<Arrival> = {}): Arrival => ({
    id: name,
    name,
    state,
    share: 0.5,
    ...more,
  });
  const list = (arrivals: Arrival[]) => {
    const onAgain = vi.fn();
    const onPutAway = vi.fn();
    render(<Arrivals arrivals={arrivals} onAgain={onAgain} onPutAway={onPutAway} />);
    return { onAgain, onPutAway };
  };

  it('is one line while all goes well, and folds by itself', async () => {
    vi.useFakeTimers();
    const { onPutAway } = list(Array.from({ length: 12 }, (_, i) => arrival(`${i}.jpg`, 'done')));
    expect(screen.getByRole('status').textContent).toBe('12 files came in.');
    expect(screen.queryAllByRole('listitem')).toHaveLength(0);
    await vi.advanceTimersByTimeAsync(15_000);
    expect(onPutAway).toHaveBeenCalledWith();
  });

  it('says of how many something may be wrong, and shows those', async () => {
    const onShow = vi.fn();
    render(
      <Arrivals
        arrivals={[arrival('a', 'done'), arrival('b', 'done'), arrival('c', 'preparing')]}
        onAgain={vi.fn()}
        onPutAway={vi.fn()}
        wanting={['b', 'c', 'another']}
        onShow={onShow}
      />,
    );
    expect(screen.getByText('One of them is small, soft, bordered or on its side.')).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Show' }));
    expect(onShow).toHaveBeenCalledWith(['b']);
  });

  it('stays only where something needs an answer', async () => {
    const { onAgain, onPutAway } = list([
      arrival('a.jpg', 'done'),
      arrival('twin.jpg', 'same', { same: 'p' }),
      arrival('bad.jpg', 'failed', { problem: 'This picture is broken.' }),
    ]);
    expect(screen.getByRole('status').textContent).toBe('1 of 3 files came in.');
    expect(screen.getAllByRole('listitem')).toHaveLength(2);
    await userEvent.click(screen.getByRole('button', { name: 'Use it again' }));
    expect(onAgain).toHaveBeenCalledOnce();
    const [, leaveOut] = screen.getAllByRole('button', { name: 'Leave it out' });
    if (leaveOut) await userEvent.click(leaveOut);
    expect(onPutAway).toHaveBeenCalledWith('bad.jpg');
  });
});

describe('a drawer', () => {
  it('is closed by Escape, also when what was pressed in it is gone, and the focus with it', async () => {
    render(<Drawer label="What to mend">It is mended.</Drawer>);
    const open = async () => {
      await userEvent.click(screen.getByRole('button', { name: 'What to mend' }));
      expect(screen.getByRole('dialog').textContent).toContain('It is mended.');
    };
    await open();
    await userEvent.keyboard('{Escape}');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    await open();
    fireEvent.keyDown(document.body, { key: 'Escape' });
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  });
});
