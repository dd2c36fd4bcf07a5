import type { Element as XmlElement, Node as XmlNode } from '@xmldom/xmldom';
import {
  type Box,
  drawPathInto,
  joinPaths,
  mapPath,
  mapSize,
  type Matrix,
  partsOfPath,
  type Path,
  PathPacker,
  transform as transformed,
} from '../geometry/index.ts';
import { openXml, XmlError } from '../xml/index.ts';
import { cutToSeen, FLATNESS } from './cutToSeen.ts';
import {
  type Graphic,
  GRAPHIC_UNITS,
  type GraphicPiece,
  MOST_COORDS,
  MOST_PIECES,
} from './graphic.ts';
import { NotSimple } from './notSimple.ts';
import { strokeOutline } from './strokeOutline.ts';
import { svgPath } from './svgPath.ts';
import { shapeData } from './svgShapes.ts';
import { FIRST_STYLE, paintOf, saysOf, shareOf, styleWithin, type SvgStyle } from './svgStyle.ts';

/** Characters of a drawing that is read; larger ones are drawn as pictures. */
const MOST_CHARACTERS = 2_000_000;
/** Groups that lie in one another. */
const DEEPEST = 60;
/** The sides of what is seen. */
const SEEN: Box = { minX: 0, minY: 0, maxX: GRAPHIC_UNITS, maxY: GRAPHIC_UNITS };

const SVG = 'http://www.w3.org/2000/svg';
/** What says something about a drawing and is not seen. */
const UNSEEN = new Set(['title', 'desc', 'metadata', 'defs', 'script']);

/** What a simple drawing is, and what it says of itself. */
export interface ReadSvg {
  readonly graphic: Graphic;
  /** Its title, or what it says that is to be seen; empty where it says nothing. */
  readonly says: string;
}

/**
 * Reads an SVG drawing that is simple: paths and basic shapes, filled and drawn with colours. Nothing runs and nothing is fetched: what is not understood makes it a drawing that is not simple.
 * @param size as it is to be seen, in any measure
 * @throws NotSimple
 */
export function readSvg(
  text: string,
  size: { readonly width: number; readonly height: number },
): ReadSvg {
  if (text.length > MOST_CHARACTERS) throw new NotSimple('more characters than are read');
  const root = rootOf(text);
  if (root.localName !== 'svg' || root.namespaceURI !== SVG) throw new NotSimple('no SVG in it');
  const reading = new Reading();
  const style = styleWithin(saysOf(root), FIRST_STYLE);
  reading.within(root, { style, transform: windowOf(root, size), deep: 0 });
  if (reading.pieces.length === 0) throw new NotSimple('nothing to be seen');
  return { graphic: reading.pieces, says: saidOf(root) };
}

