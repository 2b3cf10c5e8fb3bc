import styled, { createGlobalStyle } from 'styled-components';
import { Button } from '../parts/controls';

/** What the Booth is furnished with: a dark room, a stage and a script, one big control. */
export const Dark = createGlobalStyle`
  html { background: var(--booth); }
  :root { --soft: #B9C0CE; }
  :focus-visible, [data-focus-visible] { outline-color: #AEB9EE; }
`;
export const Room = styled.main`
  min-height: 100vh;
  background: var(--booth);
  color: #f1eee6;
  display: grid;
  grid-template-rows: auto 1fr auto;
  gap: 16px;
  padding: 14px 28px 20px;
  @media (max-width: 760px) {
    padding: 6px 12px 10px;
    gap: 8px;
    height: 100dvh;
    min-height: 0;
    grid-template-rows: auto minmax(0, 1fr) auto;
  }
  .narrow {
    display: none;
    @media (max-width: 760px) {
      display: inline;
    }
  }
  kbd {
    font: inherit;
    font-size: 0.8em;
    border: 1px solid #6f788c;
    border-radius: 4px;
    padding: 0 6px;
    color: #b9c0ce;
  }
  .key {
    @media (hover: none), (pointer: coarse) {
      display: none;
    }
  }
  a {
    color: #c9d2f7;
  }
  button:not(.control) {
    background: #242935;
    color: #f1eee6;
    border-color: #6f788c;
  }
  button:not(.control)[data-disabled] {
    color: #8b93a3;
    border-color: #3a4150;
  }
`;
export const Head = styled.header`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: center;
  h1 {
    font-size: 1.2rem;
  }
  @media (max-width: 760px) {
    flex-wrap: nowrap;
    gap: 4px 8px;
    h1 {
      font-size: 1rem;
      flex: 1;
      text-align: center;
    }
    .wide {
      display: none;
    }
    button {
      padding: 6px 12px;
    }
  }
`;
export const Desk = styled.div`
  display: grid;
  gap: 28px;
  grid-template-columns: minmax(0, 1.35fr) minmax(0, 1fr);
  align-items: start;
  align-content: center;
  max-width: 1500px;
  width: 100%;
  margin: 0 auto;
  /* Once it is spoken, what was said needs the room more. */
  &.said {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
  &.said .picture > figure {
    width: min(100%, calc(38dvh * var(--ratio)));
  }
  @media (max-width: 900px) {
    &,
    &.said {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  @media (max-width: 760px) {
    gap: 10px;
    align-content: start;
    align-items: stretch;
    grid-template-rows: auto minmax(0, 1fr);
    min-height: 0;
    .picture {
      display: grid;
      justify-items: center;
      > figure {
        width: min(100%, calc(38dvh * var(--ratio)));
      }
    }
    &.said .long {
      display: none;
    }
    &.said .picture > figure {
      width: min(100%, calc(20dvh * var(--ratio)));
    }
  }
`;
export const Foot = styled.div`
  display: grid;
  gap: 16px;
  grid-template-columns: minmax(180px, 1fr) auto minmax(180px, 1fr);
  align-items: center;
  max-width: 1100px;
  width: 100%;
  margin: 0 auto;
  .before {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: space-between;
    gap: 4px 12px;
  }
  .before button {
    border-color: transparent;
    background: transparent;
    text-decoration: underline;
    padding: 4px 0;
    &[data-disabled] {
      border-color: transparent;
    }
  }
  .middle {
    display: grid;
    justify-items: center;
    gap: 8px;
  }
  .end {
    display: flex;
    gap: 8px;
    flex-wrap: wrap;
    justify-content: flex-end;
  }
  @media (max-width: 760px) {
    /* The one big control under the thumb; what is seldom needed above it. */
    grid-template-columns: minmax(0, 1fr) auto minmax(0, 1fr);
    gap: 6px 8px;
    .microphone {
      grid-column: 1 / -1;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      align-items: center;
      gap: 4px 12px !important;
    }
    .microphone > .before {
      grid-column: 1 / -1;
      font-size: 0.875rem;
      gap: 0 12px;
    }
    .microphone > *,
    .microphone button {
      min-width: 0;
      overflow: hidden;
    }
    .middle,
    .end {
      display: contents;
    }
    .middle > :first-child {
      grid-column: 2;
      grid-row: 2;
    }
    .middle > :last-child {
      grid-column: 1 / -1;
      grid-row: 3;
      text-align: center;
    }
    .end > :first-child {
      grid-column: 1;
      grid-row: 2;
    }
    .end > :nth-child(2) {
      grid-column: 3;
      grid-row: 2;
    }
    .end > * {
      align-self: center;
      padding: 4px 8px;
      flex-wrap: wrap;
      overflow-wrap: anywhere;
    }
    .end > :nth-child(n + 3) {
      grid-column: 1;
      grid-row: 4;
      justify-self: start;
      padding: 2px 12px;
    }
    .end > :nth-child(4) {
      grid-column: 2;
      justify-self: center;
    }
    .end > span:nth-child(n + 3) {
      grid-column: 1 / -1;
      grid-row: auto;
      justify-self: center;
      text-align: center;
    }
    .end > button:last-child:nth-child(n + 5) {
      grid-column: 3;
      justify-self: end;
    }
  }
`;
export const Control = styled(Button)`
  width: 104px;
  height: 104px;
  overflow-wrap: anywhere;
  border-radius: 50%;
  border: 4px solid #f1eee6;
  background: var(--madder);
  color: #fff;
  font-weight: 650;
  font-size: 1.05rem;
  padding: 0;
  @media (max-width: 760px) {
    width: 84px;
    height: 84px;
    font-size: 0.875rem;
  }
  &[data-hovered],
  &:hover {
    border-color: #fff;
    background: #b8443a;
  }
  &[data-disabled] {
    background: #4a4f5a;
    border-color: #7b8291;
    color: #d5d9e0;
  }
  &.recording {
    border-radius: 22px;
    background: #7d1f17;
  }
`;
export const Trouble = styled.p`
  background: #4a2420;
  border-inline-start: 5px solid #ef8f80;
  padding: 10px 14px;
  border-radius: 0 4px 4px 0;
  max-width: 60em;
`;
export const Count = styled.div`
  position: absolute;
  inset: 0;
  z-index: 5;
  display: grid;
  place-items: center;
  font: 600 6rem var(--reading);
  background: rgb(0 0 0 / 0.55);
  color: #fff;
  border-radius: 4px;
  pointer-events: none;
`;

/** Over the picture while one records: pressed, it goes on to the next slide, and never plays the film. */
export const Tapped = styled.div`
  position: absolute;
  inset: 0;
  z-index: 4;
`;

/** A letter of the keyboard that does the same; unseen where there is no keyboard. */
export const Key = ({ children }: { children: string }) => (
  <kbd className="key" aria-hidden>
    {children}
  </kbd>
);
