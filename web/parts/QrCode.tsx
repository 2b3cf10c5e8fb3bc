import { create } from 'qrcode';

/** Empty modules around it: ISO/IEC 18004. */
const QUIET = 4;

/** A text as a camera reads it (QR Code, ISO/IEC 18004). */
export function QrCode({ text, label }: { text: string; label: string }) {
  const { size, data } = create(text, { errorCorrectionLevel: 'M' }).modules;
  const dark = Array.from(data, (isDark, n) => (isDark ? `M${n % size} ${Math.floor(n / size)}h1v1h-1z` : ''));
  const whole = size + 2 * QUIET;
  return (
    <svg
      role="img"
      aria-label={label}
      viewBox={`${-QUIET} ${-QUIET} ${whole} ${whole}`}
      shapeRendering="crispEdges"
      style={{ width: '100%', background: '#fff' }}
    >
      <path d={dark.join('')} fill="#000" />
    </svg>
  );
}
