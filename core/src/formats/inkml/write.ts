import { type DocState, inOrder, marksOn, type Page } from '../../document/index.ts';
import { displayMatrix } from '../../geometry/index.ts';
import type { InkSample } from '../../ink/index.ts';
import { asInk, type InkMark, leftSamples } from '../../kinds/index.ts';
import { escapeXml } from '../../xml/index.ts';
import { INKML, OWN } from './names.ts';

const decimals = (v: number, count: number): string => String(Number(v.toFixed(count)));

/** Channels and their units; tilt only where the pen told it. */
const format = (id: string, tilted: boolean): string => `    <inkSource xml:id="${id}">
      <traceFormat>
        <channel name="X" type="decimal" units="pt"/>
        <channel name="Y" type="decimal" units="pt"/>
        <channel name="T" type="integer" units="ms"/>
        <channel name="F" type="decimal" min="0" max="1"/>${
          tilted
            ? `
        <channel name="OTx" type="integer" units="deg"/>
        <channel name="OTy" type="integer" units="deg"/>`
            : ''
        }
      </traceFormat>
    </inkSource>`;

const isTilted = (samples: readonly InkSample[]): boolean =>
  samples.some((s) => s.tiltX !== undefined);

function brush(id: string, { style, tool, ink }: InkMark): string {
  const { nib } = ink;
  const property = (name: string, value: string | number, units = ''): string =>
    `\n      <brushProperty name="${name}" value="${value}"${units && ` units="${units}"`}/>`;
  const edge = nib.edge
    ? property('tip', 'rectangle') +
      property(`${OWN}edge-angle`, nib.edge.angle) +
      property(`${OWN}edge-flatness`, nib.edge.flatness)
    : property('tip', 'ellipse');
  return `    <brush xml:id="${id}">${property('width', style.width, 'pt')}${property('color', style.colour)}${property(
    'transparency',
    1 - style.opacity,
  )}${tool === 'highlighter' ? property('rasterOp', 'maskPen') : ''}${edge}${property(
    `${OWN}opacity`,
    style.opacity,
  )}${property(`${OWN}steadiness`, ink.steadiness)}${property(`${OWN}thinning`, nib.thinning)}${property(
    `${OWN}response`,
    nib.response,
  )}${property(`${OWN}tilt-widening`, nib.tiltWidening)}${property(`${OWN}grain`, nib.grain)}${property(`${OWN}taper`, nib.taper)}${property(
    `${OWN}straight`,
    ink.straight ? 1 : 0,
  )}
    </brush>`;
}

/** A trace for each run that is left of a stroke. */
function tracesOf(mark: InkMark, page: number, brushId: string): string[] {
  const ids = (k: number): string => `trace-${mark.id}${k === 0 ? '' : `-${k + 1}`}`;
  return leftSamples(mark).map((samples, k) => trace(samples, ids(k), page, brushId));
}

function trace(samples: readonly InkSample[], id: string, page: number, brushId: string): string {
  const tilted = isTilted(samples);
  const points = samples.map((s) => {
    const row = [decimals(s.x, 2), decimals(s.y, 2), Math.round(s.t), decimals(s.pressure, 4)];
    if (tilted) row.push(Math.round(s.tiltX ?? 0), Math.round(s.tiltY ?? 0));
    return row.join(' ');
  });
  const context = `page-${page}${tilted ? '-tilted' : ''}`;
  return `  <trace xml:id="${escapeXml(id)}" contextRef="#${context}" brushRef="#${brushId}">${points.join(
    ', ',
  )}</trace>`;
}

/** From user space to the page as it lies before the reader, y down: rows of an affine mapping. */
function mapping(page: Page, id: string): string {
  const [a, b, c, d, e, f] = displayMatrix(page, 1);
  return `    <canvasTransform xml:id="${id}">
      <mapping type="affine"><affine>${a} ${c} ${e}, ${b} ${d} ${f}</affine></mapping>
    </canvasTransform>`;
}

/**
 * The ink of a document as InkML: one context a page, whose canvas transform leads from PDF user space (points,
 * y up) to the page as it is seen; a brush for each style; every stroke a trace with the samples as written.
 */
export function writeInkml(state: DocState, title: string): string {
  const definitions: string[] = [
    format('pen', false),
    format('stylus', true),
    '    <canvas xml:id="paper">\n      <traceFormat>\n        <channel name="X" type="decimal" units="pt"/>\n        <channel name="Y" type="decimal" units="pt"/>\n      </traceFormat>\n    </canvas>',
  ];
  const brushes = new Map<string, string>();
  const traces: string[] = [];
  state.pages.forEach((page, index) => {
    const marks = inOrder(marksOn(state, page.id)).flatMap((mark) => asInk(mark) ?? []);
    if (marks.length === 0) return;
    const number = index + 1;
    definitions.push(mapping(page, `turn-${number}`));
    for (const [suffix, source] of [
      ['', 'pen'],
      ['-tilted', 'stylus'],
    ])
      definitions.push(
        `    <context xml:id="page-${number}${suffix}" inkSourceRef="#${source}" canvasRef="#paper" canvasTransformRef="#turn-${number}"/>`,
      );
    for (const mark of marks) {
      const { steadiness, nib, straight } = mark.ink;
      const key = JSON.stringify([mark.style, mark.tool, steadiness, nib, straight]);
      let id = brushes.get(key);
      if (!id) {
        brushes.set(key, (id = `brush-${brushes.size + 1}`));
        definitions.push(brush(id, mark));
      }
      traces.push(...tracesOf(mark, number, id));
    }
  });
  return `<?xml version="1.0" encoding="UTF-8"?>
<ink xmlns="${INKML}">
  <annotation type="title">${escapeXml(title)}</annotation>
  <definitions>
${definitions.join('\n')}
  </definitions>
${traces.join('\n')}
</ink>
`;
}
