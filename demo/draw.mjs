// Draws the pictures of the sample class as SVG and renders them: node demo/draw.mjs [NAME…]
// Everything shown is invented: the Wend estuary, its village Orrinhythe and the tide mill there.
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

let seed = 1;
const random = () => {
  // mulberry32: the same pictures every time
  seed = (seed + 0x6d2b79f5) | 0;
  let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
};
const between = (a, b) => a + (b - a) * random();
const many = (n, f) => Array.from({ length: n }, (_, i) => f(i)).join('');
const n = (v) => v.toFixed(1);

let defs = [];
let ids = 0;
const define = (make) => {
  const id = `d${++ids}`;
  defs.push(make(id));
  return `url(#${id})`;
};
const gradient = (stops, x2 = 0, y2 = 1) =>
  define(
    (id) =>
      `<linearGradient id="${id}" x1="0" y1="0" x2="${x2}" y2="${y2}">${stops.map(([o, c, a = 1]) => `<stop offset="${o}" stop-color="${c}" stop-opacity="${a}"/>`).join('')}</linearGradient>`,
  );
const glow = (stops) =>
  define(
    (id) =>
      `<radialGradient id="${id}">${stops.map(([o, c, a = 1]) => `<stop offset="${o}" stop-color="${c}" stop-opacity="${a}"/>`).join('')}</radialGradient>`,
  );
const blur = (r) =>
  define(
    (id) =>
      `<filter id="${id}" x="-30%" y="-30%" width="160%" height="160%"><feGaussianBlur stdDeviation="${r}"/></filter>`,
  );
const texture = (fx, fy, contrast, s = 3) =>
  define(
    (id) =>
      `<filter id="${id}" x="0" y="0" width="100%" height="100%"><feTurbulence type="fractalNoise" baseFrequency="${fx} ${fy}" numOctaves="4" seed="${s}"/><feColorMatrix values="0 0 0 0 0.12  0 0 0 0 0.1  0 0 0 0 0.12  0 0 0 ${contrast} ${-contrast * 0.42}"/><feComposite in2="SourceGraphic" operator="in"/></filter>`,
  );

/** A wandering line from the left to the right edge. */
const ridge = (w, y, rough, step, slope = 0) => {
  let h = 0;
  let points = '';
  for (let x = -step; x <= w + step; x += step) {
    h += between(-rough, rough);
    h *= 0.92;
    points += `${n(x)},${n(y + h + slope * (x / w))} `;
  }
  return points;
};
const land = (w, h, y, fill, rough = 18, step = 60, slope = 0) =>
  `<polygon points="${ridge(w, y, rough, step, slope)} ${w + 100},${h} -100,${h}" fill="${fill}"/>`;

const sky = (w, h, stops) => `<rect width="${w}" height="${h}" fill="${gradient(stops)}"/>`;
const clouds = (w, y, count, colour, size) => {
  const f = blur(size / 9);
  return `<g filter="${f}" fill="${colour}">${many(count, () => {
    const cx = between(-100, w + 100);
    const cy = y + between(-size, size);
    return many(
      6,
      () =>
        `<ellipse cx="${n(cx + between(-size * 1.6, size * 1.6))}" cy="${n(cy + between(-size * 0.12, size * 0.16))}" rx="${n(between(size * 0.6, size * 1.5))}" ry="${n(between(size * 0.08, size * 0.22))}" opacity="${between(0.25, 0.7).toFixed(2)}"/>`,
    );
  })}</g>`;
};
const sun = (x, y, r, core, halo) =>
  `<circle cx="${x}" cy="${y}" r="${r * 6}" fill="${glow([
    [0, halo, 0.85],
    [0.25, halo, 0.35],
    [1, halo, 0],
  ])}"/><circle cx="${x}" cy="${y}" r="${r}" fill="${core}"/>`;
const stars = (w, h, count) =>
  many(
    count,
    () =>
      `<circle cx="${n(between(0, w))}" cy="${n(between(0, h))}" r="${n(between(0.8, 3))}" fill="#fff" opacity="${between(0.2, 0.95).toFixed(2)}"/>`,
  );

const water = (w, y, h, top, bottom, glint, count = 260, lightX = null) => {
  const lines = many(count, () => {
    const d = random() ** 1.6;
    const yy = y + 6 + d * (h - 6);
    const near = lightX === null ? between(0, w) : lightX + between(-1, 1) * (60 + d * 620) * random();
    const len = 16 + d * 170 * random();
    return `<rect x="${n(near - len / 2)}" y="${n(yy)}" width="${n(len)}" height="${n(1.5 + d * 6)}" rx="3" fill="${glint}" opacity="${between(0.08, lightX === null ? 0.35 : 0.7).toFixed(2)}"/>`;
  });
  const dark = many(count / 2, () => {
    const d = random() ** 1.4;
    const len = 40 + d * 260 * random();
    return `<rect x="${n(between(-50, w))}" y="${n(y + 6 + d * (h - 6))}" width="${n(len)}" height="${n(2 + d * 7)}" rx="4" fill="#0d2230" opacity="${between(0.04, 0.16).toFixed(2)}"/>`;
  });
  return `<rect x="0" y="${y}" width="${w}" height="${h}" fill="${gradient([
    [0, top],
    [1, bottom],
  ])}"/>${dark}${lines}`;
};
const reflected = (y, art, opacity = 0.35) =>
  `<g transform="translate(0 ${2 * y}) scale(1 -1)" opacity="${opacity}" filter="${define((id) => `<filter id="${id}" x="-10%" y="-10%" width="120%" height="120%"><feTurbulence type="fractalNoise" baseFrequency="0.004 0.09" numOctaves="2" seed="8" result="t"/><feDisplacementMap in="SourceGraphic" in2="t" scale="26"/><feGaussianBlur stdDeviation="2.2"/></filter>`)}">${art}</g>`;

