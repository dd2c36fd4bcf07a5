import { useState } from 'react';
import { useSession } from '@/session';
import type { KeptLink, Sent } from '@/storage';
import { download } from '@/ui';
import { startWork } from '@/work';
import type { Asked } from './asked';
import { copyName, picturesName } from './fileName';
import { mailByServer, mailFile } from './mail';
import type { MailTerms } from './mailTerms';
import { noteSent } from './noteSent';
import { notesFile } from './notesFile';
import { notesForGuests } from './notesForGuests';
import { copyPicture, type Handing, type SystemWays } from './system';
import type { Part } from './useAsked';
import type { MadeCopy } from './useCopy';
import type { Links, LinkTerms } from './useLinks';
import { useNaming } from './useNaming';

/** How something leaves, and what it says on its way. */
export interface Way {
  readonly how: Asked['how'];
  readonly link: LinkTerms;
  readonly mail: MailTerms;
  readonly system: SystemWays;
}

export interface Leaving {
  /** What was done last, or what went wrong with it, in words. */
  readonly told: { readonly text: string; readonly isTrouble: boolean } | null;
  readonly isLeaving: boolean;
  forgetTold(): void;
  notes(part: Part, as: 'markdown' | 'table'): Promise<void>;
  /** A copy, by the way that is asked for, or under a link that is there. */
  copy(made: MadeCopy, part: Part, under: KeptLink | null): Promise<void>;
}

const NOT_WRITTEN_DOWN =
  'It has left, but the browser’s storage is full: the list of what was sent does not have it.';

/** Lets what was made leave, and writes down that it has. `pages` says which of its pages, empty for all. */
export function useLeaving(
  pages: string,
  {
    as,
    notes,
    picture,
    perSheet,
    room,
  }: Pick<Asked, 'as' | 'notes' | 'picture' | 'perSheet' | 'room'>,
  links: Links,
  { how, link, mail, system }: Way,
): Leaving {
  const { id, title } = useSession().desk;
  const naming = useNaming(pages);
  const [told, setTold] = useState<Leaving['told']>(null);
  const [isLeaving, setLeaving] = useState(false);

  /** Says what was done, and writes it down. */
  const left = async (
    fileName: string,
    text: string | null,
    by: Sent['how'] = how,
    token: string | null = null,
  ): Promise<void> => {
    if (text !== null) setTold({ text, isTrouble: false });
    const kept = await noteSent({ documentId: id, title, fileName, as, how: by, token });
    if (!kept) setTold({ text: NOT_WRITTEN_DOWN, isTrouble: true });
  };
  const failed = (text: string): void => setTold({ text, isTrouble: true });

  const mailed = async (file: File): Promise<void> => {
    if (mail.by === 'server') {
      const trouble = await mailByServer(mail, file);
      return trouble ? failed(trouble) : left(file.name, 'The e-mail is sent.');
    }
    const made = await mailFile(mail, file);
    if (typeof made === 'string') return failed(made);
    download(made);
    return left(file.name, 'Downloaded. Your mail program opens it.');
  };
  /** The system says itself what it does; of what stands in it is said here. */
  const handed = async (to: Handing, file: File, done: string): Promise<void> => {
    const { left: hasLeft, trouble } = await to.hand(file);
    if (trouble) failed(trouble);
    if (hasLeft) await left(file.name, to.shownAt === null ? null : done);
  };
  const byFile = async (file: File): Promise<void> => {
    if (how === 'mail') return mailed(file);
    if (how === 'share' && system.share) return handed(system.share, file, 'Shared.');
    download(file);
    return left(file.name, 'Downloaded.');
  };
  const printed = async (name: string, bytes: Uint8Array): Promise<void> => {
    let sheets = bytes;
    if (perSheet > 1 || room) {
      const put = await startWork('sheets', { bytes, plan: { perSheet, room } }).result;
      if (!put.ok) return put.failure.kind === 'stopped' ? undefined : failed(put.failure.message);
      sheets = put.value;
    }
    const file = pdfFile(name, sheets);
    return system.print ? handed(system.print, file, 'Printed.') : byFile(file);
  };
  const pictured = async (count: number, pictures: Blob): Promise<void> => {
    const name = picturesName(naming, count, picture);
    if (how !== 'clipboard') return byFile(new File([pictures], name, { type: pictures.type }));
    const trouble = await copyPicture(pictures);
    return trouble ? failed(trouble) : left(name, 'Copied.');
  };
  const copied = async (
    { copy, pictures }: MadeCopy,
    part: Part,
    under: KeptLink | null,
  ): Promise<void> => {
    if (pictures) return pictured(copy.pages, pictures);
    const name = copyName(naming, as === 'living' ? as : 'fixed');
    // What was left out of the copy is not told beside it either.
    const told = as === 'living' || notes !== 'none' ? notesForGuests(part) : [];
    const file = { name, bytes: copy.bytes, notes: told };
    if (under) {
      if (!(await links.renew(under, file))) return;
      return left(name, 'The link leads to this copy now.', 'renewed', under.token);
    }
    if (how === 'print') return printed(name, copy.bytes);
    if (how === 'link') {
      const token = await links.make(file, {
        ...link,
        mayAnswer: link.mayAnswer && told.length > 0,
      });
      return token === null ? undefined : left(name, null, 'link', token);
    }
    return byFile(pdfFile(name, copy.bytes));
  };
  const whileLeaving = (work: Promise<void>): Promise<void> => {
    setLeaving(true);
    return work.finally(() => setLeaving(false));
  };
  return {
    told,
    isLeaving,
    forgetTold: () => setTold(null),
    notes: (part, kind) =>
      whileLeaving(byFile(notesFile(part.document, part.names, naming, kind).file)),
    copy: (made, part, under) => whileLeaving(copied(made, part, under)),
  };
}

const pdfFile = (name: string, bytes: Uint8Array): File =>
  new File([bytes as Uint8Array<ArrayBuffer>], name, { type: 'application/pdf' });
