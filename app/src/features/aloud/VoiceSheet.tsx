import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { useSession, useSettings } from '@/session';
import { Choices, NumberField, Sheet } from '@/ui';

/** The voice that reads aloud, by language, and how fast; the pacer's words a minute. */
export function VoiceSheet({ onClose }: { onClose: () => void }) {
  const { aloud } = useSession();
  const reading = useSettings((s) => s.reading);
  const setReading = useSettings((s) => s.setReading);
  const [voices, setVoices] = useState(() => aloud.speech.voices());
  useEffect(() => aloud.speech.onVoices(() => setVoices(aloud.speech.voices())), [aloud]);
  const languages = [...new Set(voices.map(({ language }) => language))].sort();
  const own = voices.find(({ id }) => id === reading.voice);
  const [language, setLanguage] = useState(own?.language ?? likely(languages));
  const change = (part: Partial<typeof reading>): void => {
    setReading(part);
    aloud.again();
  };
  return (
    <Sheet title="Voice and pace" open onClose={onClose}>
      <View style={styles.all}>
        {voices.length === 0 ? (
          <Text>
            This browser has no voice that could read aloud. The pacer leads over the words without
            sound.
          </Text>
        ) : (
          <>
            {languages.length > 1 && (
              <Choices
                label="Language"
                choices={languages.map((value) => ({ value, label: nameOf(value) }))}
                value={language}
                onChange={setLanguage}
              />
            )}
            <Choices
              label="Voice"
              choices={[
                { value: '', label: 'The browser’s own' },
                ...voices
                  .filter((voice) => voice.language === language)
                  .map(({ id, name }) => ({ value: id, label: name })),
              ]}
              value={reading.voice}
              onChange={(voice) => change({ voice })}
            />
            <NumberField
              label="Pace of the voice"
              value={reading.pace}
              least={0.5}
              most={2.5}
              onChange={(pace) => change({ pace })}
            />
          </>
        )}
        <NumberField
          label="Pacer, words a minute"
          value={reading.wordsPerMinute}
          least={60}
          most={900}
          onChange={(wordsPerMinute) => change({ wordsPerMinute })}
        />
      </View>
    </Sheet>
  );
}

/** The language of the browser, or what is nearest to it. */
const likely = (languages: readonly string[]): string =>
  languages.find((one) => one === navigator.language) ??
  languages.find((one) => one.split('-')[0] === navigator.language.split('-')[0]) ??
  languages[0] ??
  '';

function nameOf(language: string): string {
  try {
    return new Intl.DisplayNames(undefined, { type: 'language' }).of(language) ?? language;
  } catch {
    // Not every voice says its language as BCP 47 would.
    return language;
  }
}

const styles = StyleSheet.create({ all: { gap: 16, paddingVertical: 8 } });
