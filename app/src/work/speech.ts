/** A voice that the browser has. */
export interface SpeechVoice {
  readonly id: string;
  readonly name: string;
  /** As BCP 47 writes languages: "en-GB". */
  readonly language: string;
}

/** What is heard of something being said. */
export interface Heard {
  /** The word that begins at this unit of the text is said now. Not every voice tells. */
  word(at: number): void;
  done(): void;
  failed(message: string): void;
}

/** Says text aloud, one thing at a time. */
export interface Speech {
  /** None where the browser cannot speak. Some come a while after the page. */
  voices(): readonly SpeechVoice[];
  onVoices(listener: () => void): () => void;
  /** `pace`: 1 is the voice's own. Gives a function that falls silent; nothing is heard after that. */
  say(text: string, how: { voice: string; pace: number }, heard: Heard): () => void;
}

const SILENT: Speech = {
  voices: () => [],
  onVoices: () => () => undefined,
  say(_text, _how, heard) {
    heard.failed('This browser has no voice.');
    return () => undefined;
  },
};

/** The voices of the browser (Web Speech API). */
export function browserSpeech(): Speech {
  if (typeof speechSynthesis === 'undefined') return SILENT;
  const synthesis = speechSynthesis;
  return {
    voices: () =>
      synthesis.getVoices().map(({ voiceURI, name, lang }) => ({
        id: voiceURI,
        name,
        language: lang.replace('_', '-'),
      })),
    onVoices(listener) {
      synthesis.addEventListener('voiceschanged', listener);
      return () => synthesis.removeEventListener('voiceschanged', listener);
    },
    say(text, { voice, pace }, heard) {
      const said = new SpeechSynthesisUtterance(text);
      const chosen = synthesis.getVoices().find(({ voiceURI }) => voiceURI === voice);
      if (chosen) {
        said.voice = chosen;
        said.lang = chosen.lang;
      }
      said.rate = pace;
      let isStopped = false;
      const tell = (act: () => void) => () => {
        if (!isStopped) act();
      };
      said.onboundary = ({ name, charIndex }) => {
        if (!isStopped && name !== 'sentence') heard.word(charIndex);
      };
      said.onend = tell(() => heard.done());
      said.onerror = tell(() => heard.failed('The voice broke off.'));
      synthesis.cancel();
      synthesis.speak(said);
      return () => {
        isStopped = true;
        synthesis.cancel();
      };
    },
  };
}
