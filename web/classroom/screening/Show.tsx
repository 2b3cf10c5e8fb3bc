import { useEffect, useRef, useState } from 'react';
import { Dialog, Modal, ModalOverlay } from 'react-aria-components';
import styled from 'styled-components';
import { say } from '../../messages/say';
import { useShow } from './useShow';

/** Seconds for which a title stands between two films, and how long the hands of the remote stay in view. */
const CARD = 4;
const HANDS = 2500;

const Overlay = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 50;
  background: #000;
  color: #fff;
`;
const Wall = styled.div`
  position: fixed;
  inset: 0;
  display: grid;
  place-items: center;
  outline: none;
  video {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    background: #000;
  }
  video[hidden] {
    display: none;
  }
  .card {
    position: relative;
    display: grid;
    gap: 2vh;
    text-align: center;
    padding: 5vw;
    max-width: 90vw;
  }
  .card h2 {
    font: 600 clamp(2rem, 6vw, 5rem) / 1.15 var(--reading);
  }
  .card p {
    font-size: clamp(1.1rem, 2.4vw, 2rem);
    color: #d8d4ca;
  }
  .hands {
    position: absolute;
    inset-inline: 0;
    bottom: 0;
    display: flex;
    flex-wrap: wrap;
    justify-content: center;
    gap: 8px;
    padding: 16px;
    background: linear-gradient(transparent, rgb(0 0 0 / 80%));
    transition: opacity 0.2s;
  }
  .hands[data-away]:not(:focus-within) {
    opacity: 0;
  }
  .hands button {
    min-height: 44px;
    padding: 8px 16px;
    border: 1px solid #fff;
    border-radius: var(--radius);
    background: rgb(0 0 0 / 60%);
    color: #fff;
    font: inherit;
    cursor: pointer;
  }
  .hands button:focus-visible {
    outline: 3px solid #fff;
    outline-offset: 2px;
  }
`;

/** A film on the wall. */
export interface OnTheWall {
  id: string;
  title: string;
  /** Who made it, where that is told. */
  by: string;
  src: string;
  captions: string;
}
interface Props {
  films: OnTheWall[];
  /** The one with which it begins. */
  first?: number;
  onEnd: () => void;
}

/** Films one after another on the wall, a title between them; the next is fetched while one is watched. */
export function Show({ films, first = 0, onEnd }: Props) {
  const { film, isCard, isOver, onward, back, again } = useShow(films.length, first);
  const wall = useRef<HTMLDivElement>(null);
  const video = useRef<HTMLVideoElement>(null);
  const [captions, setCaptions] = useState(true);
  const [isPaused, setPaused] = useState(false);
  const [isBroken, setBroken] = useState(false);
  const [areHandsAway, setHandsAway] = useState(false);
  const shown = films[film];

  useEffect(() => {
    const whole = wall.current;
    whole?.focus();
    // A phone that cannot show it whole shows it as large as its window.
    void whole?.requestFullscreen?.().catch(() => undefined);
    const left = () => {
      if (!document.fullscreenElement) onEnd();
    };
    document.addEventListener('fullscreenchange', left);
    return () => {
      document.removeEventListener('fullscreenchange', left);
      if (document.fullscreenElement) void document.exitFullscreen().catch(() => undefined);
    };
  }, [onEnd]);

  useEffect(() => {
    if (isOver || !isCard || isPaused) return;
    const timer = setTimeout(onward, CARD * 1000);
    return () => clearTimeout(timer);
  }, [isCard, isOver, isPaused, onward, film]);

  useEffect(() => {
    const now = video.current;
    if (!now) return;
    if (isCard || isPaused) {
      now.pause();
      if (isCard) now.currentTime = 0;
    } else
      void now.play().catch((error: unknown) => {
        // One that was stopped before it began is no trouble.
        if (!(error instanceof DOMException && error.name === 'AbortError')) setPaused(true);
      });
  }, [isCard, isPaused, film]);
  useEffect(() => setBroken(false), [film]);
  useEffect(() => {
    for (const one of wall.current?.querySelectorAll('video') ?? []) {
      const [track] = one.textTracks;
      if (track) track.mode = captions ? 'showing' : 'hidden';
    }
  }, [captions, film]);

  useEffect(() => {
    if (areHandsAway) return;
    const timer = setTimeout(() => setHandsAway(true), HANDS);
    return () => clearTimeout(timer);
  }, [areHandsAway, film, isCard]);

  const acts: Record<string, () => void> = {
    ' ': () => setPaused((is) => !is),
    ArrowRight: onward,
    PageDown: onward,
    ArrowLeft: back,
    PageUp: back,
    c: () => setCaptions((are) => !are),
  };
  const pressed = (event: React.KeyboardEvent) => {
    const act = acts[event.key];
    // A button that has the focus is pressed by the space bar.
    if (!act || (event.key === ' ' && (event.target as Element).closest('button'))) return;
    event.preventDefault();
    act();
  };
  return (
    <Overlay isOpen onOpenChange={(isOpen) => !isOpen && onEnd()}>
      <Modal style={{ height: '100%' }}>
        <Dialog aria-label={say('screening.screening')} style={{ height: '100%' }}>
          <Wall
            ref={wall}
            tabIndex={-1}
            onKeyDown={pressed}
            onPointerMove={() => setHandsAway(false)}
            onPointerDown={() => setHandsAway(false)}
          >
            {films.map(
              (one, n) =>
                // What is watched, and what comes next.
                (n === film || n === film + 1) && (
                  <video
                    key={one.id}
                    ref={n === film ? video : undefined}
                    src={one.src}
                    preload="auto"
                    playsInline
                    hidden={n !== film || isCard}
                    aria-label={one.title}
                    onEnded={onward}
                    onError={() => n === film && setBroken(true)}
                  >
                    <track kind="captions" src={one.captions} default />
                  </video>
                ),
            )}
            <div className="card" role="status">
              {shown && isCard && (
                <>
                  <p>{say('screening.number', { number: film + 1, of: films.length })}</p>
                  <h2>{shown.title}</h2>
                  {shown.by !== '' && <p>{shown.by}</p>}
                </>
              )}
              {shown && !isCard && isBroken && <p>{say('screening.cannot')}</p>}
              {isOver && <h2>{say('screening.over')}</h2>}
            </div>
            <div className="hands" data-away={areHandsAway ? true : undefined}>
              {isOver ? (
                <button type="button" onClick={again}>
                  {say('screening.again')}
                </button>
              ) : (
                <>
                  <button type="button" onClick={back}>
                    {say('screening.back')}
                  </button>
                  <button type="button" onClick={acts[' ']}>
                    {say(isPaused ? 'screening.go-on' : 'screening.pause')}
                  </button>
                  <button type="button" onClick={onward}>
                    {say('screening.onward')}
                  </button>
                  <button type="button" aria-pressed={captions} onClick={acts.c}>
                    {say('play.captions')}
                  </button>
                </>
              )}
              <button type="button" onClick={onEnd}>
                {say('screening.end')}
              </button>
            </div>
          </Wall>
        </Dialog>
      </Modal>
    </Overlay>
  );
}
