import {
  PDFArray,
  PDFDict,
  PDFName,
  type PDFObject,
  type PDFPage,
  type PDFRef,
  PDFStream,
} from '@cantoo/pdf-lib';
import type { Box } from '../geometry/index.ts';
import { stateBalance } from './content/balance.ts';
import { pageContent } from './content/pageContent.ts';
import type { AddedRole, AddedTags } from './tags/addedTags.ts';

/** Has a page say in which colours what can be seen through is blended, where it does not (ISO 32000-1 §11.4.7). */
export function blendIn({ node, doc }: PDFPage, colours: PDFRef): void {
  const key = PDFName.of('Group');
  const group = node.lookup(key);
  if (group instanceof PDFDict && group.has(PDFName.of('CS'))) return;
  node.set(key, doc.context.obj({ Type: 'Group', S: 'Transparency', CS: colours }));
}

/** A form that is drawn over a page. */
export interface Over {
  readonly form: PDFRef;
  /** What is written in it; empty where it only shows something. */
  readonly words?: string;
  /** What that is to whoever is told the page. */
  readonly role?: AddedRole;
}

/**
 * Draws forms over the page, in order, in unchanged user space, whatever state the page's own content leaves behind. In a
 * tagged file words are added to its structure by `tags`; all else is an artifact, so that the rest reads as before.
 */
export function drawOverPage(
  page: PDFPage,
  drawn: readonly Over[],
  tags: AddedTags | null = null,
): void {
  if (drawn.length === 0) return;
  const names = addForms(
    page,
    drawn.map(({ form }) => form),
  );
  const forms = drawn.map(({ words = '', role = 'P' }, k) => {
    const is =
      tags && words !== ''
        ? `/${role} <</MCID ${tags.add(page, role, words)}>> BDC`
        : '/Artifact BMC';
    return `${is} /${names[k]} Do EMC`;
  });

  wrapContents(page, '', `q ${forms.join(' ')} Q`);
}

/** Shows nothing of the page's content beyond a box, in user space: what lies there would be seen when the page becomes larger. */
export function keepWithin(page: PDFPage, { minX, minY, maxX, maxY }: Box): void {
  const window = `q ${minX} ${minY} ${maxX - minX} ${maxY - minY} re W n `;
  if (contentsOf(page).length > 0) wrapContents(page, window, 'Q');
}

/** Puts operators before and after the page's own, which leave everything as they find it, whatever state they leave behind by themselves. */
function wrapContents(page: PDFPage, before: string, after: string): void {
  const { context } = page.doc;
  const { missingSaves, missingRestores, openSections } = stateBalance(pageContent(page));
  const opening = `${before}${'q '.repeat(missingSaves + 1)}\n`;
  const closing = `\n${'EMC '.repeat(openSections)}${'Q '.repeat(missingRestores + 1)}${after}\n`;
  const [first, last] = [opening, closing].map((text) => context.register(context.stream(text)));
  const contents = [first, ...contentsOf(page), last] as PDFRef[];
  page.node.set(PDFName.of('Contents'), context.obj(contents));
}

/** The page's content streams; null and whatever else damage leaves among them is no content. */
function contentsOf(page: PDFPage): PDFObject[] {
  const contents = page.node.get(PDFName.of('Contents'));
  const resolved = page.node.lookup(PDFName.of('Contents'));
  const parts = resolved instanceof PDFArray ? resolved.asArray() : contents ? [contents] : [];
  return parts.filter((part) => page.doc.context.lookup(part) instanceof PDFStream);
}

/** Leaves a page nothing but streams for its contents. */
export function mendContents(page: PDFPage): void {
  const resolved = page.node.lookup(PDFName.of('Contents'));
  if (!(resolved instanceof PDFArray)) return;
  const own = contentsOf(page);
  if (own.length < resolved.size())
    page.node.set(PDFName.of('Contents'), page.doc.context.obj(own as PDFRef[]));
}

/** Names the forms in resources that belong to this page alone; others may share the ones it had. */
function addForms(page: PDFPage, drawn: readonly PDFRef[]): string[] {
  const { context } = page.doc;
  const shared = page.node.Resources();
  const resources = shared instanceof PDFDict ? shared.clone(context) : context.obj({});
  const held = resources.lookup(PDFName.of('XObject'));
  const forms = held instanceof PDFDict ? held.clone(context) : context.obj({});
  let k = 1;
  const names = drawn.map((form) => {
    let name = 'Marks';
    while (forms.has(PDFName.of(name))) name = `Marks${++k}`;
    forms.set(PDFName.of(name), form);
    return name;
  });
  resources.set(PDFName.of('XObject'), forms);
  page.node.set(PDFName.of('Resources'), resources);
  return names;
}
