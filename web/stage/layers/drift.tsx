import type { PlannedDrift } from '../../api/types';
import { percent } from '../../parts/boxes';
import { valueAt } from '../plan';
import type { Performer } from './performer';

/** Where one depth of weather or light is had. */
const driftUrl = (sheet: string): string => `/api/drifts/${sheet}.svg`;
const part = (way: number) => way - Math.floor(way);

/** Where its sheet begins at a frame of the scene, in shares of the slide's width and height. */
export function driftedTo({ step, since }: PlannedDrift, frame: number): { x: number; y: number } {
  const frames = since + frame;
  return { x: part(step.x * frames), y: part(step.y * frames) };
}

/** Two sheets beside each other and two below: one of them is moved into sight while the other leaves it. */
const SHEETS = { position: 'absolute', inset: '-100% 0 0 -100%', width: '200%', height: '200%' } as const;
export function pass(sheets: HTMLElement, layer: PlannedDrift, frame: number): void {
  const { x, y } = driftedTo(layer, frame);
  sheets.style.transform = `translate(${percent(x / 2)}, ${percent(y / 2)})`;
}

/** A sheet that passes over the slide for ever. */
export const drift: Performer<PlannedDrift> = {
  url: (_story, layer) => driftUrl(layer.sheet),
  make: () => {
    const made = document.createElement('div');
    made.style.cssText = 'position:absolute;inset:0;overflow:hidden;pointer-events:none';
    const sheets = document.createElement('div');
    Object.assign(sheets.style, SHEETS, { backgroundSize: '50% 50%', willChange: 'transform' });
    made.append(sheets);
    return made;
  },
  show: (element, layer, { scene }, frame) => {
    const sheets = element.firstElementChild as HTMLElement;
    const url = driftUrl(layer.sheet);
    if (sheets.dataset['url'] !== url) {
      sheets.dataset['url'] = url;
      sheets.style.backgroundImage = `url("${url}")`;
    }
    // On what is moved itself: the browser would else draw it aside first, at every frame.
    sheets.style.opacity = String(valueAt(layer.opacity, frame - scene.start));
    pass(sheets, layer, frame - scene.start);
  },
  still: ({ layer }) => (
    <span className="over" style={{ overflow: 'hidden', opacity: valueAt(layer.opacity, 0) }} aria-hidden>
      <span
        className="drifts"
        data-layer={layer.id}
        style={{ ...SHEETS, backgroundSize: '50% 50%', backgroundImage: `url("${driftUrl(layer.sheet)}")` }}
      />
    </span>
  ),
};
