import { spawnSync } from 'node:child_process';
import { withFile } from './programs';

/**
 * The rules of PDF/A-2b (ISO 19005-2:2011) that what we add could break, as far as they can be read off a file's objects; the
 * clauses are told from memory. No validator is within reach, and this is none: it finds what it looks for.
 */

type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json };
type Dict = { readonly [key: string]: Json };
interface Stream {
  readonly dict: Dict;
  /** Decoded as far as qpdf can. */
  readonly data: Buffer;
}

const isDict = (value: Json | undefined): value is Dict =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

interface Told {
  readonly value?: Json;
  readonly stream?: { readonly dict: Dict; readonly data?: string };
}

/** The objects of a file and its trailer, as qpdf tells them. */
function objectsIn(path: string, how: readonly string[]): Record<string, Told> {
  const { stdout, stderr } = spawnSync('qpdf', ['--json=2', ...how, path], {
    encoding: 'utf8',
    maxBuffer: 1 << 29,
  });
  if (stdout === '') throw new Error(stderr);
  return (JSON.parse(stdout) as { qpdf: [unknown, Record<string, Told>] }).qpdf[1];
}

class File {
  private readonly objects = new Map<string, Json | Stream>();
  readonly trailer: Dict;

  constructor(path: string) {
    // Decoded, a stream does not say how it was packed: that is told where its data is not asked for.
    const packed = objectsIn(path, ['--json-stream-data=none']);
    const decoded = objectsIn(path, ['--json-stream-data=inline', '--decode-level=generalized']);
    const { trailer, ...objects } = packed;
    for (const [key, { value, stream }] of Object.entries(objects)) {
      const { data } = decoded[key].stream ?? {};
      this.objects.set(
        key.slice('obj:'.length),
        stream ? { dict: stream.dict, data: Buffer.from(data ?? '', 'base64') } : (value ?? null),
      );
    }
    this.trailer = trailer.value as Dict;
  }

  /** What a reference leads to; streams by their dictionaries. */
  at(value: Json | undefined): Json | undefined {
    if (typeof value !== 'string' || !/^\d+ \d+ R$/.test(value)) return value;
    const object = this.objects.get(value);
    return object !== undefined && isStream(object) ? object.dict : object;
  }

  dict(value: Json | undefined): Dict {
    const found = this.at(value);
    return isDict(found) ? found : {};
  }

  stream(value: Json | undefined): Stream | null {
    const object = typeof value === 'string' ? this.objects.get(value) : undefined;
    return object !== undefined && isStream(object) ? object : null;
  }

  list(value: Json | undefined): readonly Json[] {
    const found = this.at(value);
    return Array.isArray(found) ? found : [];
  }

  /** Every dictionary, those within others too. */
  *dicts(): Generator<Dict> {
    const waiting: Json[] = [...this.objects.values()].map((one) =>
      isStream(one) ? one.dict : one,
    );
    for (let one = waiting.pop(); one !== undefined; one = waiting.pop()) {
      if (Array.isArray(one)) waiting.push(...(one as readonly Json[]));
      else if (isDict(one)) {
        yield one;
        waiting.push(...Object.values(one));
      }
    }
  }

  *streams(): Generator<Stream> {
    for (const object of this.objects.values()) if (isStream(object)) yield object;
  }
}

const isStream = (object: Json | Stream): object is Stream =>
  typeof object === 'object' && object !== null && 'data' in object && Buffer.isBuffer(object.data);

const BLENDS = new Set(
  'Normal Compatible Multiply Screen Overlay Darken Lighten ColorDodge ColorBurn HardLight SoftLight Difference Exclusion Hue Saturation Color Luminosity'
    .split(' ')
    .map((name) => `/${name}`),
);
const FORBIDDEN_ACTIONS = new Set(
  'Launch Sound Movie ResetForm ImportData Hide SetOCGState Rendition Trans GoTo3DView JavaScript'
    .split(' ')
    .map((name) => `/${name}`),
);
const FORBIDDEN_ANNOTATIONS = new Set(['/3D', '/Sound', '/Screen', '/Movie']);
const [INVISIBLE, HIDDEN, PRINT, NO_VIEW] = [1, 2, 4, 32];

/** What of a file breaks the rules, in words; nothing where none is found broken. */
export const brokenRules = (bytes: Uint8Array): readonly string[] =>
  withFile(bytes, (path) => {
    const file = new File(path);
    return [
      ...new Set([
        ...ofTheFile(file, bytes),
        ...ofObjects(file),
        ...ofFonts(file),
        ...ofPages(file),
      ]),
    ];
  });

