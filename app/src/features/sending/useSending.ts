import type { ProvedPage } from '@marginalis/core/proof';
import { useEffect, useRef } from 'react';
import type { Protection } from '@marginalis/core/pdf';
import type { KeptLink } from '@/storage';
import { type Asked, dpiOf, isCopy } from './asked';
import type { Part } from './useAsked';
import { type CopyState, type MadeCopy, useCopy } from './useCopy';
import { type Leaving, useLeaving, type Way } from './useLeaving';
import type { Links } from './useLinks';

export interface Sending extends Pick<Leaving, 'told' | 'isLeaving'> {
  readonly state: CopyState;
  /** There is nothing to send. */
  readonly isNothing: boolean;
  /** Its proof says that it is not as it ought to be: it leaves only when it is asked for once more. */
  readonly isDoubtful: boolean;
  /** The first pages that are not. */
  readonly wrong: readonly ProvedPage[];
  send(): void;
  /** Puts what is asked for under a link that is there. */
  renew(link: KeptLink): void;
  stop(): void;
}

const isDoubtful = ({ proved }: MadeCopy): boolean => proved.proof?.alike === false;

/** Makes what is asked for, once, proves it, and lets it leave. What was made stays while the same is asked for. */
export function useSending(
  part: Part | null,
  asked: Asked,
  protection: Protection | null,
  links: Links,
  way: Way,
): Sending {
  const { state, make, stop } = useCopy();
  const { as, picture, dpi } = asked;
  // Signs of notes would lie on a part, or its page be wider.
  const notes = asked.what === 'region' ? 'none' : asked.notes;
  const smaller = dpiOf(asked, way.how);
  const leaving = useLeaving(part?.inName ?? '', asked, links, way);
  /** What is asked for while its copy is made; null where none is. */
  const sent = useRef<string | null>(null);
  /** The link that is to lead to the copy; null where a copy leaves another way. */
  const under = useRef<KeptLink | null>(null);
  const locked = protection && JSON.stringify({ ...protection, ownerPassword: null });
  const { what, typed, authors, withoutCut } = asked;
  const question = [
    as,
    notes,
    picture,
    dpi,
    what,
    typed,
    smaller,
    authors,
    withoutCut,
    locked,
  ].join(' ');
  const sendIt = async (): Promise<void> => {
    if (!part) return;
    leaving.forgetTold();
    if (!isCopy(as)) return leaving.notes(part, as);
    if (state.phase === 'made') return leaving.copy(state, part, under.current);
    sent.current = question;
    const made = await make({
      ...{ part, notes, as, protection, smaller, withoutCut },
      ...(as === 'pictures' ? { pictures: { picture, dpi } } : {}),
    });
    // Stopped by a change of the document it goes on below.
    if (made === 'stopped') return;
    sent.current = null;
    if (made !== 'failed' && !isDoubtful(made)) await leaving.copy(made, part, under.current);
  };
  const latest = useRef({ sendIt, forgetTold: leaving.forgetTold });
  useEffect(() => {
    latest.current = { sendIt, forgetTold: leaving.forgetTold };
  });
  useEffect(() => {
    // The document has changed while the copy was made: it is made of what it is now.
    if (sent.current === question) void latest.current.sendIt();
    return () => {
      // Something else is asked for: what was made is not it.
      latest.current.forgetTold();
      stop();
    };
  }, [part, question, stop]);
  // What was said is said of the way out that was chosen then.
  useEffect(() => () => latest.current.forgetTold(), [way.how, way.mail.by]);
  return {
    state,
    told: leaving.told,
    isLeaving: leaving.isLeaving,
    isNothing: !isCopy(as) && part?.document.threads.size === 0,
    isDoubtful: state.phase === 'made' && isDoubtful(state),
    wrong: state.phase === 'made' && state.proved.proof ? state.proved.wrong : [],
    send() {
      under.current = null;
      void sendIt();
    },
    renew(link) {
      under.current = link;
      void sendIt();
    },
    stop() {
      sent.current = null;
      stop();
    },
  };
}