function rootOf(text: string): XmlElement {
  // What drawing programs write before it names no entities, and is no part of the drawing.
  const bare = text.replace(/<!DOCTYPE[^>[]*>/i, '');
  try {
    return openXml(bare);
  } catch (e) {
    if (e instanceof XmlError) throw new NotSimple('XML that cannot be read');
    throw e;
  }
}

const childrenOf = (element: XmlElement): XmlElement[] =>
  [...(element.childNodes as Iterable<XmlNode>)].filter(
    (node): node is XmlElement => node.nodeType === 1,
  );

function saidOf(root: XmlElement): string {
  const told = (name: string): string =>
    childrenOf(root)
      .find(({ localName }) => localName === name)
      ?.textContent?.replace(/\s+/g, ' ')
      .trim() ?? '';
  return told('title') || told('desc');
}

/** What carries the drawing's own space to its square, y up (SVG 2, §8.2: the whole of it in the middle). */
function windowOf(
  root: XmlElement,
  size: { readonly width: number; readonly height: number },
): string {
  const box = (root.getAttribute('viewBox') ?? '').trim();
  const [minX, minY, width, height] = box
    ? box.split(/[\s,]+/).map(Number)
    : [0, 0, size.width, size.height];
  if (![minX, minY].every(Number.isFinite) || !(width > 0 && height > 0))
    throw new NotSimple('no size');
  const how = root.getAttribute('preserveAspectRatio')?.trim() ?? '';
  if (how !== '' && how !== 'none' && !/^xMidYMid(\s+meet)?$/.test(how))
    throw new NotSimple('a window of its own');
  const [across, down] = [size.width / width, size.height / height];
  const least = Math.min(across, down);
  const [sx, sy] = how === 'none' ? [across, down] : [least, least];
  const [left, top] = [(size.width - sx * width) / 2, (size.height - sy * height) / 2];
  const [toX, toY] = [GRAPHIC_UNITS / size.width, GRAPHIC_UNITS / size.height];
  return `translate(0,${GRAPHIC_UNITS}) scale(${toX},${-toY}) translate(${left},${top}) scale(${sx},${sy}) translate(${-minX},${-minY})`;
}

interface Around {
  readonly style: SvgStyle;
  readonly transform: string;
  readonly deep: number;
}

class Reading {
  readonly pieces: GraphicPiece[] = [];
  private coords = 0;

  within(element: XmlElement, around: Around): void {
    if (around.deep > DEEPEST) throw new NotSimple('groups that lie too deep');
    for (const child of childrenOf(element)) this.add(child, around);
  }

  private add(element: XmlElement, { style: outer, transform: to, deep }: Around): void {
    // Programs keep what is theirs in spaces of their own.
    if (element.namespaceURI !== SVG) return;
    const name = element.localName ?? '';
    if (UNSEEN.has(name)) return;
    const says = saysOf(element);
    if (says('display') === 'none') return;
    const style = styleWithin(says, outer);
    const transform = `${to} ${element.getAttribute('transform') ?? ''}`;
    const before = this.pieces.length;
    if (name === 'g' || name === 'a') this.within(element, { style, transform, deep: deep + 1 });
    else {
      const data = shapeData(name, element);
      if (data === null) throw new NotSimple(`“${name}”`);
      if (style.visibility === 'visible') this.draw(data, transform, style);
    }
    this.fade(before, shareOf(says('opacity'), 1));
  }

  private draw(data: string, transform: string, style: SvgStyle): void {
    const fill = paintOf(style.fill, style.color);
    if (fill) {
      const path = svgPath(data, transform);
      // Every sink fills what lies on one side of a line; with this rule holes are made by lines over one another.
      if (style.fillRule === 'evenodd' && partsOfPath(path).length > 1)
        throw new NotSimple('holes by the even-odd rule');
      this.put(path, fill.colour, fill.opacity * style.fillOpacity);
    }
    const stroke = paintOf(style.stroke, style.color);
    if (stroke && style.width > 0)
      this.put(
        linePath(data, transform, style),
        stroke.colour,
        stroke.opacity * style.strokeOpacity,
      );
  }

  private put(whole: Path, colour: string, opacity: number): void {
    const path = opacity === 0 ? null : cutToSeen(whole, SEEN);
    if (!path) return;
    const packer = new PathPacker((x, y) => {
      if ((this.coords += 2) > MOST_COORDS) throw new NotSimple('more outlines than can be kept');
      return [Math.round(x), Math.round(y)];
    });
    drawPathInto(packer, path);
    this.pieces.push({ ...packer.packed(), colour, opacity });
    if (this.pieces.length > MOST_PIECES) throw new NotSimple('more pieces than can be kept');
  }

  /** What was put since then is seen through as one. */
  private fade(since: number, opacity: number): void {
    if (opacity === 1) return;
    if (opacity === 0) this.pieces.length = since;
    if (this.pieces.length > since + 1) throw new NotSimple('a group that is seen through');
    if (this.pieces.length > since) {
      const last = this.pieces[since];
      this.pieces[since] = { ...last, opacity: last.opacity * opacity };
    }
  }
}

/** What a line covers: worked out where it is drawn, so that it is as wide as what is done to it makes it. */
function linePath(data: string, transform: string, style: SvgStyle): Path {
  // Where three points go says where all go.
  const [e, f, x1, y1, x2, y2] = svgPath('M0 0L1 0L0 1', transform, false).coords;
  const map: Matrix = [x1 - e, y1 - f, x2 - e, y2 - f, e, f];
  const size = mapSize(map);
  if (!(size > 0)) return joinPaths([]);
  const line = strokeOutline(svgPath(data, '', false), style, FLATNESS / size);
  return mapPath(line, (x, y) => transformed(map, { x, y }));
}