const reeds = (w, y, count, colours, height, from = 0, to = w) =>
  many(count, () => {
    const x = between(from, to);
    const hh = between(height * 0.45, height);
    const lean = between(-0.28, 0.34) * hh;
    const c = colours[Math.floor(random() * colours.length)];
    const head =
      random() < 0.28
        ? `<ellipse cx="${n(x + lean)}" cy="${n(y - hh)}" rx="${n(hh * 0.022 + 3)}" ry="${n(hh * 0.09 + 6)}" fill="#5a3d24" transform="rotate(${n(lean / 8)} ${n(x + lean)} ${n(y - hh)})"/>`
        : '';
    return `<path d="M${n(x)} ${n(y + 20)} Q${n(x + lean * 0.2)} ${n(y - hh * 0.6)} ${n(x + lean)} ${n(y - hh)}" stroke="${c}" stroke-width="${n(between(2.5, 7))}" fill="none" stroke-linecap="round"/>${head}`;
  });
const birds = (count, x, y, spread, size, colour = '#1c2730') =>
  many(count, () => {
    const bx = x + between(-spread, spread);
    const by = y + between(-spread * 0.35, spread * 0.35);
    const s = size * between(0.6, 1.3);
    return `<path d="M${n(bx - s)} ${n(by - s * 0.25)} Q${n(bx - s * 0.4)} ${n(by - s * 0.55)} ${n(bx)} ${n(by)} Q${n(bx + s * 0.45)} ${n(by - s * 0.6)} ${n(bx + s)} ${n(by - s * 0.2)}" fill="none" stroke="${colour}" stroke-width="${n(s * 0.16)}" stroke-linecap="round"/>`;
  });

const planks = (x, y, w, h, colour, gap = 26) =>
  `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="${colour}"/>${many(Math.ceil(h / gap), (i) => `<rect x="${x}" y="${n(y + i * gap)}" width="${w}" height="${n(gap - 3)}" fill="#${random() < 0.5 ? '000' : 'fff'}" opacity="${between(0.02, 0.09).toFixed(3)}"/><rect x="${x}" y="${n(y + i * gap + gap - 4)}" width="${w}" height="3" fill="#000" opacity="0.28"/>`)}`;
const bricks = (x, y, w, h, colour) =>
  `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="${colour}"/>${many(Math.ceil(h / 22), (r) => many(Math.ceil(w / 52), (c) => `<rect x="${n(Math.min(x + w - 8, x + c * 52 + (r % 2) * 26 - 13 < x ? x : x + c * 52 + (r % 2) * 26 - 13))}" y="${n(y + r * 22)}" width="${n(Math.min(48, Math.max(4, x + w - (x + c * 52 + (r % 2) * 26 - 13))))}" height="18" fill="#${random() < 0.5 ? '3a1c12' : 'ffd9b0'}" opacity="${between(0.03, 0.16).toFixed(3)}"/>`))}`;
