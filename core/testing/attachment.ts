import type { Attachment } from '../src/document/index.ts';

/** A small picture, 8 by 6 pixels: its left half is dark. */
export const smallPicture = (id: string): Attachment => ({
  id,
  name: 'Cutting of page 1',
  type: 'image/jpeg',
  data: '/9j/4AAQSkZJRgABAQEASABIAAD/2wBDAA0JCgsKCA0LCgsODg0PEyAVExISEyccHhcgLikxMC4pLSwzOko+MzZGNywtQFdBRkxOUlNSMj5aYVpQYEpRUk//2wBDAQ4ODhMREyYVFSZPNS01T09PT09PT09PT09PT09PT09PT09PT09PT09PT09PT09PT09PT09PT09PT09PT09PT0//wAARCAAGAAgDASIAAhEBAxEB/8QAFQABAQAAAAAAAAAAAAAAAAAAAAX/xAAYEAEAAwEAAAAAAAAAAAAAAAAAB0WDwv/EABQBAQAAAAAAAAAAAAAAAAAAAAD/xAAUEQEAAAAAAAAAAAAAAAAAAAAA/9oADAMBAAIRAxEAPwCvG9ll2AD/2Q==',
  width: 8,
  height: 6,
});
