/** jsdom draws nothing: these contexts note what they are asked, in short words. */
export interface Noted {
  readonly canvas: HTMLCanvasElement;
  readonly said: string[];
}

const noted = new Map<HTMLCanvasElement, Noted>();

class FakePath {
  parts = 0;
  addPath(other: FakePath): void {
    this.parts += other.parts;
  }
  moveTo(): void {
    this.parts++;
  }
  lineTo(): void {}
  bezierCurveTo(): void {}
  closePath(): void {}
}

const round = (n: number): number => Math.round(n * 10) / 10;

function contextOf(canvas: HTMLCanvasElement): unknown {
  const said: string[] = [];
  noted.set(canvas, { canvas, said });
  const context = {
    fillStyle: '',
    globalAlpha: 1,
    globalCompositeOperation: 'source-over',
    setTransform: () => undefined,
    save: () => undefined,
    restore: () => undefined,
    beginPath: () => undefined,
    moveTo: () => undefined,
    lineTo: () => undefined,
    bezierCurveTo: () => undefined,
    closePath: () => undefined,
    rect: (...r: number[]) => said.push(`clip ${r.map(round).join(' ')}`),
    clip: () => undefined,
    clearRect: (...r: number[]) => said.push(`clear ${r.map(round).join(' ')}`),
    fill: (path?: FakePath) => {
      if (path && path.parts === 0) return;
      said.push(
        `fill ${context.fillStyle} ${round(100 * context.globalAlpha)} % ${context.globalCompositeOperation}`,
      );
    },
  };
  return context;
}

/** Puts the fakes in their places; what the canvases of `holder` were asked comes from the function given. */
export function installFakeCanvases(): (holder: Element) => Noted[] {
  noted.clear();
  Object.assign(globalThis, { Path2D: FakePath });
  HTMLCanvasElement.prototype.getContext = function (this: HTMLCanvasElement) {
    const known = contexts.get(this) ?? contextOf(this);
    contexts.set(this, known);
    return known as never;
  } as never;
  return (holder) =>
    [...holder.querySelectorAll('canvas')].flatMap((canvas) => noted.get(canvas) ?? []);
}
const contexts = new WeakMap<HTMLCanvasElement, unknown>();
