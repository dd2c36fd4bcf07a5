import { partOf } from '@marginalis/core/leaving';
import { useMemo } from 'react';
import { Text } from 'react-native-paper';
import { useSessionState, useSettings } from '@/session';
import { picturesName } from '../fileName';
import type { Part } from '../useAsked';
import { useNaming } from '../useNaming';
import { usePreview } from '../usePreview';
import { RegionPad } from './RegionPad';
import type { TakenRegion } from './regions';

/** The part of a page that is to leave, what it will be called, and a pad to draw on it. */
export function RegionPreview({ part, taken }: { part: Part; taken: TakenRegion }) {
  const {
    names: [name],
    inName,
    area,
  } = part;
  const document = useSessionState((s) => s.document);
  const kind = useSettings((s) => s.sending.picture);
  const naming = useNaming(inName);
  const { page } = taken.region;
  // What is drawn here is drawn over the picture, not in it: it need not be made anew for every stroke.
  const of = useMemo(() => {
    const index = document.pages.findIndex(({ id }) => id === page);
    return {
      part: { document: partOf(document, [index]), names: [name], area },
      notes: 'none' as const,
    };
  }, [document, page, name, area]);
  const { picture, trouble } = usePreview(of, 0);
  return (
    <>
      <Text variant="titleMedium" selectable>
        {picturesName(naming, 1, kind)}
      </Text>
      <RegionPad
        document={of.part.document}
        taken={taken}
        name={`Part of page ${name}`}
        picture={picture}
        trouble={trouble}
      />
    </>
  );
}
