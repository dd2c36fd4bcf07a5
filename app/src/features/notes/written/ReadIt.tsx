import { centrelinesOf } from '@marginalis/core/derived';
import type { InkSample } from '@marginalis/core/ink';
import type { InkMark } from '@marginalis/core/kinds';
import { useState } from 'react';
import { useSession } from '@/session';
import { Action } from '@/ui';
import { browserHandwriting } from '@/work';

/** Has the browser read what is written, where it can; the reading is for the person to correct. */
export function ReadIt({
  ink,
  onRead,
}: {
  ink: readonly InkMark[];
  onRead: (text: string) => void;
}) {
  const { notices } = useSession();
  const [reader] = useState(browserHandwriting);
  if (!reader || ink.length === 0) return null;
  const read = async (): Promise<void> => {
    try {
      const text = await reader.read(ink.map(pointsOf));
      if (text === null) notices.tell('The browser cannot make out what is written.');
      else onRead(text);
    } catch {
      notices.tell('The browser could not read what is written. It can be typed beneath.');
    }
  };
  return (
    <Action compact onPress={() => void read()}>
      Read it
    </Action>
  );
}

/** From the head of the sheet downwards, in time from the stroke's own beginning. */
function pointsOf(stroke: InkMark): { x: number; y: number; t: number }[] {
  const [line] = centrelinesOf(stroke) as readonly (readonly InkSample[])[];
  return line.map(({ x, y, t }) => ({ x, y: -y, t: t - line[0].t }));
}
