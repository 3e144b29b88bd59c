/** What a picture is asked to be; see the table of display modes in the video core. */
export const pictures = [
  'text',
  'mono-graphics',
  'cga',
  'ega',
  'mcga',
  'vga',
  '640x480x8',
  '800x600x8',
  '800x600x16',
  '1024x768x8',
  '3d'
] as const;
