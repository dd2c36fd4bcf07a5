import { findMark } from '@marginalis/core/document';
import { asText, type TextMark } from '@marginalis/core/kinds';
import { typingInstrument } from '@/session';
import type { Command, Reader, ReaderFeature } from '@/shell';
import { textAt } from './beginText';
import { FontSettings, LeaderGrips, OnPage, TextField } from './OnPage';
import { TextWriter } from './TextWriter';
import { beginTyping } from './typingHeld';

/** The one text box that is picked; null with another number of marks. */
function pickedText({ session }: Reader): TextMark | null {
  const { document, picked } = session.store.getState();
  const [id] = picked;
  return picked.size === 1 ? asText(findMark(document, id)) : null;
}

const commands = (reader: Reader): readonly Command[] => [
  {
    id: 'type-text',
    title: 'Type on the first free line',
    group: 'Marks',
    also: 'text answer fill in form worksheet keyboard write box',
    icon: 'text-box',
    keys: ['E'],
    able: () => reader.session.store.getState().writable,
    run: async () => (await import('./stepText')).typeInSight(reader),
    forPlace: 'Text',
    atPlace: ({ index, at, area }) => {
      const instrument = { ...typingInstrument(reader.session), leads: false };
      const mark = textAt(reader, index, instrument, at, area?.[2] ?? null);
      beginTyping(reader.session, mark, null);
    },
  },
  {
    id: 'answer-with-words',
    title: 'Use the selected words as an answer',
    group: 'Marks',
    also: 'word bank label match copy put here',
    icon: 'text-box',
    forWords: 'Use as an answer',
    able: () => {
      const { writable } = reader.session.store.getState();
      return writable && reader.session.words.store.getState().parts.length > 0;
    },
    run: async () => (await import('./answerWithWords')).answerWithWords(reader),
  },
  {
    id: 'paste-text',
    title: 'Paste text as a box',
    group: 'Marks',
    also: 'type words insert clipboard',
    icon: 'paste',
    able: () => reader.session.store.getState().writable,
    run: async () => (await import('./pasteText')).pasteAsked(reader),
    async paste(given) {
      if (given.text.trim() === '') return false;
      (await import('./pasteText')).pasteText(reader, given);
      return true;
    },
  },
  {
    id: 'edit-text',
    title: 'Edit the text that is picked',
    group: 'Marks',
    also: 'type write change words',
    icon: 'text-box',
    keys: ['Enter', 'F2'],
    forPicked: 'Edit',
    forDoubleTap: true,
    chip: true,
    able: () => reader.session.store.getState().writable && pickedText(reader) !== null,
    run: () => {
      const mark = pickedText(reader);
      if (mark) beginTyping(reader.session, mark, mark);
    },
  },
];

/** Typing text onto the page. */
export const typingFeature: ReaderFeature = {
  name: 'typing',
  commands,
  OnPage,
  later: [TextField, LeaderGrips],
  Settings: FontSettings,
  instruments: [{ kinds: ['text-box'], writer: (reader, tools) => new TextWriter(reader, tools) }],
};
