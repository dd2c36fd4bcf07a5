import { type Box, box } from './box.ts';
import type { PageStack } from './pageStack.ts';
import type { Vec } from './vec.ts';

/** What part of the page stack is seen: its top-left corner in stack points, and CSS pixels a point. */
export interface Camera {
  readonly x: number;
  readonly y: number;
  readonly zoom: number;
}

/** Width and height of the window onto the stack, CSS pixels. */
export interface Viewport {
  readonly width: number;
  readonly height: number;
}

/** CSS pixels a point at 100 %: 96 CSS pixels and 72 points make an inch. */
export const ACTUAL_SIZE = 96 / 72;
/** Two facing pages fit a phone. */
export const MIN_ZOOM = 0.1 * ACTUAL_SIZE;
export const MAX_ZOOM = 8 * ACTUAL_SIZE;

/** Space kept free around what is fitted into the window, CSS pixels. */
export const FIT_MARGIN = 8;

export const toStack = (camera: Camera, at: Vec): Vec => ({
  x: camera.x + at.x / camera.zoom,
  y: camera.y + at.y / camera.zoom,
});

const clamp = (v: number, low: number, high: number): number => Math.min(high, Math.max(low, v));

/** All of a stack, as a part that the camera is kept over. */
export const wholeStack = ({ width, height }: PageStack): Box => box(0, 0, width, height);

/** Keeps a part of the stack in the window: centred where it is narrower, else never past its edges. */
export function clampCamera(camera: Camera, part: Box, view: Viewport): Camera {
  const zoom = clamp(camera.zoom, MIN_ZOOM, MAX_ZOOM);
  const w = view.width / zoom;
  const h = view.height / zoom;
  const slack = FIT_MARGIN / zoom;
  const { minX, minY, maxX, maxY } = part;
  const x =
    maxX - minX + 2 * slack <= w
      ? (minX + maxX - w) / 2
      : clamp(camera.x, minX - slack, maxX + slack - w);
  const y = maxY - minY <= h ? (minY + maxY - h) / 2 : clamp(camera.y, minY, maxY - h);
  return { x, y, zoom };
}

/** Zooms so that the stack point under `at` (CSS pixels in the window) stays under it. */
export function zoomAbout(camera: Camera, zoom: number, at: Vec): Camera {
  const z = clamp(zoom, MIN_ZOOM, MAX_ZOOM);
  const p = toStack(camera, at);
  return { x: p.x - at.x / z, y: p.y - at.y / z, zoom: z };
}

export const fitWidthZoom = (pageWidth: number, view: Viewport): number =>
  clamp((view.width - 2 * FIT_MARGIN) / pageWidth, MIN_ZOOM, MAX_ZOOM);

export const fitPageZoom = (pageWidth: number, pageHeight: number, view: Viewport): number =>
  clamp(
    Math.min(
      (view.width - 2 * FIT_MARGIN) / pageWidth,
      (view.height - 2 * FIT_MARGIN) / pageHeight,
    ),
    MIN_ZOOM,
    MAX_ZOOM,
  );
