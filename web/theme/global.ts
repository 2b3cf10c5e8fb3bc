import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/literata';
// Faces of words on pictures, written in place: fetched when one is used.
import '@fontsource-variable/rubik';
import '@fontsource/courier-prime/700.css';
import '@fontsource/forum';
import '@fontsource/patrick-hand';
import { createGlobalStyle } from 'styled-components';

/** The design's tokens as custom properties; the Booth turns them dark. */
export const GlobalStyle = createGlobalStyle`
  :root {
    --paper: #FBF8F1; --raised: #FFFFFF; --ink: #20242B; --soft: #5A6070; --line: #DDD6C7; --edge: #8F8776;
    --indigo: #2F3F7F; --indigo-wash: #E9EAF3; --madder: #A2352B; --madder-wash: #F8E6E1; --moss: #3F6B45; --moss-wash: #E6EFE4;
    --ochre: #8A6116; --ochre-wash: #F7ECD3; --booth: #171A21;
    --reading: 'Literata Variable', Georgia, serif;
    --plain: 'Atkinson Hyperlegible Next Variable', system-ui, sans-serif;
    --radius: 6px; --floating: 0 6px 24px rgb(32 36 43 / 0.18);
  }
  *, *::before, *::after { box-sizing: border-box; }
  html { background: var(--paper); color: var(--ink); font: 16px/1.45 var(--plain); -webkit-text-size-adjust: 100%; }
  body { margin: 0; min-height: 100vh; }
  h1, h2, h3, p, ul, ol, figure { margin: 0; padding: 0; }
  h1, h2, h3 { font-family: var(--reading); font-weight: 600; line-height: 1.2; }
  h1 { font-size: 1.75rem; } h2 { font-size: 1.25rem; } h3 { font-size: 1.05rem; }
  ul, ol { list-style: none; }
  a { color: var(--indigo); }
  button, input, textarea, select { font: inherit; color: inherit; }
  img, video { display: block; max-width: 100%; }
  :focus-visible, [data-focus-visible] { outline: 3px solid var(--indigo); outline-offset: 2px; border-radius: 3px; }
  .unseen { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); white-space: nowrap; }
  @media (prefers-reduced-motion: reduce) { *, *::before, *::after { animation: none !important; transition: none !important; } }
`;
