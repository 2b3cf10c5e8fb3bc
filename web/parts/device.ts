/** What is wrong with a camera or a microphone that was asked for (Media Capture and Streams, W3C, getUserMedia). */
export function deviceTrouble(error: unknown): 'not-allowed' | 'none' | 'in-use' | 'unusable' {
  const name = error instanceof DOMException ? error.name : '';
  if (name === 'NotAllowedError' || name === 'SecurityError') return 'not-allowed';
  if (name === 'NotFoundError' || name === 'OverconstrainedError') return 'none';
  return name === 'NotReadableError' || name === 'AbortError' ? 'in-use' : 'unusable';
}
