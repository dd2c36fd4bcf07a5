import type { Vec } from '@marginalis/core/geometry';
import type { InstrumentKind, PageId } from '@marginalis/core/marks';
import type { ComponentType } from 'react';
import type { DocumentSession } from '@/session';
import type { SourcePictures, StageController } from '@/stage';
import type { IconName } from '@/ui';
import type { Shell } from './shellStore';
import type { InstrumentWriter, WritingTools } from './writing';

/** What a feature works on: one open document and the window onto it. */
export interface Reader {
  readonly session: DocumentSession;
  readonly stage: StageController;
  readonly pictures: SourcePictures;
  readonly shell: Shell;
}

/** What commands are listed under. */
export const GROUPS = ['Document', 'Pages', 'Marks', 'Instruments', 'View', 'Settings'] as const;
export type CommandGroup = (typeof GROUPS)[number];

/** Where commands have buttons: the bar above, beside the instruments, and the settings. */
export type CommandPlace = 'bar' | 'roll' | 'settings';

/** A place of a page, or an area of it. */
export interface PagePlace {
  /** The page, from 0, and its id. */
  readonly index: number;
  readonly page: PageId;
  /** In user space; of an area the upper left corner, as the page is seen. */
  readonly at: Vec;
  /** Its corners, from there clockwise. */
  readonly area?: readonly [Vec, Vec, Vec, Vec];
}

/** What another program gives to be pasted. */
export interface Pasted {
  readonly text: string;
  /** The same as a piece of a page; empty without. */
  readonly html: string;
  /** Files that are pictures. */
  readonly pictures: readonly File[];
}

/** Something a person can have done: by its key, by its button, or by its name in the list of commands. */
export interface Command {
  readonly id: string;
  readonly title: string;
  readonly group: CommandGroup;
  /** Other words it is looked for by. */
  readonly also?: string;
  readonly icon?: IconName;
  /** As {@link spellKey} writes them: `Mod+Shift+Z`, `L`, `PageDown`. Of several commands that fit, the first able one runs. */
  readonly keys?: readonly string[];
  /** How the list of keys writes them, where they are many. */
  readonly spelled?: string;
  /** Its place in the bar, from the left; none without. */
  readonly bar?: number;
  /** Its place after the instruments; none without. */
  readonly roll?: number;
  /** Its place beneath the settings: what is needed once in a long while; none without. */
  readonly settings?: number;
  /** In the bar only where there is room for words. */
  readonly roomy?: boolean;
  /** What its button in the bar is called where there is room for words. */
  readonly short?: string;
  /** Drawn as the one that matters most, where there is room. */
  readonly prominent?: boolean;
  /** What it is called beside what is picked, in short; not offered there without. */
  readonly forPicked?: string;
  /** Those of its keys that are meant while something is typed, too. */
  readonly whileTyping?: readonly string[];
  /** What it is called beside words that are selected; not offered there without. */
  readonly forWords?: string;
  /** It has a button on the chip beside what is picked, and beside selected words. */
  readonly chip?: true;
  /** What a double tap on what is picked does, where it can be done. */
  readonly forDoubleTap?: true;
  /** Only by its keys: it would make no sense in a list. */
  readonly hidden?: boolean;
  /** What it is called at a bare place of a page, in short; not offered there without. */
  readonly forPlace?: string;
  /** Puts there what it puts on a page. */
  atPlace?(place: PagePlace): void;
  /** Whether it can be done now; always without. */
  able?(): boolean;
  /** Whether what it switches is on; nothing is switched without. */
  on?(): boolean;
  run(key?: string): void;
  /**
   * Takes what the browser gives to be pasted; false where that is nothing to it, and the next command is asked. Its keys are then the browser's own, which gives
   * what is pasted with them only.
   */
  paste?(given: Pasted): Promise<boolean>;
}

/** What stands beside the pages, one at a time a side; a sheet on a phone. */
export interface Panel {
  readonly id: string;
  readonly title: string;
  readonly side: 'roll' | 'margin';
  /** One finds one's way by it: on a phone it has a place among those that do, in this order. */
  readonly way?: { readonly order: number };
  /** On a phone it stands beneath the page rather than over it: what it is about stays in sight. */
  readonly beneath?: boolean;
  /** `onGone`: the reader was led to a place, which a sheet must not cover. */
  readonly Content: ComponentType<{ onGone: () => void }>;
}

/** What is asked or shown over everything else, until it is closed. */
export interface Dialog {
  readonly id: string;
  readonly Content: ComponentType<{ onClose: () => void }>;
}

/** Instruments, and what they do when they come down on a page. */
export interface Instruments {
  readonly kinds: readonly InstrumentKind[];
  /** Made when the reader opens. */
  writer(reader: Reader, tools: WritingTools): InstrumentWriter;
}

/** One thing the reader can do, whole: everything on the screen is put together from these. */
export interface ReaderFeature {
  readonly name: string;
  commands?(reader: Reader): readonly Command[];
  readonly instruments?: readonly Instruments[];
  readonly panels?: readonly Panel[];
  readonly dialogs?: readonly Dialog[];
  /** What else of it is late: loaded while nothing else is to be done, like panels and dialogs. */
  readonly later?: readonly unknown[];
  /** In page `index`, moving with it. */
  readonly OnPage?: ComponentType<{ index: number }>;
  /** Over the pages, unmoved; or nothing that is seen. */
  readonly Over?: ComponentType;
  /** Beside the title. */
  readonly Status?: ComponentType;
  /** In the bar, before the commands there. */
  readonly InBar?: ComponentType<{ wide: boolean }>;
  /** The row of instruments: below, or upright at the side. */
  readonly Tools?: ComponentType<{ upright: boolean }>;
  /** The strip along the pages. */
  readonly Edge?: ComponentType;
  /** Sentences across the top. */
  readonly Notices?: ComponentType;
  /** What a person can set of it. */
  readonly Settings?: ComponentType;
}
