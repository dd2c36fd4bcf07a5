import type { Page } from '@playwright/test';

/** Puts a voice into the page that says nothing: the test says what is heard of it. */
export async function standInVoice(page: Page, voices: number): Promise<void> {
  await page.addInitScript((count) => {
    const said: string[] = [];
    let now: SpeechSynthesisUtterance | null = null;
    class Utterance extends EventTarget {
      voice = null;
      lang = '';
      rate = 1;
      onboundary: ((e: object) => void) | null = null;
      onend: (() => void) | null = null;
      onerror: (() => void) | null = null;
      constructor(readonly text: string) {
        super();
      }
    }
    const synthesis = Object.assign(new EventTarget(), {
      getVoices: () =>
        Array.from({ length: count }, (_, k) => ({
          voiceURI: `voice ${k}`,
          name: `Stand-in ${k + 1}`,
          lang: ['en-GB', 'de-DE'][k % 2],
        })),
      speak(utterance: SpeechSynthesisUtterance) {
        said.push(utterance.text);
        now = utterance;
      },
      cancel() {
        now = null;
      },
    });
    Object.defineProperty(window, 'speechSynthesis', { value: synthesis });
    Object.assign(window, {
      SpeechSynthesisUtterance: Utterance,
      voice: {
        said,
        word: (charIndex: number) => now?.onboundary?.({ name: 'word', charIndex } as never),
        end: () => now?.onend?.({} as never),
        isSilent: () => now === null,
      },
    });
  }, voices);
}
interface StandIn {
  readonly said: string[];
  word(at: number): void;
  end(): void;
  isSilent(): boolean;
}
/** What it was asked to say. */
export const said = (page: Page) =>
  page.evaluate(() => (window as unknown as { voice: StandIn }).voice.said);
/** Tells that the voice comes to a word, or is at its end. */
export const voice = (page: Page, act: 'end' | 'word', at = 0) =>
  page.evaluate(
    ([name, n]) => (window as unknown as { voice: StandIn }).voice[name as 'word'](n as number),
    [act, at] as const,
  );

export const isSilent = (page: Page) =>
  page.evaluate(() => (window as unknown as { voice: StandIn }).voice.isSilent());
