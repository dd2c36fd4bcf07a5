import { type DocState, inOrder, marksOn } from '../../document/index.ts';
import { asField, kindFor } from '../../kinds/index.ts';
import type { Element as XmlElement } from '@xmldom/xmldom';
import { elementsOf, escapeXml } from '../../xml/index.ts';

/** What is filled into the form, each field once (ISO 19444-1, fields); nothing where nothing is. */
export function fieldsOf(state: DocState): string {
  const values = new Map<string, readonly string[]>();
  for (const { id } of state.pages)
    for (const mark of inOrder(marksOn(state, id))) {
      const sketch = kindFor(mark).annotation(mark);
      // What was typed as a password stands in no file.
      if (sketch.subtype !== 'Widget' || asField(mark)?.letters?.secret) continue;
      // Of places of one field that exclude each other one is switched on.
      if ((values.get(sketch.field) ?? []).length === 0) values.set(sketch.field, sketch.value);
    }
  if (values.size === 0) return '';
  return `  <fields>\n${fieldElements(treeOf(values), '    ')}  </fields>\n`;
}

interface FieldTree {
  value?: readonly string[];
  readonly kids: Map<string, FieldTree>;
}

/** Full names are those of the fields around a field and its own, with points between. */
function treeOf(values: ReadonlyMap<string, readonly string[]>): FieldTree {
  const root: FieldTree = { kids: new Map() };
  for (const [name, value] of values) {
    let at = root;
    for (const part of name.split('.')) {
      let next = at.kids.get(part);
      if (!next) at.kids.set(part, (next = { kids: new Map() }));
      at = next;
    }
    at.value = value;
  }
  return root;
}

const fieldElements = ({ kids }: FieldTree, indent: string): string =>
  [...kids]
    .map(([name, tree]) => {
      const values = (tree.value ?? []).map((one) => `<value>${escapeXml(one)}</value>`).join('');
      const within = tree.kids.size > 0 ? `\n${fieldElements(tree, `${indent}  `)}${indent}` : '';
      const own = tree.value?.length === 0 ? '<value></value>' : values;
      return `${indent}<field name="${escapeXml(name)}">${own}${within}</field>\n`;
    })
    .join('');

/** Fields within fields that are read, and fields in all; more is made to harm. */
const DEEPEST = 32;
const MOST = 20_000;

/** What an open XFDF file has in fields of a form, by their full names. */
export function readFields(root: XmlElement): ReadonlyMap<string, readonly string[]> {
  const values = new Map<string, readonly string[]>();
  const read = (parent: XmlElement, around: string, depth: number): void => {
    for (const field of childrenOf(parent, 'field')) {
      const own = field.getAttribute('name') ?? '';
      const name = around === '' ? own : `${around}.${own}`;
      if (own === '' || depth > DEEPEST || values.size >= MOST) continue;
      const texts = childrenOf(field, 'value').map((one) => one.textContent ?? '');
      if (texts.length > 0)
        values.set(
          name,
          texts.filter((text) => text !== '' && text !== 'Off'),
        );
      read(field, name, depth + 1);
    }
  };
  for (const fields of elementsOf(root, 'fields')) read(fields, '', 0);
  return values;
}

const childrenOf = ({ childNodes }: XmlElement, name: string): XmlElement[] =>
  ([...(childNodes as Iterable<unknown>)] as XmlElement[]).filter(
    ({ localName }) => localName === name,
  );
