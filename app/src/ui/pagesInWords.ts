/** So many pages, in words. */
export const pagesInWords = (count: number): string => (count === 1 ? '1 page' : `${count} pages`);
