/** What the browser's file dialog offers for a picture; what a file is, its bytes tell. */
export const pictureFiles = [
  'image/jpeg',
  'image/png',
  'image/webp',
  'image/heic',
  'image/heif',
  'image/avif',
  'image/tiff',
  'image/gif',
  '.heic',
  '.heif',
  '.avif',
  '.tif',
  '.tiff',
];

/** For a voice or music. */
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
