import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import type { Drawing } from '../core/src/drawing/index';
import { encodeForm } from '../core/src/pdf/sink/formWriter';
import { placeText, setText } from '../core/src/type/typesetter';
import { shippedFonts } from '../core/testing/faces';
import { complaintOfQpdf, textOf } from '../references/support/programs';
import { makeCopy, openWorksheet } from './support/reader';

const SAID = 'Zostera efficiently fixes carbon';

async function encodedText() {
  const fonts = shippedFonts();
  const set = setText(SAID, { face: 'serif', size: 14 }, Infinity, fonts);
  const drawing: Drawing = placeText(set, [1, 0, 0, 1, 60, 60]).map((run) => ({
    is: 'glyphs',
    run,
    paint: { colour: '#1f3361', opacity: 1 },
  }));
  const form = await encodeForm(drawing, undefined);
  return {
    ...form,
    content: [...form.content],
    faces: form.faces.map((face) => ({ ...face, glyphs: [...face.glyphs] })),
  };
}

test('the worker that makes copies loads the faces that text on pages is set in', async ({
  page,
}) => {
  // No instrument sets text: what one would have made is slipped in on its way to the worker.
  await page.addInitScript(
    (encoded) => {
      const post = Worker.prototype.postMessage;
      Worker.prototype.postMessage = function (message, ...rest: never[]) {
        if (message?.job === 'fixedCopy') {
          const [{ id }] = message.ask.document.pages;
          const faces = encoded.faces.map((face) => ({ ...face, glyphs: new Map(face.glyphs) }));
          const form = { ...encoded, content: new Uint8Array(encoded.content), faces };
          message.ask.layers = new Map([[id, { form, count: 1 }]]);
        }
        post.call(this, message, ...rest);
      };
    },
    await encodedText(),
  );
  await openWorksheet(page);
  const fetched = page.waitForResponse(/Literata_400Regular/);
  await makeCopy(page);
  expect((await fetched).ok()).toBe(true);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download' }).click();
  const bytes = new Uint8Array(readFileSync(await (await download).path()));
  expect(complaintOfQpdf(bytes)).toBeNull();
  expect(textOf(bytes)).toContain(SAID);
});
