import { type LINK_DAYS, MOST_LINK_BYTES } from '@marginalis/core/wire';
import { useState } from 'react';
import useSWR from 'swr';
import { createLink, ServerError, withdrawLink } from '@/remote';
import { type KeptLink, keepLinks, readLinks } from '@/storage';
import { sizeInWords } from '@/ui';

const KEY_REFUSED =
  'The browser’s storage refuses the key that withdraws a link, so no link was made. Free some space and try again.';
const TOO_LARGE = `This copy is larger than ${sizeInWords(MOST_LINK_BYTES)}, the most a link can carry. Download it instead.`;

export type LinkLife = (typeof LINK_DAYS)[number];

export interface Links {
  /** Those made before that were not withdrawn. */
  readonly made: readonly KeptLink[];
  readonly busy: boolean;
  /** How often it was tried since the sheet is open. */
  readonly attempts: number;
  /** What went wrong last, in words. */
  readonly trouble: string | null;
  make(file: { readonly name: string; readonly bytes: Uint8Array }, days: LinkLife): Promise<void>;
  withdraw(link: KeptLink): Promise<void>;
}

/** The links to copies of a document. Their keys are kept on this device. */
export function useLinks(documentId: string, title: string): Links {
  const { data, mutate } = useSWR(`links/${documentId}`, () => readLinks(documentId));
  const [busy, setBusy] = useState(false);
  const [attempts, setAttempts] = useState(0);
  const [trouble, setTrouble] = useState<string | null>(null);

  const attempt = async (act: () => Promise<void>) => {
    setBusy(true);
    setTrouble(null);
    try {
      await act();
    } catch (e) {
      if (!(e instanceof ServerError)) throw e;
      setTrouble(e.message);
    } finally {
      setBusy(false);
      setAttempts((n) => n + 1);
    }
  };
  const keep = async (next: KeptLink[]) => {
    await keepLinks(documentId, next);
    await mutate(next);
  };
  const make: Links['make'] = ({ name: fileName, bytes }, days) =>
    attempt(async () => {
      if (bytes.length > MOST_LINK_BYTES) return setTrouble(TOO_LARGE);
      const link = await createLink({ fileName, title, days }, bytes);
      try {
        await keep([{ ...link, fileName }, ...(await readLinks(documentId))]);
      } catch {
        // Nobody could ever withdraw a link whose key is lost.
        await withdrawLink(link.token, link.ownerKey);
        setTrouble(KEY_REFUSED);
      }
    });
  const withdraw: Links['withdraw'] = (link) =>
    attempt(async () => {
      try {
        await withdrawLink(link.token, link.ownerKey);
      } catch (e) {
        // Gone already, by expiry or from another place: that is what was wanted.
        if (!(e instanceof ServerError && (e.status === 404 || e.status === 410))) throw e;
      }
      await keep((await readLinks(documentId)).filter((l) => l.token !== link.token));
    });
  return { made: data ?? [], busy, attempts, trouble, make, withdraw };
}