const pane = (x, y, w, h, lit) =>
  `<rect x="${x - 6}" y="${y - 6}" width="${w + 12}" height="${h + 12}" fill="#f2ead8"/><rect x="${x}" y="${y}" width="${w}" height="${h}" fill="${lit ? '#ffcf6b' : '#31475a'}"/>${
    lit
      ? `<rect x="${x - 40}" y="${y - 40}" width="${w + 80}" height="${h + 80}" fill="${glow([
          [0, '#ffcf6b', 0.5],
          [1, '#ffcf6b', 0],
        ])}"/>`
      : `<polygon points="${x},${y} ${x + w * 0.6},${y} ${x},${y + h * 0.8}" fill="#fff" opacity=".14"/>`
  }<path d="M${x + w / 2} ${y}V${y + h}M${x} ${y + h / 2}H${x + w}" stroke="#f2ead8" stroke-width="5"/>`;

const wheel = (x, y, r, wet = true) =>
  `<g>${many(16, (i) => {
    const a = (i / 16) * Math.PI * 2 + 0.1;
    const [c, s] = [Math.cos(a), Math.sin(a)];
    return `<path d="M${n(x)} ${n(y)}L${n(x + c * r * 0.95)} ${n(y + s * r * 0.95)}" stroke="#4a3020" stroke-width="${n(r * 0.045)}"/><rect x="${n(-r * 0.15)}" y="${n(-r * 0.02)}" width="${n(r * 0.3)}" height="${n(r * 0.055)}" fill="#6a4830" transform="translate(${n(x + c * r * 0.92)} ${n(y + s * r * 0.92)}) rotate(${n((a * 180) / Math.PI)})"/>`;
  })}<circle cx="${x}" cy="${y}" r="${r * 0.98}" fill="none" stroke="#523622" stroke-width="${r * 0.06}"/><circle cx="${x}" cy="${y}" r="${r * 0.76}" fill="none" stroke="#5f4029" stroke-width="${r * 0.05}"/><circle cx="${x}" cy="${y}" r="${r * 0.13}" fill="#2c2320"/><circle cx="${x}" cy="${y}" r="${r * 0.06}" fill="#8a7a6a"/>${
    wet
      ? many(60, () => {
          const a = between(0.2, 2.9);
          return `<circle cx="${n(x + Math.cos(a) * r * between(0.8, 1.15))}" cy="${n(y + Math.sin(a) * r * between(0.85, 1.08))}" r="${n(between(1, r * 0.022))}" fill="#eaf6fb" opacity="${between(0.3, 0.9).toFixed(2)}"/>`;
        })
      : ''
  }</g>`;

/** Half the roof's width at a height above the water: it bends at 520. */
const roofHalf = (up) => (up < 520 ? 300 - (up - 395) * 0.52 : 235 - (up - 520) * 0.944);
/** The mill: brick below, weatherboard above, a mansard roof and a hoist. Its water line is at y. */
const mill = (x, y, s, lit = false) => `<g transform="translate(${x} ${y}) scale(${s})">
  ${bricks(-260, -150, 520, 160, '#8d4f38')}
  ${planks(-270, -400, 540, 255, '#d9cdb8')}
  <polygon points="-300,-395 -235,-520 -150,-610 150,-610 235,-520 300,-395" fill="${gradient([
    [0, '#8c4430'],
    [1, '#5e2c22'],
  ])}"/>
  ${many(9, (i) => `<path d="M${-roofHalf(400 + i * 24)} ${-400 - i * 24}H${roofHalf(400 + i * 24)}" stroke="#3c1a14" stroke-width="3" opacity=".35"/>`)}
  <rect x="-46" y="-700" width="92" height="110" fill="#cfc2aa"/><polygon points="-66,-695 0,-760 66,-695" fill="#5e2c22"/><path d="M46 -660H120V-640" stroke="#3b2a20" stroke-width="9" fill="none"/><path d="M116 -640V-420" stroke="#3b2a20" stroke-width="3"/><rect x="96" y="-424" width="40" height="52" rx="12" fill="#c9b58a"/>
  ${pane(-210, -340, 62, 80, lit)}${pane(-90, -340, 62, 80, lit)}${pane(40, -340, 62, 80, false)}${pane(160, -340, 62, 80, lit)}
  ${pane(-110, -500, 54, 62, false)}${pane(60, -500, 54, 62, lit)}
  <rect x="-40" y="-150" width="96" height="150" fill="#2b2320"/><path d="M-40 -100 A48 48 0 0 1 56 -100" fill="#2b2320"/>
  <polygon points="-270,-400 270,-400 270,-380 -270,-380" fill="#000" opacity=".18"/>
  <polygon points="90,-400 270,-400 270,10 180,10" fill="#000" opacity=".1"/>
</g>`;
const cottage = (x, y, s, wall, lit = false) =>
  `<g transform="translate(${x} ${y}) scale(${s})"><rect x="-90" y="-110" width="180" height="115" fill="${wall}"/><polygon points="-110,-105 -70,-190 70,-190 110,-105" fill="#6b3a2b"/><rect x="40" y="-225" width="26" height="60" fill="#7a4a3a"/>${pane(-60, -80, 36, 40, lit)}<rect x="10" y="-78" width="40" height="82" fill="#3f5b58"/><rect x="20" y="-105" width="70" height="110" fill="#000" opacity=".08"/></g>`;
const boat = (x, y, s, hull, sail = null, tilt = 0) =>
  `<g transform="translate(${x} ${y}) rotate(${tilt}) scale(${s})">${sail ? `<path d="M0 -20V-330" stroke="#4b3524" stroke-width="8"/><path d="M8 -320 Q150 -200 140 -60 L8 -50Z" fill="${sail}"/><path d="M8 -320 Q120 -200 118 -62" fill="none" stroke="#000" opacity=".12" stroke-width="30"/><path d="M-8 -300 L-100 -55 L-8 -50Z" fill="${sail}" opacity=".82"/>` : ''}<path d="M-170 -42 Q-150 30 -90 32 H90 Q150 30 182 -54 Q60 -28 -170 -42Z" fill="${hull}"/><path d="M-170 -42 Q60 -28 182 -54" fill="none" stroke="#f2e6cc" stroke-width="8"/><path d="M-150 0 Q0 24 160 -10" fill="none" stroke="#000" opacity=".22" stroke-width="10"/></g>`;
const heron = (x, y, s) =>
  `<g transform="translate(${x} ${y}) scale(${s})"><path d="M-10 0V-150M22 0V-150" stroke="#7d6a4a" stroke-width="8"/><path d="M-110 -150 Q-40 -270 60 -230 Q84 -160 20 -140 Q-60 -128 -150 -120Z" fill="#7f93a3"/><path d="M-150 -120 Q-40 -200 40 -190 Q0 -130 -150 -120Z" fill="#4c5f70"/><path d="M48 -225 Q110 -290 70 -360 Q50 -410 92 -430" fill="none" stroke="#d4dce0" stroke-width="26" stroke-linecap="round"/><ellipse cx="104" cy="-436" rx="34" ry="20" fill="#e8ecec"/><path d="M70 -448 Q40 -460 8 -440 Q50 -440 84 -430Z" fill="#27323c"/><polygon points="130,-442 226,-420 130,-428" fill="#d79b3a"/><circle cx="112" cy="-440" r="5" fill="#111"/></g>`;
const person = (x, y, s, coat, hat) =>
  `<g transform="translate(${x} ${y}) scale(${s})"><path d="M-22 0 L-16 -70 H18 L24 0Z" fill="#2d3440"/><path d="M-34 -66 Q-38 -150 0 -156 Q40 -150 36 -66Z" fill="${coat}"/><circle cx="0" cy="-176" r="22" fill="#c89878"/><path d="M-26 -180 Q0 -216 26 -180Z" fill="${hat}"/><path d="M-32 -130 Q-58 -100 -50 -72" stroke="${coat}" stroke-width="16" fill="none" stroke-linecap="round"/><path d="M34 -130 Q62 -104 78 -112" stroke="${coat}" stroke-width="16" fill="none" stroke-linecap="round"/></g>`;
const sack = (x, y, s) =>
  `<g transform="translate(${x} ${y}) scale(${s})"><path d="M-50 0 Q-66 -90 -26 -120 Q0 -132 26 -120 Q66 -90 50 0Z" fill="${gradient(
    [
      [0, '#e3d2a4'],
      [1, '#a98e5b'],
    ],
  )}"/><path d="M-26 -118 Q0 -104 26 -118" stroke="#7d6536" stroke-width="7" fill="none"/><path d="M-10 -120 L-20 -146 M10 -120 L22 -144" stroke="#c9b27c" stroke-width="10"/></g>`;

