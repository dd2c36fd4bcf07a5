/** Over how many places bars were laid, in words. */
export const countInWords = (places: number, pages: number): string =>
  places === 1
    ? 'Redacted: 1 place.'
    : `Redacted: ${places} places on ${pages === 1 ? '1 page' : `${pages} pages`}.`;
