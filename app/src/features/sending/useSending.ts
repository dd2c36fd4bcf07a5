import type { ProvedPage } from '@marginalis/core/proof';
import { useEffect, useRef, useState } from 'react';
import { useSession } from '@/session';
import { type Asked, howOf, isCopy } from './asked';
import { copyFileName, picturesFileName } from './fileName';
import { notesFile } from './notesFile';
import type { Part } from './useAsked';
import { type CopyState, type MadeCopy, useCopy } from './useCopy';
import type { LinkLife, Links } from './useLinks';
import { copyPicture, download, share } from './waysOut';

export interface Sending {
  readonly state: CopyState;
  /** What was done last, or what went wrong with it, in words. */
  readonly told: { readonly text: string; readonly isTrouble: boolean } | null;
  /** There is nothing to send. */
  readonly isNothing: boolean;
  /** Its proof says that it is not as it ought to be: it leaves only when it is asked for once more. */
  readonly isDoubtful: boolean;
  /** The first pages that are not. */
  readonly wrong: readonly ProvedPage[];
  send(): void;
  stop(): void;
}

const isDoubtful = ({ proved }: MadeCopy): boolean => proved.proof?.alike === false;

/** Makes what is asked for, once, proves it, and lets it leave. What was made stays while the same is asked for. */
export function useSending(part: Part | null, asked: Asked, links: Links, days: LinkLife): Sending {
  const { title } = useSession().desk;
  const { state, make, stop } = useCopy();
  const [told, setTold] = useState<Sending['told']>(null);
  const { as, notes, picture, dpi } = asked;
  /** What is asked for while its copy is made; null where none is. */
  const sent = useRef<string | null>(null);
  const how = howOf(asked, part?.document.pages.length ?? 0);
  const tell = (text: string, isTrouble = false): void => setTold({ text, isTrouble });

  const leave = async (file: File): Promise<void> => {
    if (how === 'share') {
      const trouble = await share(file);
      if (trouble) tell(trouble, true);
      return;
    }
    download(file);
    tell('Downloaded.');
  };
  const leavePictures = async (copy: MadeCopy['copy'], pictures: Blob): Promise<void> => {
    if (how === 'clipboard') {
      const trouble = await copyPicture(pictures);
      return trouble ? tell(trouble, true) : tell('Copied.');
    }
    const name = picturesFileName(title, part?.inName ?? '', copy.pages, picture);
    return leave(new File([pictures], name, { type: pictures.type }));
  };
  const leaveCopy = async ({ copy, pictures }: MadeCopy): Promise<void> => {
    if (pictures) return leavePictures(copy, pictures);
    const name = copyFileName(title, part?.inName, as === 'living' ? as : 'fixed');
    if (how === 'link') return links.make({ name, bytes: copy.bytes }, days);
    const bytes = copy.bytes as Uint8Array<ArrayBuffer>;
    return leave(new File([bytes], name, { type: 'application/pdf' }));
  };
  const question = [as, notes, picture, dpi, asked.what, asked.typed].join(' ');
  const sendIt = async (): Promise<void> => {
    if (!part) return;
    setTold(null);
    if (!isCopy(as))
      return leave(notesFile(part.document, part.names, { title, pages: part.inName, as }).file);
    if (state.phase === 'made') return leaveCopy(state);
    sent.current = question;
    const made = await make({
      ...{ part, notes, as },
      ...(as === 'pictures' ? { pictures: { picture, dpi } } : {}),
    });
    // Stopped by a change of the document it goes on below.
    if (made === 'stopped') return;
    sent.current = null;
    if (made !== 'failed' && !isDoubtful(made)) await leaveCopy(made);
  };
  const latest = useRef(sendIt);
  useEffect(() => {
    latest.current = sendIt;
  });
  useEffect(() => {
    // The document has changed while the copy was made: it is made of what it is now.
    if (sent.current === question) void latest.current();
    return () => {
      // Something else is asked for: what was made is not it.
      setTold(null);
      stop();
    };
  }, [part, question, stop]);
  return {
    state,
    told,
    isNothing: !isCopy(as) && part?.document.threads.size === 0,
    isDoubtful: state.phase === 'made' && isDoubtful(state),
    wrong: state.phase === 'made' && state.proved.proof ? state.proved.wrong : [],
    send: () => void sendIt(),
    stop() {
      sent.current = null;
      stop();
    },
  };
}
