import type { ReadAddress } from '@marginalis/core/links';

/** What is wrong with an address, in a sentence. */
export function addressTrouble({ why, scheme }: Extract<ReadAddress, { ok: false }>): string {
  if (why === 'empty') return 'Type an address.';
  if (why === 'scheme')
    return `Addresses that begin with “${scheme}:” are not opened from a document. Use one of the web or of mail.`;
  return 'This is no address of the web or of mail.';
}
