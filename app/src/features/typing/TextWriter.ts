import { answersOn, knownAnswers } from '@/shell';
import { marksAt, tickBox } from '@marginalis/core/editing';
import { displayMatrix, transform, type Vec } from '@marginalis/core/geometry';
import { asText, type TextMark } from '@marginalis/core/kinds';
import type { Instrument, TextInstrument } from '@marginalis/core/marks';
import { type AnswerLine, answerLineAt, tickBoxAt } from '@marginalis/core/print';
import { facesOfBlock, textOfSpans } from '@marginalis/core/type';
import { AreaDrag, type Hit, type InstrumentWriter, type Reader, type WritingTools } from '@/shell';
import { pageFonts } from '@/stage';
import { useSettings } from '@/session';
import { calloutAt, textAt, textOnLine } from './beginText';
import { knownTickBoxes } from './knownTickBoxes';
import { beginTyping, typingHeld } from './typingHeld';

/** What is tapped within so much of a box is the box, CSS pixels. */
const NEAR = 4;
/** A tap beside a line for an answer means it, points. */
const LINE_REACH = 5;
/** Begins a text box where it is tapped, or as wide as it is dragged; goes on with one that is tapped. */
export class TextWriter implements InstrumentWriter {
  readonly bare = true;
  private readonly drag: AreaDrag;
  private instrument: TextInstrument | null = null;

  constructor(
    private readonly reader: Reader,
    tools: WritingTools,
  ) {
    this.drag = new AreaDrag(reader, tools);
  }

  start(_event: PointerEvent, hit: Hit, instrument: Instrument): void {
    if (instrument.kind !== 'text-box') return;
    const { typing } = typingHeld.getState();
    typing?.finish();
    // A tap beside a text lays it down, and does nothing else.
    if (typing && !this.textAt(hit)) return;
    this.instrument = instrument;
    if (instrument.leads) this.drag.start(hit, (from, to) => ({ kind: 'line', from, to }));
    else this.drag.start(hit);
  }

  move(event: PointerEvent): void {
    this.drag.move(event);
  }

  end(event: PointerEvent): void {
    const dragged = this.drag.end(event);
    const { instrument } = this;
    if (!dragged || !instrument) return;
    const { hit, to } = dragged;
    const there = to ? null : this.textAt(hit);
    if (there) beginTyping(this.reader.session, there, there);
    else this.begin(hit, to, instrument);
  }

  cancel(): void {
    this.drag.cancel();
  }

  hover(event: PointerEvent): void {
    const { session, stage } = this.reader;
    const instrument = session.hand.instrument();
    if (instrument.kind !== 'text-box') return;
    const hit = stage.pageAt(stage.fromClient(event.clientX, event.clientY));
    const page = hit && session.store.getState().document.pages[hit.index];
    if (hit && page && !session.print.known(page)) void answersOn(this.reader, hit.index);
    // The faces are there when the first letter is typed.
    const block = { spans: [{ text: '', style: instrument }] };
    for (const name of facesOfBlock(block)) pageFonts.face(name);
  }

  yield(): void {
    typingHeld.getState().typing?.finish();
  }

  leave(): void {
    typingHeld.getState().typing?.finish();
  }

  fit(): void {
    this.drag.fit();
  }

  private textAt({ pageId, user }: Hit): TextMark | null {
    const { session, stage } = this.reader;
    const { document } = session.store.getState();
    const there = marksAt(document, pageId, user, NEAR / stage.getCamera().zoom);
    return there.map(asText).find((mark) => mark && !mark.locked) ?? null;
  }

  /** On the line for an answer that is tapped; else where it was tapped, or as wide as it was dragged. */
  private begin(hit: Hit, to: Vec | null, instrument: TextInstrument): void {
    const { reader } = this;
    if (instrument.leads) {
      const callout = calloutAt(reader, hit.index, instrument, hit.user, to);
      return void beginTyping(reader.session, callout, null);
    }
    if (!to && this.tick(hit, instrument)) return;
    const lines = to ? [] : knownAnswers(reader, hit.index);
    const onLine = lines && this.lineBox(hit, instrument, lines);
    const mark = onLine ?? textAt(reader, hit.index, instrument, hit.user, to);
    const typing = beginTyping(reader.session, mark, null);
    // The page was not read yet: an empty box goes onto its line when it has been.
    if (!lines)
      void answersOn(reader, hit.index).then((all) => {
        const isEmpty = textOfSpans(typing.mark.block.spans) === '';
        if (isEmpty && this.tick(hit, instrument)) typing.finish();
        else typing.moveTo(this.lineBox(hit, instrument, all));
      });
  }

  /** Ticks the printed square that is tapped; false where there is none. */
  private tick({ index, pageId, user }: Hit, { colour }: TextInstrument): boolean {
    const { session, stage } = this.reader;
    const seen = stage.pages[index];
    const at = transform(displayMatrix(seen), user);
    const reach = NEAR / stage.getCamera().zoom;
    const box = tickBoxAt(knownTickBoxes(this.reader, index), at, reach);
    if (!box) return false;
    const { author } = useSettings.getState();
    const made = { id: crypto.randomUUID(), page: pageId, madeAt: Date.now(), author };
    const { document } = session.store.getState();
    return session.dispatch(tickBox(document, { ...made, box, seen, colour }));
  }

  private lineBox(
    { index, user }: Hit,
    instrument: TextInstrument,
    lines: readonly AnswerLine[],
  ): TextMark | null {
    const at = transform(displayMatrix(this.reader.stage.pages[index]), user);
    const line = answerLineAt(lines, at, LINE_REACH);
    return line && textOnLine(this.reader, index, instrument, lines, line);
  }
}
