import {
  type LINK_DAYS,
  type LinkAccess,
  MOST_LINK_BYTES,
  type SharedNote,
} from '@marginalis/core/wire';
import { useState } from 'react';
import useSWR from 'swr';
import { createLink, putNotes, renewLink, ServerError, withdrawLink } from '@/remote';
import { type KeptLink, keepLinks, readLinks } from '@/storage';
import { sizeInWords } from '@/ui';

const KEY_REFUSED =
  'The browser’s storage refuses the key that withdraws a link, so no link was made. Free some space and try again.';
const TOO_LARGE = `This copy is larger than ${sizeInWords(MOST_LINK_BYTES)}, the most a link can carry. Download it instead.`;

export type LinkLife = (typeof LINK_DAYS)[number];

/** What a link is made with. */
export interface LinkTerms {
  /** How long it lasts, days. */
  readonly days: LinkLife;
  /** What guests are asked for; empty for nothing. */
  readonly password: string;
  /** What guests are told; may be empty. */
  readonly message: string;
  readonly access: LinkAccess;
  /** Where only pictures are given: whether guests say their name, and what else they may. */
  readonly asksName: boolean;
  readonly mayPrint: boolean;
  readonly mayCopy: boolean;
  /** Guests are shown the notes, and may answer them. */
  readonly mayAnswer: boolean;
}

/** What a link is made with unless something else is asked for. */
export const FIRST_TERMS: LinkTerms = {
  days: 7,
  password: '',
  message: '',
  access: 'file',
  asksName: false,
  mayPrint: false,
  mayCopy: false,
  mayAnswer: false,
};

/** A file that goes under a link. */
interface LinkFile {
  readonly name: string;
  readonly bytes: Uint8Array;
  /** What is told beside it, where guests may answer. */
  readonly notes: readonly SharedNote[];
}

export interface Links {
  /** All whose keys are on this device; undefined until they are read. */
  readonly kept: readonly KeptLink[] | undefined;
  /** Of these, those that were not withdrawn. */
  readonly made: readonly KeptLink[];
  /** How often it was tried since the sheet is open. */
  readonly attempts: number;
  /** What went wrong last, in words. */
  readonly trouble: string | null;
  /** Gives the token of the new link; null where there is none. */
  make(file: LinkFile, terms: LinkTerms): Promise<string | null>;
  /** Puts another copy under the same link; whether it is there. */
  renew(link: KeptLink, file: LinkFile): Promise<boolean>;
  withdraw(link: KeptLink): Promise<void>;
}

/** The links to copies of a document. Their keys are kept on this device. */
export function useLinks(documentId: string, title: string): Links {
  const { data, mutate } = useSWR(`links/${documentId}`, () => readLinks(documentId));
  const [attempts, setAttempts] = useState(0);
  const [trouble, setTrouble] = useState<string | null>(null);

  /** Null where it went wrong, which is said. */
  const attempt = async <T>(act: () => Promise<T>): Promise<T | null> => {
    setTrouble(null);
    try {
      return await act();
    } catch (e) {
      if (!(e instanceof ServerError)) throw e;
      setTrouble(e.message);
      return null;
    } finally {
      setAttempts((n) => n + 1);
    }
  };
  const keep = async (next: KeptLink[]) => {
    await keepLinks(documentId, next);
    await mutate(next);
  };
  const make: Links['make'] = ({ name: fileName, bytes, notes }, { password, ...terms }) =>
    attempt(async () => {
      if (bytes.length > MOST_LINK_BYTES) {
        setTrouble(TOO_LARGE);
        return null;
      }
      const link = await createLink({ fileName, title, ...terms }, bytes, password);
      try {
        const locked = password !== '';
        const viewOnly = terms.access === 'pictures';
        const { mayAnswer } = terms;
        if (mayAnswer) await putNotes(link, notes);
        const kept = {
          ...{ ...link, fileName, locked, viewOnly, mayAnswer },
          ...{ answersTaken: 0, withdrawn: false },
        };
        await keep([kept, ...(await readLinks(documentId))]);
        return link.token;
      } catch (e) {
        // Nobody could ever withdraw a link whose key is lost, or answer notes that are not there.
        await withdrawLink(link);
        setTrouble(e instanceof ServerError ? e.message : KEY_REFUSED);
        return null;
      }
    });
  const renew: Links['renew'] = async (link, { name: fileName, bytes, notes }) => {
    const renewed = await attempt(async () => {
      if (bytes.length > MOST_LINK_BYTES) {
        setTrouble(TOO_LARGE);
        return false;
      }
      await renewLink(link, fileName, bytes);
      if (link.mayAnswer) await putNotes(link, notes);
      const all = await readLinks(documentId);
      await keep(all.map((one) => (one.token === link.token ? { ...one, fileName } : one)));
      return true;
    });
    return renewed === true;
  };
  const withdraw: Links['withdraw'] = async (link) => {
    await attempt(async () => {
      try {
        await withdrawLink(link);
      } catch (e) {
        // Gone already, by expiry or from another place: that is what was wanted.
        if (!(e instanceof ServerError && (e.status === 404 || e.status === 410))) throw e;
      }
      const all = await readLinks(documentId);
      await keep(all.map((one) => (one.token === link.token ? { ...one, withdrawn: true } : one)));
    });
  };
  const made = (data ?? []).filter(({ withdrawn }) => !withdrawn);
  return { kept: data, made, attempts, trouble, make, renew, withdraw };
}
