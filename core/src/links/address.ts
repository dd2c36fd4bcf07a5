import { LONGEST_ADDRESS } from '../document/index.ts';

/** What somebody typed as an address: one that can be opened, or why it cannot. */
export type ReadAddress =
  | { readonly ok: true; readonly address: string }
  | { readonly ok: false; readonly why: 'empty' | 'scheme' | 'damaged'; readonly scheme: string };

const MAIL = /^[^\s@<>()",;:]+@[^\s@<>()",;:]+\.[^\s@<>()",;:.]+$/;
const SCHEME = /^([a-z][a-z0-9+.-]*):/i;
/** A host and its port look like a scheme: `tide.example:8080`. */
const HOST_AND_PORT = /^[a-z0-9.-]+:\d{1,5}(\/|\?|#|$)/i;
const WEB = /^https?:$/;

/** An address as it is typed: of the web, with or without its scheme, or of somebody who gets mail. Others are never opened from a document. */
export function readAddress(typed: string): ReadAddress {
  const said = typed.trim();
  const refused = (why: 'empty' | 'damaged'): ReadAddress => ({ ok: false, why, scheme: '' });
  if (said === '') return refused('empty');
  if (said.length > LONGEST_ADDRESS || /[\s\p{Cc}]/u.test(said)) return refused('damaged');
  if (MAIL.test(said)) return { ok: true, address: `mailto:${said}` };
  const scheme = HOST_AND_PORT.test(said) ? undefined : SCHEME.exec(said)?.[1].toLowerCase();
  if (scheme === undefined) return webAddress(`https://${said.replace(/^\/\//, '')}`);
  if (scheme === 'mailto') {
    const to = said.slice('mailto:'.length).split('?')[0];
    return MAIL.test(to) ? { ok: true, address: `mailto:${said.slice(7)}` } : refused('damaged');
  }
  if (scheme === 'http' || scheme === 'https') return webAddress(said);
  return { ok: false, why: 'scheme', scheme };
}

/** What is no address names no host. The parts of one: RFC 3986, appendix B. */
const PARTS = /^(https?:)\/\/(?:[^/?#@]*@)?([^/?#:]+|\[[0-9a-f:.]+\])(:\d{1,5})?(?=[/?#]|$)/i;

function webAddress(address: string): ReadAddress {
  const [, scheme, host] = PARTS.exec(address) ?? [];
  const isHost = host !== undefined && /^(\[.*\]|localhost|[^.]+(\.[^.]+)+)$/.test(host);
  return isHost && WEB.test(scheme.toLowerCase())
    ? { ok: true, address }
    : { ok: false, why: 'damaged', scheme: '' };
}
