import type { Blend, Drawing, Group, Item, Paint, Picture } from '../../drawing/index.ts';
import type { GlyphRun } from '../../type/index.ts';
import { textString } from './hex.ts';
import { ByteWriter } from './byteWriter.ts';
import type { EncodedForm, NamedState } from './encodedForm.ts';
import { FormFaces, textInto } from './glyphs.ts';
import { toGridPath } from './gridPath.ts';
import { Words } from './words.ts';
import { cm, fillColour, fillInto, GRID_MATRIX, pathInto } from './operators.ts';

/** Deflates (RFC 1950); the platform's own is many times faster than the library's. */
export type Deflate = (bytes: Uint8Array) => Promise<Uint8Array>;

/** Writes drawings as the content of a form XObject. */
class FormWriter {
  private readonly content = new ByteWriter();
  private readonly states = new Map<string, NamedState>();
  private readonly forms: { name: string; form: EncodedForm }[] = [];
  private readonly faces = new FormFaces();
  private readonly pictures = new Map<string, string>();
  private readonly words = new Words();
  /** What is in force in the grid's graphics state, between its `q` and `Q`. */
  private paint: Paint | null = null;
  private isOnGrid = false;

  constructor(private readonly deflate: Deflate | undefined) {}

  async draw(drawing: Drawing): Promise<void> {
    for (const item of drawing) await this.item(item);
    this.leaveGrid();
  }

  private async item(item: Item): Promise<void> {
    switch (item.is) {
      case 'fill':
        this.enterGrid(item.paint);
        return fillInto(this.content, item.path);
      case 'glyphs':
        return this.glyphs(item.run, item.paint);
      case 'text':
        throw new RangeError('Text is set before it is written.');
      case 'picture':
        return this.picture(item);
      case 'group':
        return this.group(item);
    }
  }

  private write(operators: string): void {
    this.content.text(`${operators}\n`);
  }

  private enterGrid(paint: Paint): void {
    if (!this.isOnGrid) this.write(`q ${GRID_MATRIX}`);
    this.isOnGrid = true;
    const { opacity, blend = 'normal' } = paint;
    if ((this.paint?.opacity ?? 1) !== opacity || (this.paint?.blend ?? 'normal') !== blend)
      this.write(`/${this.state(opacity, blend)} gs`);
    if (this.paint?.colour !== paint.colour) this.write(fillColour(paint.colour));
    this.paint = paint;
  }

  private leaveGrid(): void {
    if (this.isOnGrid) this.write('Q');
    this.isOnGrid = false;
    this.paint = null;
  }

  /** The name of a graphics state with this opacity and blend mode. */
  private state(opacity: number, blend: Blend): string {
    const key = `${blend} ${opacity}`;
    let state = this.states.get(key);
    if (!state) this.states.set(key, (state = { name: `G${this.states.size}`, opacity, blend }));
    return state.name;
  }

  /** Operators that set opacity and blending, where they are not as they begin. */
  private look(opacity: number, blend: Blend): string {
    return opacity === 1 && blend === 'normal' ? '' : `/${this.state(opacity, blend)} gs `;
  }

  private glyphs(run: GlyphRun, paint: Paint): void {
    if (run.glyphs.length === 0) return;
    this.words.take(run);
    this.leaveGrid();
    // Text that is only to be found is neither filled nor stroked (§9.3.6), which every version of the format has.
    const look =
      paint.opacity === 0
        ? '3 Tr '
        : `${this.look(paint.opacity, paint.blend ?? 'normal')}${fillColour(paint.colour)} `;
    this.write(`q ${look}${cm(run.place)}`);
    textInto(this.content, run, this.faces);
    this.write('Q');
  }

  /** Content that stands for words, so that whoever does not see it is told them (ISO 32000-1 §14.9.3). */
  private async saying(
    words: string | undefined,
    write: () => void | Promise<void>,
  ): Promise<void> {
    if (!words) return write();
    this.words.add(words);
    this.write(`/Span <</Alt ${textString(words)}>> BDC`);
    await write();
    this.leaveGrid();
    this.write('EMC');
  }

  private picture({ source, place, opacity, says }: Picture): Promise<void> {
    this.leaveGrid();
    let name = this.pictures.get(source);
    if (!name) this.pictures.set(source, (name = `P${this.pictures.size}`));
    return this.saying(says, () =>
      this.write(`q ${this.look(opacity, 'normal')}${cm(place)} /${name} Do Q`),
    );
  }

  private async group({ items, clip, opacity = 1, blend = 'normal', says }: Group): Promise<void> {
    this.leaveGrid();
    // What is together only because it says something needs no form.
    if (says && !clip && opacity === 1 && blend === 'normal')
      return this.saying(says, async () => {
        for (const item of items) await this.item(item);
      });
    const form = await encodeForm(items, this.deflate, true);
    if (form.content.length === 0) return;
    const name = `F${this.forms.length}`;
    this.forms.push({ name, form });
    await this.saying(says, () => {
      this.words.add(form.words);
      this.write('q');
      if (clip) {
        this.write(GRID_MATRIX);
        pathInto(this.content, toGridPath(clip));
        this.write('W n');
        // Back from the grid: the form is in points.
        this.write('100 0 0 100 0 0 cm');
      }
      this.write(`${this.look(opacity, blend)}/${name} Do`);
      this.write('Q');
    });
  }

  async finish(isolated: boolean): Promise<EncodedForm> {
    const bytes = this.content.view();
    const { deflate } = this;
    return {
      content: deflate && bytes.length > 0 ? await deflate(bytes) : bytes.slice(),
      deflated: deflate !== undefined && bytes.length > 0,
      states: [...this.states.values()],
      forms: this.forms,
      faces: this.faces.all,
      pictures: [...this.pictures].map(([source, name]) => ({ name, source })),
      words: this.words.all(),
      isolated,
    };
  }
}

/**
 * A drawing as the content of a form XObject in user space. Compressed when the platform's compressor is given; `isolated`
 * makes it a transparency group of its own.
 */
export async function encodeForm(
  drawing: Drawing,
  deflate: Deflate | undefined,
  isolated = false,
): Promise<EncodedForm> {
  const writer = new FormWriter(deflate);
  await writer.draw(drawing);
  return writer.finish(isolated);
}
