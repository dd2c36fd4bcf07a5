import type { Sent } from '@/storage';

const AS: Readonly<Record<Sent['as'], string>> = {
  fixed: 'A fixed copy',
  living: 'A living copy',
  pictures: 'Pictures',
  markdown: 'Notes as text',
  table: 'Notes as a table',
};

const HOW: Readonly<Record<Sent['how'], string>> = {
  download: 'downloaded',
  share: 'shared',
  clipboard: 'copied',
  link: 'by a link',
  renewed: 'put under a link that was there',
  mail: 'by e-mail',
  print: 'printed',
};

/** What left, and how: `A fixed copy, by a link`. */
export const sentInWords = ({ as, how }: Pick<Sent, 'as' | 'how'>): string =>
  `${AS[as]}, ${HOW[how]}`;
