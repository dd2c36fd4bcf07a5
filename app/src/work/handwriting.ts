/** Reads what is written by hand, where the browser can. */
export interface HandwritingReader {
  /** Points of each stroke in turn, y down, with their times in ms. @returns what it reads as; null where it reads as nothing */
  read(strokes: readonly (readonly InkPoint[])[]): Promise<string | null>;
}

export interface InkPoint {
  readonly x: number;
  readonly y: number;
  readonly t: number;
}

/** What of the Handwriting Recognition API is used here (a draft of the Web Incubator Community Group). */
interface Recognizer {
  startDrawing(hints?: { alternatives?: number }): {
    addStroke(stroke: object): void;
    getPrediction(): Promise<readonly { readonly text: string }[]>;
  };
  finish(): void;
}
interface Recognizing {
  createHandwritingRecognizer?(constraint: { languages: string[] }): Promise<Recognizer>;
}
declare const HandwritingStroke: (new () => { addPoint(point: InkPoint): void }) | undefined;

/** The browser's own reader; null where it has none. */
export function browserHandwriting(): HandwritingReader | null {
  const source = navigator as Recognizing;
  if (!source.createHandwritingRecognizer || typeof HandwritingStroke === 'undefined') return null;
  const Stroke = HandwritingStroke;
  return {
    async read(strokes) {
      const recognizer = await source.createHandwritingRecognizer?.({
        languages: [navigator.language],
      });
      if (!recognizer) return null;
      try {
        const drawing = recognizer.startDrawing({ alternatives: 0 });
        for (const points of strokes) {
          const stroke = new Stroke();
          for (const point of points) stroke.addPoint(point);
          drawing.addStroke(stroke);
        }
        const [best] = await drawing.getPrediction();
        return best?.text.trim() || null;
      } finally {
        recognizer.finish();
      }
    },
  };
}
