import { CopyFonts } from '@marginalis/core/copy';
import { keepDrawings } from '@marginalis/core/derived';
import type { DocState } from '@marginalis/core/document';
import { compareEditions, type EditionFile, PICTURE_WIDTH } from '@marginalis/core/edition';
import { boxWidth } from '@marginalis/core/geometry';
import {
  lineLook,
  type OpenPages,
  openPages,
  opensFreely,
  type OpenToCompare,
  openToCompare,
  windowOnto,
} from '@marginalis/core/pdfium';
import { inkOnPaper } from '@marginalis/core/pictures';
import { proveCopy } from '@marginalis/core/proof';
import { answer, type Run } from './answering';
import type { EditionAsk, LookJob, WorkReply, WorkRequest } from './contract';
import { makePicture } from './makePicture';
import { pagePictures } from './pagePictures';
import { readGraphic } from './readGraphic';
import { findSheet, straightenSheet } from './photographed';
import { startPdfium } from './startPdfium';
import { textFiles } from './textFiles';
import { unpackPicture } from './unpackPicture';
import { workerPainter } from './workerPainter';

let starting: ReturnType<typeof startPdfium> | null = null;

const pdfium = (): ReturnType<typeof startPdfium> =>
  (starting ??= startPdfium().catch((e: unknown) => {
    // Asked for again it is tried again.
    starting = null;
    throw e;
  }));

const runs: { [J in LookJob]: Run<J> } = {
  async pagePicture({ bytes, page, width, area = null, userUnit = 1 }) {
    const open = openPages(await pdfium(), bytes);
    try {
      const picture = open.page(page, ({ size, draw }) => {
        const seen = { width: size.width * userUnit, height: size.height * userUnit };
        const dpi = (72 * width) / (area ? boxWidth(area) : seen.width);
        return draw(windowOnto(seen, area, dpi));
      });
      if (!picture) throw new Error('The page cannot be drawn.');
      return picture;
    } finally {
      open.close();
    }
  },
  async pictures({ bytes, ...ask }, onProgress) {
    const open = openPages(await pdfium(), bytes);
    try {
      return await pagePictures(open, ask, onProgress);
    } finally {
      open.close();
    }
  },
  picture: makePicture,
  graphic: readGraphic,
  async lineLook({ bytes, area, ...asked }) {
    const { page, password } = asked;
    const module = await pdfium();
    const open = openPages(module, bytes, password);
    try {
      const raster = open.page(page, ({ size, draw }) =>
        draw(windowOnto(size, area, Math.min(300, (72 * 600) / boxWidth(area)))),
      );
      return {
        printed: lineLook(module, bytes, asked),
        colours: raster && inkOnPaper(raster),
      };
    } finally {
      open.close();
    }
  },
  async carryOver({ document, source, was, is }, onProgress) {
    const module = await pdfium();
    const opened: OpenToCompare[] = [];
    const open = ({ bytes, password, pages, form }: EditionAsk): EditionFile => {
      const file = openToCompare(module, bytes, PICTURE_WIDTH, password);
      opened.push(file);
      return { pages, ...(form ? { form } : {}), ...file };
    };
    try {
      return compareEditions(document, source, open(was), open(is), onProgress);
    } finally {
      for (const one of opened) one.close();
    }
  },
  findSheet,
  straighten: straightenSheet,
  async prove({ sources, copy, drawn, password, faces, own, ...asked }, onProgress) {
    const module = await pdfium();
    keepDrawings(asked.document, drawn);
    const opened = new Map<string, OpenPages>();
    try {
      for (const source of sources)
        opened.set(source.sha, openPages(module, source.bytes, source.password));
      const fonts = new CopyFonts(textFiles({ faces, own }));
      const open = openPages(module, copy, password ?? undefined);
      opened.set('copy', open);
      return await proveCopy(
        { ...asked, locked: password === null ? null : !opensFreely(module, copy) },
        {
          sources: (source) => opened.get(source) ?? null,
          copy: open,
          fonts,
          painter: workerPainter(fonts, (id) => pictureOf(asked.document, id)),
        },
        onProgress,
      );
    } finally {
      for (const one of opened.values()) one.close();
    }
  },
};

/** Null also for one that nobody can unpack: the screen leaves it out. */
async function pictureOf({ attachments }: DocState, id: string): Promise<ImageBitmap | null> {
  const attachment = attachments.get(id);
  if (!attachment) return null;
  try {
    return await unpackPicture(attachment);
  } catch (e) {
    console.warn('A picture could not be unpacked.', e);
    return null;
  }
}

/** Answers one request of what looks at finished copies. */
export const look = (request: WorkRequest, reply: (message: WorkReply) => void): Promise<void> =>
  answer(runs, request, reply);
