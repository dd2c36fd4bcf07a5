import type { Vec } from '@marginalis/core/geometry';
import { type Region, regionBetween } from '@marginalis/core/leaving';
import type { DocumentSession } from '@/session';
import type { StageController, Writer } from '@/stage';
import { frameRegion, regionsOf } from './regions';
import { seenAt } from './seenOn';

/** Has the pen while a part of a page is framed: a drag frames. What moves the paper moves it meanwhile, as ever. */
export class FrameWriter implements Writer {
  private drag: { readonly index: number; readonly from: Vec; readonly was: Region | null } | null =
    null;

  constructor(
    private readonly session: DocumentSession,
    private readonly stage: StageController,
  ) {}

  start(event: PointerEvent): void {
    const { stage, session } = this;
    const hit = stage.pageAt(stage.fromClient(event.clientX, event.clientY));
    if (!hit) return;
    const { framed: was = null } = regionsOf(session);
    this.drag = { index: hit.index, from: seenAt(stage, hit.index, event), was };
  }

  move(event: PointerEvent): void {
    if (!this.drag) return;
    const { index, from } = this.drag;
    const region = regionBetween(this.stage.pages[index], from, seenAt(this.stage, index, event));
    if (region) frameRegion(region);
  }

  end(event: PointerEvent): void {
    this.move(event);
    this.drag = null;
  }

  cancel(keep: boolean): void {
    if (this.drag && !keep) frameRegion(this.drag.was);
    this.drag = null;
  }

  hover(): void {}
}