const scenes = {
  'dawn-over-the-wend': [
    2400,
    1500,
    (w, h) => {
      const far = land(w, 760, 690, '#7d88a8', 16) + land(w, 790, 735, '#5d6d8a', 12);
      const shore =
        land(w, 900, 800, '#3f5348', 9, 50) +
        mill(1640, 836, 0.55) +
        cottage(1230, 842, 0.7, '#d8c3a5') +
        cottage(1080, 848, 0.6, '#c9a98f') +
        cottage(2060, 850, 0.62, '#dccdb4');
      return (
        sky(w, 850, [
          [0, '#31406f'],
          [0.45, '#a9718a'],
          [0.75, '#f0a777'],
          [1, '#ffdca2'],
        ]) +
        clouds(w, 300, 9, '#ffd6bf', 150) +
        sun(760, 690, 62, '#fff4d2', '#ffcf85') +
        birds(9, 1250, 380, 330, 34, '#3a3550') +
        far +
        shore +
        `<rect y="840" width="${w}" height="60" fill="#2f3f3c"/>` +
        water(w, 860, 640, '#d79a80', '#23395a', '#ffe6b8', 420, 760) +
        reflected(850, shore, 0.3) +
        boat(560, 1120, 0.9, '#35404e', '#b0563f') +
        reeds(w, 1500, 190, ['#1d2b2a', '#2f4034', '#4b5338'], 330, 0, 900) +
        reeds(w, 1510, 140, ['#1d2b2a', '#36473a'], 260, 1700, 2400)
      );
    },
  ],
  'the-mill-at-high-water': [
    2400,
    1600,
    (w, h) => {
      const scene =
        land(w, 1000, 860, '#8aa07a', 14) +
        land(w, 1000, 930, '#6c8a5f', 10) +
        mill(1250, 1010, 1.05) +
        `<rect x="300" y="985" width="690" height="60" fill="#6d5a4a"/>` +
        many(7, (i) => `<rect x="${330 + i * 95}" y="900" width="24" height="150" fill="#5a4636"/>`) +
        `<rect x="300" y="905" width="690" height="18" fill="#7a624c"/>` +
        cottage(2080, 1010, 0.95, '#e0cfae');
      return (
        sky(w, 1010, [
          [0, '#5fa0c8'],
          [0.6, '#b9d9e4'],
          [1, '#f4ead2'],
        ]) +
        clouds(w, 280, 12, '#ffffff', 170) +
        scene +
        water(w, 1030, 570, '#86b4bd', '#1f5566', '#f6fbf4', 420) +
        reflected(1035, mill(1250, 1030, 1.05) + cottage(2080, 1030, 0.95, '#e0cfae'), 0.4) +
        birds(5, 520, 420, 240, 38) +
        boat(560, 1290, 1.1, '#7a2f2a', null, -2) +
        reeds(w, 1610, 120, ['#2f5234', '#557a3d', '#7d8f46'], 240, 1700, 2400)
      );
    },
  ],
  'gates-of-the-mill-pond': [
    2400,
    1600,
    (w, h) => {
      const gate = (x) =>
        planks(x, 560, 300, 560, '#6b4f38', 44) +
        `<path d="M${x} 560L${x + 300} 1120M${x + 300} 560L${x} 1120" stroke="#4a3525" stroke-width="26"/><rect x="${x - 30}" y="430" width="46" height="760" fill="#57402d"/><rect x="${x + 286}" y="430" width="46" height="760" fill="#57402d"/><circle cx="${x + 150}" cy="470" r="70" fill="none" stroke="#2e3338" stroke-width="18"/><path d="M${x + 80} 470H${x + 220}M${x + 150} 400V540" stroke="#2e3338" stroke-width="14"/>`;
      return (
        sky(w, 620, [
          [0, '#6f97a8'],
          [1, '#e8e2c8'],
        ]) +
        clouds(w, 170, 8, '#ffffff', 120) +
        land(w, 700, 500, '#7d9a6c', 14) +
        water(w, 600, 330, '#a9c5bd', '#5f8e90', '#ffffff', 220) +
        bricks(0, 760, w, 90, '#9a8a76') +
        `<rect y="850" width="${w}" height="270" fill="${gradient([
          [0, '#35565c'],
          [1, '#1d3d45'],
        ])}"/>` +
        gate(420) +
        gate(860) +
        gate(1300) +
        `<rect x="380" y="405" width="1290" height="44" fill="#7b5f45"/>` +
        person(1830, 770, 1.35, '#8b3b2e', '#3a2c22') +
        water(w, 1100, 500, '#9cc1bf', '#1e4d57', '#ffffff', 380) +
        many(3, (i) =>
          many(
            70,
            () =>
              `<ellipse cx="${n(570 + i * 440 + between(-190, 190))}" cy="${n(between(1085, 1210))}" rx="${n(between(6, 46))}" ry="${n(between(4, 16))}" fill="#f7fdfb" opacity="${between(0.15, 0.7).toFixed(2)}"/>`,
          ),
        ) +
        bricks(1760, 790, 640, 330, '#87705c') +
        bricks(0, 830, 400, 290, '#87705c') +
        reeds(w, 1610, 80, ['#28462f', '#48693a'], 210, 0, 620)
      );
    },
  ],
  'low-water': [
    2400,
    1500,
    (w, h) => {
      const mud = define(
        (id) =>
          `<linearGradient id="${id}" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#a89880"/><stop offset="1" stop-color="#5a4a3f"/></linearGradient>`,
      );
      return (
        sky(w, 720, [
          [0, '#9eb4bd'],
          [1, '#f2e6cf'],
        ]) +
        clouds(w, 250, 14, '#ffffff', 160) +
        land(w, 760, 640, '#8b9a86', 12) +
        land(w, 760, 690, '#6a7d69', 9) +
        mill(1880, 745, 0.42) +
        `<rect y="735" width="${w}" height="765" fill="${mud}"/>` +
        many(170, () => {
          const d = random() ** 1.5;
          return `<ellipse cx="${n(between(0, w))}" cy="${n(750 + d * 740)}" rx="${n(20 + d * 150 * random())}" ry="${n(2 + d * 14 * random())}" fill="${random() < 0.5 ? '#d8d2c2' : '#3b2f29'}" opacity="${between(0.1, 0.36).toFixed(2)}"/>`;
        }) +
        `<path d="M1500 735 Q1200 860 1420 980 Q1640 1100 1080 1220 Q700 1310 760 1500 H1260 Q1180 1330 1500 1230 Q1960 1090 1640 960 Q1420 860 1600 735Z" fill="${gradient(
          [
            [0, '#dbe4e2'],
            [1, '#6d94a0'],
          ],
        )}"/>` +
        boat(480, 1010, 1.15, '#2f4a5c', null, 13) +
        boat(1960, 1130, 0.85, '#8b5a2b', null, -15) +
        `<path d="M480 1000Q700 1120 900 1090" stroke="#6b5a45" stroke-width="6" fill="none"/>` +
        many(26, () => {
          const x = between(100, 2300);
          const y = between(830, 1400);
          const s = (y - 700) / 620;
          return `<g transform="translate(${n(x)} ${n(y)}) scale(${n(s)})"><ellipse rx="26" ry="15" cy="-34" fill="#f3efe6"/><path d="M-6 -22V0M8 -22V0" stroke="#b5523a" stroke-width="4"/><circle cx="24" cy="-48" r="9" fill="#2d2a2c"/><path d="M32 -48L54 -42" stroke="#c6503a" stroke-width="5"/><path d="M-30 -40Q0 -56 14 -40Q0 -28 -30 -40Z" fill="#2d2a2c"/></g>`;
        }) +
        birds(14, 800, 330, 420, 28)
      );
    },
  ],
  'the-great-wheel': [
    2400,
    1600,
    (w, h) =>
      bricks(0, 0, w, h, '#6f4a3a') +
      `<rect width="${w}" height="${h}" fill="${gradient([
        [0, '#0a0d12', 0.72],
        [0.5, '#1b2024', 0.25],
        [1, '#07121a', 0.75],
      ])}"/>` +
      `<polygon points="1500,0 2200,0 1500,1600 500,1600" fill="#ffe9b8" opacity=".13"/>` +
      planks(0, 180, w, 70, '#4d3727', 34) +
      wheel(1150, 880, 660) +
      `<rect x="1120" y="840" width="1280" height="78" fill="#3a2a20"/>` +
      many(10, (i) => `<rect x="${1200 + i * 120}" y="832" width="22" height="94" fill="#59493c"/>`) +
      water(w, 1330, 270, '#40666b', '#0d2a33', '#dff2f0', 300) +
      many(
        150,
        () =>
          `<ellipse cx="${n(between(420, 1900))}" cy="${n(1335 + between(-60, 70))}" rx="${n(between(6, 60))}" ry="${n(between(4, 20))}" fill="#f2fbfa" opacity="${between(0.1, 0.6).toFixed(2)}"/>`,
      ) +
      sun(1850, 60, 40, '#fff2c8', '#ffdf9a'),
  ],
  'inside-the-mill': [
    2400,
    1600,
    (w, h) =>
      planks(0, 0, w, 1180, '#a9855c', 74) +
      `<rect y="1180" width="${w}" height="420" fill="#6e5136"/>` +
      many(
        9,
        (i) =>
          `<polygon points="${i * 290 - 60},1180 ${i * 290 + 220},1180 ${i * 420 - 420},1600 ${i * 420 - 830},1600" fill="#000" opacity="${i % 2 ? 0.07 : 0.02}"/>`,
      ) +
      `<rect y="150" width="${w}" height="90" fill="#4a3524"/><rect x="330" y="240" width="84" height="940" fill="#553c28"/><rect x="2010" y="240" width="84" height="940" fill="#553c28"/>` +
      pane(1500, 380, 280, 330, true) +
      `<polygon points="1500,380 1780,380 1320,1600 300,1600" fill="#ffe2a0" opacity=".2"/>` +
      `<ellipse cx="1000" cy="1150" rx="430" ry="120" fill="#5d5a55"/><rect x="570" y="1060" width="860" height="90" fill="#6f6b64"/><ellipse cx="1000" cy="1060" rx="430" ry="120" fill="#a7a196"/><ellipse cx="1000" cy="985" rx="380" ry="104" fill="#6b675f"/><rect x="620" y="930" width="760" height="58" fill="#7d786f"/><ellipse cx="1000" cy="930" rx="380" ry="104" fill="${gradient(
        [
          [0, '#cbc4b6'],
          [1, '#948d80'],
        ],
        1,
        0,
      )}"/><ellipse cx="1000" cy="930" rx="66" ry="20" fill="#2c2520"/>` +
      many(
        14,
        (i) =>
          `<path d="M1000 930L${n(1000 + Math.cos((i / 14) * 6.283) * 372)} ${n(930 + Math.sin((i / 14) * 6.283) * 100)}" stroke="#6c665c" stroke-width="5" opacity=".6"/>`,
      ) +
      `<polygon points="820,520 1180,520 1050,800 950,800" fill="#8a6a45"/><rect x="800" y="480" width="400" height="46" fill="#6d5135"/><path d="M1000 800V930" stroke="#e9d9a6" stroke-width="16"/>` +
      many(
        120,
        () =>
          `<circle cx="${n(between(600, 1700))}" cy="${n(between(400, 1250))}" r="${n(between(1, 5))}" fill="#fff3cf" opacity="${between(0.15, 0.7).toFixed(2)}"/>`,
      ) +
      sack(1640, 1330, 1.5) +
      sack(1830, 1370, 1.7) +
      sack(1730, 1250, 1.35) +
      sack(330, 1400, 1.6) +
      person(520, 1370, 2.6, '#dcd6c8', '#e9e4d8'),
  ],
  'flour-goes-to-the-quay': [
    2400,
    1500,
    (w, h) => {
      const town =
        cottage(300, 850, 1.5, '#d9b68f') +
        cottage(660, 850, 1.3, '#b9c4b0') +
        cottage(980, 850, 1.55, '#d8cdb8') +
        mill(1560, 860, 0.8);
      return (
        sky(w, 880, [
          [0, '#7fb0c9'],
          [1, '#fbe8c6'],
        ]) +
        clouds(w, 240, 9, '#ffffff', 150) +
        land(w, 900, 760, '#90a781', 12) +
        town +
        bricks(0, 850, 1900, 170, '#9b8b78') +
        `<rect x="0" y="838" width="1910" height="30" fill="#b7a68d"/>` +
        many(11, (i) => sack(250 + i * 88, 846 - (i % 3 === 1 ? 92 : 0), 0.75)) +
        person(1290, 842, 0.95, '#34506b', '#2b2b2b') +
        person(1420, 842, 0.9, '#8b3b2e', '#ddd') +
        person(160, 842, 0.9, '#5a6b3a', '#3b2a20') +
        water(w, 1010, 490, '#9fc2c4', '#27566a', '#fff8e6', 420) +
        reflected(1015, town, 0.22) +
        boat(1960, 1110, 2.1, '#4a2f26', '#a8452f') +
        boat(700, 1250, 1.2, '#3b5a63', null, 2) +
        birds(6, 1900, 330, 300, 36)
      );
    },
  ],
  'the-millers-stair': [
    1600,
    2400,
    (w, h) =>
      planks(0, 0, w, h, '#93714b', 90) +
      `<rect width="${w}" height="${h}" fill="${gradient([
        [0, '#120c07', 0.1],
        [1, '#120c07', 0.62],
      ])}"/>` +
      pane(980, 240, 330, 440, true) +
      `<polygon points="980,240 1310,240 900,2400 -200,2400" fill="#ffe0a0" opacity=".2"/>` +
      many(13, (i) => {
        const y = 2240 - i * 150;
        const x = 260 + i * 62;
        return `<rect x="${x}" y="${y}" width="520" height="40" fill="#6a4c30"/><rect x="${x}" y="${y + 40}" width="520" height="20" fill="#000" opacity=".35"/>`;
      }) +
      `<path d="M240 2300L1060 330M780 2300L1600 330" stroke="#4d3622" stroke-width="44"/>` +
      person(770, 1590, 3.2, '#6f4a3a', '#e4dccb') +
      sack(300, 2340, 2.2) +
      many(
        80,
        () =>
          `<circle cx="${n(between(100, 1500))}" cy="${n(between(200, 2200))}" r="${n(between(1, 6))}" fill="#fff3cf" opacity="${between(0.1, 0.6).toFixed(2)}"/>`,
      ),
  ],
  'the-night-flood': [
    2400,
    1500,
    (w, h) => {
      const scene =
        land(w, 900, 780, '#1b2630', 20) +
        mill(1500, 900, 0.95, true) +
        cottage(700, 890, 1.1, '#4a4a50', true) +
        cottage(420, 895, 0.9, '#3f4248', true);
      return (
        sky(w, 950, [
          [0, '#0c111c'],
          [0.6, '#263247'],
          [1, '#4a5263'],
        ]) +
        clouds(w, 240, 18, '#0a0d14', 210) +
        clouds(w, 420, 8, '#5b6478', 150) +
        `<path d="M2010 90L1930 300L1990 310L1880 560L1950 560L1850 780" fill="none" stroke="#f5f7ff" stroke-width="10" opacity=".92"/><circle cx="1930" cy="320" r="520" fill="${glow(
          [
            [0, '#c8d4ff', 0.45],
            [1, '#c8d4ff', 0],
          ],
        )}"/>` +
        scene +
        water(w, 900, 600, '#2c3b4b', '#070c13', '#8ea3bd', 360) +
        reflected(905, mill(1500, 905, 0.95, true) + cottage(700, 905, 1.1, '#4a4a50', true), 0.35) +
        many(
          22,
          () =>
            `<path d="M${n(between(-100, 2300))} ${n(between(950, 1480))}q60 -46 130 0q60 -40 120 4" fill="none" stroke="#c9d8e6" stroke-width="${n(between(3, 9))}" opacity="${between(0.2, 0.6).toFixed(2)}" stroke-linecap="round"/>`,
        ) +
        many(420, () => {
          const x = between(-100, w);
          const y = between(-50, h);
          return `<path d="M${n(x)} ${n(y)}l-22 74" stroke="#cfdcf0" stroke-width="2.4" opacity="${between(0.08, 0.34).toFixed(2)}"/>`;
        }) +
        boat(880, 1180, 1, '#2a1d18', null, -8)
      );
    },
  ],
  'a-map-of-the-wend': [
    2400,
    1600,
    (w, h) =>
      `<rect width="${w}" height="${h}" fill="#ecdfc0"/>` +
      `<path d="M-50 1180 Q500 1060 760 1250 T1380 1140 T1700 860 T2050 560 T2500 420 V-50 H-50Z" fill="#d5dcb6"/><path d="M-50 1250 Q500 1130 760 1330 T1400 1230 T1780 940 T2150 660 T2500 560 V1700 H-50Z" fill="#e2d5a8"/><path d="M-50 1130 Q480 1010 760 1200 T1360 1090 T1680 820 T2040 520 T2500 380 L2500 560 Q2200 640 2110 700 T1780 960 T1400 1250 T760 1350 T-50 1300Z" fill="#9fc6cd" stroke="#4f7f8d" stroke-width="7"/>` +
      many(
        30,
        () =>
          `<path d="M${n(between(60, 1250))} ${n(between(1170, 1290))}q22 -13 44 0q22 13 44 0" stroke="#5b8c9a" stroke-width="4" fill="none" opacity=".6"/>`,
      ) +
      `<path d="M1290 1010 Q1140 820 1330 760 Q1530 730 1500 930 Q1450 1010 1400 1070Z" fill="#9fc6cd" stroke="#4f7f8d" stroke-width="7"/><path d="M1290 1005L1405 1070" stroke="#5a3d24" stroke-width="20"/>` +
      `<g transform="translate(1395 1035) scale(.24)">${mill(0, 0, 1)}</g>` +
      many(9, (i) =>
        cottage(
          980 + (i % 3) * 105 + between(-14, 14),
          720 + Math.floor(i / 3) * 105,
          0.36,
          ['#d9b68f', '#c9cdb8', '#d8a48a'][i % 3],
        ),
      ) +
      many(70, () => {
        const x = between(60, 1900);
        const y = between(70, 600);
        return `<g transform="translate(${n(x)} ${n(y)})"><rect x="-4" y="0" width="8" height="20" fill="#6a4d2f"/><circle r="24" cy="-14" fill="${random() < 0.5 ? '#7f9a5c' : '#96ac6b'}"/></g>`;
      }) +
      `<g font-family="Literata" font-weight="600" fill="#4a3a26" font-style="italic"><text x="250" y="1262" font-size="70" fill="#2f6271" transform="rotate(-6 250 1262)">The Wend</text><text x="900" y="640" font-size="64">Orrinhythe</text><text x="1500" y="1180" font-size="52">the tide mill</text><text x="1350" y="720" font-size="46" fill="#2f6271">mill pond</text><text x="1960" y="470" font-size="50" fill="#2f6271" transform="rotate(-22 1960 470)">to the sea</text></g>` +
      `<g transform="translate(2130 1280)"><circle r="130" fill="none" stroke="#6b5232" stroke-width="6"/><polygon points="0,-120 24,0 0,120 -24,0" fill="#a2352b"/><polygon points="-120,0 0,-24 120,0 0,24" fill="#6b5232" opacity=".7"/><text y="-146" font-family="Literata" font-weight="600" font-size="52" text-anchor="middle" fill="#4a3a26">N</text></g><rect x="30" y="30" width="${w - 60}" height="${h - 60}" fill="none" stroke="#6b5232" stroke-width="10"/><rect x="52" y="52" width="${w - 104}" height="${h - 104}" fill="none" stroke="#6b5232" stroke-width="3"/>`,
  ],
  'moon-and-tide': [
    2400,
    1500,
    (w, h) => {
      const scene = land(w, 900, 800, '#16213a', 14) + mill(620, 880, 0.7, true);
      return (
        sky(w, 900, [
          [0, '#0b1330'],
          [0.7, '#2d3f74'],
          [1, '#56699b'],
        ]) +
        stars(w, 700, 260) +
        sun(1620, 380, 120, '#f7f2dd', '#c9d6ff') +
        `<circle cx="1590" cy="350" r="26" fill="#d9d2b8" opacity=".6"/><circle cx="1660" cy="420" r="36" fill="#d9d2b8" opacity=".5"/><circle cx="1650" cy="330" r="16" fill="#d9d2b8" opacity=".6"/>` +
        clouds(w, 520, 6, '#8fa3d6', 130) +
        scene +
        water(w, 880, 620, '#3c5390', '#0a1230', '#f3f0d8', 520, 1620) +
        reflected(885, scene, 0.3) +
        reeds(w, 1510, 170, ['#0a1022', '#131d33'], 300, 0, 1100)
      );
    },
  ],
  'heron-in-the-reeds': [
    1500,
    2250,
    (w, h) =>
      sky(w, 1300, [
        [0, '#b7cfd0'],
        [1, '#f5ecd2'],
      ]) +
      clouds(w, 260, 6, '#ffffff', 130) +
      land(w, 1300, 1120, '#9db08c', 12) +
      water(w, 1240, 1010, '#b9d0cb', '#3f6d70', '#ffffff', 420) +
      reeds(w, 1500, 160, ['#7d8f56', '#9aa566', '#5f7a48'], 620, 0, 1500) +
      heron(700, 1760, 2) +
      reflected(1765, heron(700, 1770, 2), 0.25) +
      reeds(w, 2260, 130, ['#2f5234', '#48683a', '#6b7f3e'], 760, 0, 520) +
      reeds(w, 2260, 90, ['#2f5234', '#48683a'], 640, 1080, 1500),
  ],
  'lantern-night': [
    2400,
    1500,
    (w, h) => {
      const town =
        land(w, 960, 830, '#22304a', 12) +
        mill(1240, 920, 0.85, true) +
        cottage(560, 915, 1.1, '#8a6d5d', true) +
        cottage(830, 915, 0.95, '#6d7d78', true) +
        cottage(1800, 915, 1.15, '#7d6a74', true) +
        cottage(2090, 915, 0.95, '#8a7a5d', true);
      const lamps = many(34, (i) => {
        const t = i / 33;
        const x = 120 + t * 2160;
        const y = 470 + Math.sin(t * Math.PI * 3) ** 2 * 150;
        const c = ['#ffb347', '#ff7d5a', '#ffd97a', '#f48fb1'][i % 4];
        return `<circle cx="${n(x)}" cy="${n(y + 26)}" r="90" fill="${glow([
          [0, c, 0.6],
          [1, c, 0],
        ])}"/><ellipse cx="${n(x)}" cy="${n(y + 26)}" rx="21" ry="27" fill="${c}"/>`;
      });
      return (
        sky(w, 960, [
          [0, '#1a2347'],
          [0.6, '#5b4a7d'],
          [1, '#e08a6d'],
        ]) +
        stars(w, 420, 130) +
        town +
        lamps +
        bricks(0, 915, w, 90, '#5b4c46') +
        many(13, (i) =>
          person(
            260 + i * 160 + between(-40, 40),
            985,
            between(0.75, 1),
            ['#8b3b2e', '#34506b', '#6b7a3a', '#7d4a7a'][i % 4],
            '#2b2420',
          ),
        ) +
        water(w, 1000, 500, '#6d5c86', '#141b38', '#ffcf8a', 520) +
        reflected(1004, town, 0.35) +
        many(26, () => {
          const x = between(100, 2300);
          const y = between(1100, 1440);
          return `<circle cx="${n(x)}" cy="${n(y)}" r="70" fill="${glow([
            [0, '#ffc46b', 0.55],
            [1, '#ffc46b', 0],
          ])}"/><path d="M${n(x - 24)} ${n(y)}h48l-8 14h-32Z" fill="#6b3b2a"/><rect x="${n(x - 11)}" y="${n(y - 26)}" width="22" height="26" fill="#ffe2a0"/>`;
        })
      );
    },
  ],
  'old-postcard': [
    640,
    420,
    (w, h) =>
      `<g transform="scale(.2667)">${scenes['the-mill-at-high-water'][2](2400, 1600)}</g><rect width="${w}" height="${h}" fill="#b98a4a" opacity=".34"/><rect x="8" y="8" width="${w - 16}" height="${h - 16}" fill="none" stroke="#f6ecd4" stroke-width="16"/>`,
  ],
};

