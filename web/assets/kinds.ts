/** What the browser's file dialog offers for a voice or music; what a file is, its bytes tell. */
export const soundFiles = [
  'audio/*',
  '.wav',
  '.mp3',
  '.m4a',
  '.ogg',
  '.oga',
  '.opus',
  '.flac',
  '.weba',
  '.webm',
  '.aif',
  '.aiff',
];