function* ofTheFile(file: File, bytes: Uint8Array): Generator<string> {
  const { trailer } = file;
  if (!trailer['/ID']) yield '6.1.3: no ID';
  if (trailer['/Encrypt']) yield '6.1.3: encrypted';
  const head = Buffer.from(bytes.subarray(0, 20)).toString('latin1');
  if (!/^%PDF-1\.[0-7]\r?\n%[\x80-\xff]{4}/.test(head)) yield '6.1.2: the header';
  const root = file.dict(trailer['/Root']);
  const metadata = file.stream(root['/Metadata']);
  const says = metadata?.data.toString('utf8') ?? '';
  if (!/pdfaid:part(>|=['"])2/.test(says)) yield '6.6.4: it does not say that it is PDF/A-2';
  if (root['/AA'] || file.dict(root['/Names'])['/JavaScript']) yield '6.5: scripts';
}

function* ofObjects(file: File): Generator<string> {
  for (const dict of file.dicts()) {
    if (dict['/Subtype'] === '/Image' && (dict['/Interpolate'] === true || dict['/Alternates']))
      yield '6.2.8: an image';
    if (dict['/Subtype'] === '/Form' && (dict['/OPI'] || dict['/PS'] || dict['/Ref']))
      yield '6.2.9: a form';
    if (dict['/TR'] || (dict['/TR2'] && dict['/TR2'] !== '/Default'))
      yield '6.2.5: a transfer function';
    if (typeof dict['/BM'] === 'string' && !BLENDS.has(dict['/BM'])) yield '6.2.10: a blend mode';
    if (typeof dict['/S'] === 'string' && FORBIDDEN_ACTIONS.has(dict['/S']) && !dict['/K'])
      yield `6.5.1: an action ${dict['/S']}`;
  }
  for (const { dict, data } of file.streams()) {
    const filters = [file.at(dict['/Filter'])].flat();
    if (filters.includes('/LZWDecode') || filters.includes('/Crypt')) yield '6.1.7: a filter';
    if (dict['/F'] !== undefined) yield '6.1.7: data elsewhere';
    if (!isContent(dict)) continue;
    let depth = 0;
    let deepest = 0;
    for (const [word] of data.toString('latin1').matchAll(/(?<=^|\s)[qQ](?=\s|$)/g))
      deepest = Math.max(deepest, (depth += word === 'q' ? 1 : -1));
    if (deepest > 28) yield '6.1.13: graphics states within each other';
  }
}

const isContent = (dict: Dict): boolean =>
  dict['/Subtype'] === '/Form' ||
  Object.keys(dict).every((key) => ['/Length', '/Filter', '/DecodeParms'].includes(key));

function* ofFonts(file: File): Generator<string> {
  for (const dict of file.dicts()) {
    if (dict['/Type'] !== '/Font' || dict['/Subtype'] === '/Type3') continue;
    const name = String(dict['/BaseFont']);
    if (dict['/Subtype'] === '/Type0') {
      const encoding = dict['/Encoding'];
      if (!file.stream(encoding) && !['/Identity-H', '/Identity-V'].includes(String(encoding)))
        yield `6.2.11.3: the encoding of ${name} is not embedded`;
      continue;
    }
    const descriptor = file.dict(dict['/FontDescriptor']);
    if (!['/FontFile', '/FontFile2', '/FontFile3'].some((key) => descriptor[key]))
      yield `6.2.11.4: ${name} is not embedded`;
    if (dict['/Subtype'] === '/CIDFontType2' && !dict['/CIDToGIDMap'])
      yield `6.2.11.3: ${name} has no map to its glyphs`;
    if (String(dict['/Subtype']).startsWith('/CIDFont') && !dict['/W'] && dict['/DW'] === undefined)
      yield `6.2.11.5: ${name} has no widths`;
  }
}

function* ofPages(file: File): Generator<string> {
  const root = file.dict(file.trailer['/Root']);
  const profiles = file
    .list(root['/OutputIntents'])
    .map((one) => file.dict(file.dict(one)['/DestOutputProfile'])['/N']);
  const intents = new Set(profiles.map(Number));
  const pages: Dict[] = [];
  const walk = (node: Dict, inherited: Dict): void => {
    const own = node['/Resources'] ? file.dict(node['/Resources']) : inherited;
    if (node['/Type'] === '/Page') pages.push({ ...node, '/Resources': own });
    for (const kid of file.list(node['/Kids'])) walk(file.dict(kid), own);
  };
  walk(file.dict(root['/Pages']), {});
  for (const page of pages) {
    yield* ofAnnotations(file, page, intents);
    const contents = [file.at(page['/Contents'])].flatMap((one) =>
      Array.isArray(one) ? one : [page['/Contents']],
    );
    const content = contents
      .map((one) => file.stream(one as Json)?.data.toString('latin1') ?? '')
      .join('\n');
    const seen: Seen = { transparent: false };
    yield* ofContent(file, content, file.dict(page['/Resources']), intents, seen, 0);
    if (seen.transparent && intents.size === 0 && !file.dict(page['/Group'])['/CS'])
      yield '6.2.10: transparency on a page that does not say in which colours it is blended';
  }
}

interface Seen {
  transparent: boolean;
}

function* ofContent(
  file: File,
  content: string,
  resources: Dict,
  intents: ReadonlySet<number>,
  seen: Seen,
  depth: number,
): Generator<string> {
  const spaces = file.dict(resources['/ColorSpace']);
  const may = (n: 1 | 3 | 4): boolean =>
    n === 1
      ? intents.size > 0 || spaces['/DefaultGray'] !== undefined
      : intents.has(n) || spaces[n === 3 ? '/DefaultRGB' : '/DefaultCMYK'] !== undefined;
  // Numbers before a word of one or two letters: no text looks so.
  const uses = (words: string): boolean =>
    new RegExp(`(?:^|\\s)(?:${words})(?=\\s|$)`).test(
      content.replace(/\((?:\\.|[^()\\])*\)|<[0-9a-fA-F\s]*>/g, ''),
    );
  if (uses('rg|RG|/DeviceRGB cs|/DeviceRGB CS') && !may(3)) yield '6.2.4.3: DeviceRGB';
  if (uses('k|K|/DeviceCMYK cs|/DeviceCMYK CS') && !may(4)) yield '6.2.4.3: DeviceCMYK';
  if (uses('g|G|/DeviceGray cs|/DeviceGray CS') && !may(1)) yield '6.2.4.3: DeviceGray';
  for (const state of Object.values(file.dict(resources['/ExtGState']))) {
    const {
      '/ca': ca = 1,
      '/CA': CA = 1,
      '/BM': blend = '/Normal',
      '/SMask': mask = '/None',
    } = file.dict(state);
    if (
      Number(ca) < 1 ||
      Number(CA) < 1 ||
      mask !== '/None' ||
      !['/Normal', '/Compatible'].includes(String(blend))
    )
      seen.transparent = true;
  }
  if (depth > 12) return;
  for (const one of Object.values(file.dict(resources['/XObject']))) {
    const stream = file.stream(one);
    if (!stream) continue;
    const { dict } = stream;
    if (dict['/Subtype'] === '/Image') {
      const space = file.at(dict['/ColorSpace']);
      if (dict['/SMask']) seen.transparent = true;
      if (space === '/DeviceRGB' && !may(3)) yield '6.2.4.3: a picture in DeviceRGB';
      if (space === '/DeviceCMYK' && !may(4)) yield '6.2.4.3: a picture in DeviceCMYK';
      if (space === '/DeviceGray' && !dict['/ImageMask'] && !may(1))
        yield '6.2.4.3: a picture in DeviceGray';
      continue;
    }
    const group = file.dict(dict['/Group']);
    if (group['/S'] === '/Transparency') {
      seen.transparent = true;
      const own = file.dict(file.dict(dict['/Resources'])['/ColorSpace']);
      if (file.at(group['/CS']) === '/DeviceRGB' && !intents.has(3) && !own['/DefaultRGB'])
        yield '6.2.10: a group in DeviceRGB';
    }
    const within = dict['/Resources'] ? file.dict(dict['/Resources']) : resources;
    yield* ofContent(file, stream.data.toString('latin1'), within, intents, seen, depth + 1);
  }
}

function* ofAnnotations(file: File, page: Dict, intents: ReadonlySet<number>): Generator<string> {
  for (const one of file.list(page['/Annots'])) {
    const annotation = file.dict(one);
    const kind = String(annotation['/Subtype']);
    const flags = Number(annotation['/F'] ?? 0);
    if (FORBIDDEN_ANNOTATIONS.has(kind)) yield `6.3.1: an annotation ${kind}`;
    if (kind === '/Popup') continue;
    if ((flags & PRINT) === 0 || (flags & (INVISIBLE | HIDDEN | NO_VIEW)) !== 0)
      yield `6.3.2: the flags of ${kind}`;
    const rectangle = file.list(annotation['/Rect']).map(Number);
    const isEmpty = rectangle[0] === rectangle[2] && rectangle[1] === rectangle[3];
    const appearance = file.dict(annotation['/AP']);
    if (kind !== '/Link' && !isEmpty && !appearance['/N']) yield `6.3.3: no appearance of ${kind}`;
    if (appearance['/D'] || appearance['/R']) yield `6.3.3: more than one appearance of ${kind}`;
    const drawn = file.stream(appearance['/N']);
    if (!drawn) continue;
    const seen: Seen = { transparent: false };
    yield* ofContent(
      file,
      drawn.data.toString('latin1'),
      file.dict(drawn.dict['/Resources']),
      intents,
      seen,
      1,
    );
    if (seen.transparent && intents.size === 0 && !file.dict(page['/Group'])['/CS'])
      yield '6.2.10: a transparent annotation on a page that does not say in which colours it is blended';
  }
}