const scratch = mkdtempSync(join(tmpdir(), 'draw-'));
const wanted = process.argv.slice(2);
for (const [name, [w, h, draw]] of Object.entries(scenes)) {
  if (wanted.length && !wanted.includes(name)) continue;
  seed = [...name].reduce((a, c) => (a * 31 + c.charCodeAt(0)) | 0, 7);
  defs = [];
  ids = 0;
  const art = draw(w, h);
  // Paper grain and a little darkness toward the edges hold each picture together.
  const grain = texture(0.8, 0.8, 0.5, 5);
  const wash = texture(0.006, 0.009, 0.55, 9);
  const edge = glow([
    [0, '#000', 0],
    [0.62, '#000', 0],
    [1, '#1a1208', 0.42],
  ]);
  const over = `<rect width="${w}" height="${h}" filter="${wash}" opacity=".16"/><rect width="${w}" height="${h}" filter="${grain}" opacity=".2"/><rect x="${-w * 0.2}" y="${-h * 0.2}" width="${w * 1.4}" height="${h * 1.4}" fill="${edge}"/>`;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}" viewBox="0 0 ${w} ${h}"><defs>${defs.join('')}</defs>${art}${over}</svg>`;
  const file = join(scratch, `${name}.svg`);
  writeFileSync(file, svg);
  execFileSync('rsvg-convert', ['--unlimited', '-o', join(scratch, `${name}.png`), file], {
    env: { ...process.env, FONTCONFIG_FILE: new URL('../studio/fonts/fonts.conf', import.meta.url).pathname },
  });
  execFileSync('ffmpeg', [
    '-v',
    'error',
    '-y',
    '-i',
    join(scratch, `${name}.png`),
    '-pix_fmt',
    'yuvj420p',
    '-q:v',
    '3',
    '-bitexact',
    new URL(`pictures/${name}.jpg`, import.meta.url).pathname,
  ]);
  console.log(name);
}
